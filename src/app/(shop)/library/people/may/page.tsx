import type { Metadata } from 'next';
import { PermissionsPage } from '@/components/library/permissions-page';
import { perform, readPermissions } from '@/server';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Who may do what' };

export default async function Page() {
  return orExplain(async () => <PermissionsPage view={await perform(readPermissions, await requestContext(), {})} />);
}
