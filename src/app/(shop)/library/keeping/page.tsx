import type { Metadata } from 'next';
import { KeepingPage } from '@/components/library/keeping-page';
import { read } from '@/app/served';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Backups' };

export default async function Page() {
  return orExplain(async () => <KeepingPage view={await read('readKeeping', await requestContext(), {})} />);
}
