import type { Metadata } from 'next';
import { perform, readReceiving } from '@/server';
import { ReceiveForm } from '@/components/receive/receive-form';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Receive' };

export default async function ReceivePage() {
  return orExplain(async () => {
    const { customers, families } = await perform(readReceiving, await requestContext(), {});
    return <ReceiveForm customers={customers} families={families} />;
  });
}
