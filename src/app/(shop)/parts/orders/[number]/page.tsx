import type { Metadata } from 'next';
import { perform, readOrder } from '@/server';
import { OrderPage } from '@/components/parts/order-page';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Order' };

export default async function OneOrderPage({ params }: { params: Promise<{ number: string }> }) {
  return orExplain(async () => <OrderPage {...await perform(readOrder, await requestContext(), await params)} />);
}
