import type { Metadata } from 'next';
import { KeepingPage } from '@/components/library/keeping-page';
import { perform, readKeeping } from '@/server';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Backups' };

export default async function Page() {
  return orExplain(async () => <KeepingPage view={await perform(readKeeping, await requestContext(), {})} />);
}
