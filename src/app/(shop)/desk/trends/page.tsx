import { Suspense } from 'react';
import type { Metadata } from 'next';
import { read } from '@/app/served';
import { MoneySection } from '@/components/floor/money-section';
import { PlanHeld } from '@/components/floor/plan-held';
import { TrendsPage } from '@/components/floor/trends-page';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Trends' };

/** Reckoned from the records of many jobs: the page does not wait for it. */
async function Money() {
  return orExplain(async () => <MoneySection money={await read('readMoney', await requestContext(), {})} />);
}

export default async function Page() {
  return orExplain(async () => {
    const trends = await read('readTrends', await requestContext(), {});
    return (
      <TrendsPage trends={trends}>
        <PlanHeld plan={trends.plan} />
        <Suspense fallback={<p>Adding up the money …</p>}>
          <Money />
        </Suspense>
      </TrendsPage>
    );
  });
}
