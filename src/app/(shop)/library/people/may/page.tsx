import type { Metadata } from 'next';
import { PermissionsPage } from '@/components/library/permissions-page';
import { read } from '@/app/served';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Who may do what' };

export default async function Page() {
  return orExplain(async () => <PermissionsPage view={await read('readPermissions', await requestContext(), {})} />);
}
