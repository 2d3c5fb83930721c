import type { Metadata } from 'next';
import { read } from '@/app/served';
import { OrderPage } from '@/components/parts/order-page';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Order' };

export default async function OneOrderPage({ params }: { params: Promise<{ number: string }> }) {
  return orExplain(async () => <OrderPage {...await read('readOrder', await requestContext(), await params)} />);
}
