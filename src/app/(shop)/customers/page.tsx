import type { Metadata } from 'next';
import { perform, readCustomers } from '@/server';
import { CustomerList } from '@/components/history/customer-page';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Customers' };

export default async function Page() {
  return orExplain(async () => <CustomerList {...await perform(readCustomers, await requestContext(), {})} />);
}
