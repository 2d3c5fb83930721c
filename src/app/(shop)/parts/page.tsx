import type { Metadata } from 'next';
import { read } from '@/app/served';
import { PartsDeskOfText, type PartsDesk } from '@/components/parts/parts-desk';
import { sent } from '@/app/page-data';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Parts' };

export default async function PartsPage() {
  return orExplain(async () => (
    <PartsDeskOfText {...await sent<typeof PartsDesk>(await read('readPartsDesk', await requestContext(), {}))} />
  ));
}
