import type { Metadata } from 'next';
import { read } from '@/app/served';
import { CustomerList } from '@/components/history/customer-page';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Customers' };

export default async function Page() {
  return orExplain(async () => <CustomerList {...await read('readCustomers', await requestContext(), {})} />);
}
