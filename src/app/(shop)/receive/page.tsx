import type { Metadata } from 'next';
import { perform, readReceiving } from '@/server';
import { ReceiveForm } from '@/components/receive/receive-form';
import { requestContext } from '@/app/session';
import { firstParam, type SearchParam } from '@/app/search-param';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Receive' };

interface Props {
  readonly searchParams: Promise<{ readonly lot?: SearchParam }>;
}

export default async function ReceivePage({ searchParams }: Props) {
  const asked = firstParam((await searchParams).lot, 20) ?? '';
  return orExplain(async () => {
    const { customers, families, lot } = await perform(readReceiving, await requestContext(), { lot: asked });
    return <ReceiveForm key={lot?.number ?? ''} customers={customers} families={families} lot={lot} />;
  });
}
