import type { Metadata } from 'next';
import { PapersPage } from '@/components/library/papers-page';
import { read } from '@/app/served';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Papers and letters' };

export default async function Page() {
  return orExplain(async () => <PapersPage view={await read('readPapers', await requestContext(), {})} />);
}
