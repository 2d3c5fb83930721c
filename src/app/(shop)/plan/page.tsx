import type { Metadata } from 'next';
import { perform, readPlan } from '@/server';
import { PlanPage } from '@/components/plan/plan-page';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Plan' };

export default async function Page() {
  return orExplain(async () => <PlanPage shown={await perform(readPlan, await requestContext(), {})} />);
}
