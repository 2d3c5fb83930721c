import type { Metadata } from 'next';
import { read } from '@/app/served';
import { CustomerPage } from '@/components/history/customer-page';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

interface Props {
  readonly params: Promise<{ id: string }>;
}

export const metadata: Metadata = { title: 'Customer' };

export default async function Page({ params }: Props) {
  return orExplain(async () => (
    <CustomerPage customer={await read('readCustomer', await requestContext(), await params)} />
  ));
}
