import type { Metadata } from 'next';
import { read } from '@/app/served';
import { WeeksPage } from '@/components/plan/weeks-page';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Weeks' };

export default async function Page() {
  return orExplain(async () => <WeeksPage shown={await read('readWeeks', await requestContext(), {})} />);
}
