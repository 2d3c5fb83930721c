import type { Metadata } from 'next';
import { perform, readPartsDesk } from '@/server';
import { PartsDesk } from '@/components/parts/parts-desk';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Parts' };

export default async function PartsPage() {
  return orExplain(async () => <PartsDesk {...await perform(readPartsDesk, await requestContext(), {})} />);
}
