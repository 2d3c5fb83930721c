import type { Metadata } from 'next';
import { read } from '@/app/served';
import { BuyingPlanView } from '@/components/parts/buying-plan';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Buying plan' };

export default async function PlanPage() {
  return orExplain(async () => <BuyingPlanView {...await read('readBuyingPlan', await requestContext(), {})} />);
}
