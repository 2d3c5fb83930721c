import type { Metadata } from 'next';
import { perform, readHands } from '@/server';
import { HandsPage } from '@/components/plan/hands-page';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Hands and hours' };

export default async function Page() {
  return orExplain(async () => <HandsPage shown={await perform(readHands, await requestContext(), {})} />);
}
