import type { Metadata } from 'next';
import { read } from '@/app/served';
import { addDays } from '@/core/planning';
import { PromiseDesk } from '@/components/plan/promise-desk';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Promise desk' };

export default async function Page() {
  return orExplain(async () => {
    const { families, today } = await read('readReceiving', await requestContext(), { lot: '' });
    const choices = families.map(({ id, title }) => ({ id, title }));
    return <PromiseDesk families={choices} tomorrow={addDays(today, 1)} />;
  });
}
