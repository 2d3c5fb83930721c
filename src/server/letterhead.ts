import { findMark, type Connection, type ShopSettings } from '@/db';
import type { Letterhead } from '@/documents';

interface Shop {
  readonly name: string;
  readonly place: string;
  readonly settings: Pick<ShopSettings, 'address' | 'telephone' | 'paperSize' | 'language'>;
}

/** What stands at the head of a shop's papers. */
export async function letterheadOf(connection: Connection, { name, place, settings }: Shop): Promise<Letterhead> {
  const { address, telephone, paperSize, language } = settings;
  return { name, place, address, telephone, paperSize, language, mark: await findMark(connection) };
}
