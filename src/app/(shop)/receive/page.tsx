import type { Metadata } from 'next';
import { read } from '@/app/served';
import { ReceiveFormOfText, type ReceiveForm } from '@/components/receive/receive-form';
import { sent } from '@/app/page-data';
import { requestContext } from '@/app/session';
import { firstParam, type SearchParam } from '@/app/search-param';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Receive' };

interface Props {
  readonly searchParams: Promise<{
    readonly lot?: SearchParam;
    readonly family?: SearchParam;
    readonly promised?: SearchParam;
  }>;
}

export default async function ReceivePage({ searchParams }: Props) {
  const params = await searchParams;
  const asked = firstParam(params.lot, 20) ?? '';
  const promise = { familyId: firstParam(params.family, 10) ?? '', promisedOn: firstParam(params.promised, 10) ?? '' };
  return orExplain(async () => {
    const { families, lot, today } = await read('readReceiving', await requestContext(), { lot: asked });
    const shown = await sent<typeof ReceiveForm>({ families, lot, today, promise });
    return <ReceiveFormOfText key={lot?.number ?? ''} {...shown} />;
  });
}
