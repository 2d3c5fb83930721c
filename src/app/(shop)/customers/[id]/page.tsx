import type { Metadata } from 'next';
import { perform, readCustomer } from '@/server';
import { CustomerPage } from '@/components/history/customer-page';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

interface Props {
  readonly params: Promise<{ id: string }>;
}

export const metadata: Metadata = { title: 'Customer' };

export default async function Page({ params }: Props) {
  return orExplain(async () => (
    <CustomerPage customer={await perform(readCustomer, await requestContext(), await params)} />
  ));
}
