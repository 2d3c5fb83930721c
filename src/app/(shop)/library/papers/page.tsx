import type { Metadata } from 'next';
import { PapersPage } from '@/components/library/papers-page';
import { perform, readPapers } from '@/server';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Papers and letters' };

export default async function Page() {
  return orExplain(async () => <PapersPage view={await perform(readPapers, await requestContext(), {})} />);
}
