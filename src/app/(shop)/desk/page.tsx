import type { Metadata } from 'next';
import { read } from '@/app/served';
import { WeekDesk } from '@/components/floor/week-desk';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Week' };

export default async function Page() {
  return orExplain(async () => <WeekDesk week={await read('readWeek', await requestContext(), {})} />);
}
