import type { Metadata } from 'next';
import { read, served } from '@/app/served';
import { InstrumentPage } from '@/components/library/instrument-page';
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
    const view = await read('readInstrument', context, await params);
    return (
      <InstrumentPage
        view={view}
        canCalibrate={mayAct(context.actor, served().audiences['record-calibration'] ?? [])}
      />
    );
  });
}
