import type { Metadata } from 'next';
import { perform, readWeek } from '@/server';
import { WeekDesk } from '@/components/floor/week-desk';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Week' };

export default async function Page() {
  return orExplain(async () => <WeekDesk week={await perform(readWeek, await requestContext(), {})} />);
}
