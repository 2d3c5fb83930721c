import type { Metadata } from 'next';
import { perform, readTrends } from '@/server';
import { TrendsPage } from '@/components/floor/trends-page';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Trends' };

export default async function Page() {
  return orExplain(async () => <TrendsPage trends={await perform(readTrends, await requestContext(), {})} />);
}
