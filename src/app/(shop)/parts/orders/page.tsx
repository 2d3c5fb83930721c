import type { Metadata } from 'next';
import { read } from '@/app/served';
import { Orders } from '@/components/parts/orders';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Orders' };

export default async function OrdersPage() {
  return orExplain(async () => <Orders {...await read('readOrders', await requestContext(), {})} />);
}
