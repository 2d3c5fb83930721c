import type { Metadata } from 'next';
import { perform, readInstrument } from '@/server';
import { InstrumentPage } from '@/components/library/instrument-page';
import { verbs } from '@/contract';
import { mayAct } from '@/core/access';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

interface Props {
  readonly params: Promise<{ code: string }>;
}

export const metadata: Metadata = { title: 'Instrument' };

export default async function Page({ params }: Props) {
  return orExplain(async () => {
    const context = await requestContext();
    const view = await perform(readInstrument, context, await params);
    return <InstrumentPage view={view} canCalibrate={mayAct(context.actor, verbs['record-calibration'].audience)} />;
  });
}
