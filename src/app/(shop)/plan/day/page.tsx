import type { Metadata } from 'next';
import { read } from '@/app/served';
import { DayPage } from '@/components/plan/day-page';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';
import { firstParam, type SearchParam } from '@/app/search-param';

export const metadata: Metadata = { title: 'A day' };

interface Props {
  readonly searchParams: Promise<{ day?: SearchParam; who?: SearchParam }>;
}

export default async function Page({ searchParams }: Props) {
  return orExplain(async () => {
    const context = await requestContext();
    const [shown, { feeds }, asked] = await Promise.all([
      read('readPlan', context, {}),
      read('readFeeds', context, {}),
      searchParams,
    ]);
    return <DayPage {...{ shown, feeds }} day={firstParam(asked.day) ?? ''} who={firstParam(asked.who) ?? ''} />;
  });
}
