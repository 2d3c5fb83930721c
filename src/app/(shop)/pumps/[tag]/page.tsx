import type { Metadata } from 'next';
import { read } from '@/app/served';
import { PumpPage } from '@/components/history/pump-page';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

interface Props {
  readonly params: Promise<{ tag: string }>;
}

export const metadata: Metadata = { title: 'Pump' };

export default async function Page({ params }: Props) {
  return orExplain(async () => <PumpPage pump={await read('readPump', await requestContext(), await params)} />);
}
