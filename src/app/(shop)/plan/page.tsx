import type { Metadata } from 'next';
import { read } from '@/app/served';
import { PlanPageOfText, type PlanPage } from '@/components/plan/plan-page';
import { sent } from '@/app/page-data';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Plan' };

export default async function Page() {
  return orExplain(async () => {
    const shown = await read('readPlan', await requestContext(), {});
    return <PlanPageOfText {...await sent<typeof PlanPage>({ shown })} />;
  });
}
