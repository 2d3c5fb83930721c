import type { Metadata } from 'next';
import { read } from '@/app/served';
import { HandsPage } from '@/components/plan/hands-page';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Hands and hours' };

export default async function Page() {
  return orExplain(async () => <HandsPage shown={await read('readHands', await requestContext(), {})} />);
}
