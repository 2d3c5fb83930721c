import type { ShopSettings } from '@/db';
import type { Letterhead } from '@/documents';

interface Shop {
  readonly name: string;
  readonly place: string;
  readonly settings: Pick<ShopSettings, 'address' | 'telephone' | 'paperSize'>;
}

/** What stands at the head of a shop's papers. */
export function letterheadOf({ name, place, settings: { address, telephone, paperSize } }: Shop): Letterhead {
  return { name, place, address, telephone, paperSize };
}
