'use client';

import { useState } from 'react';
import { leavesHouse } from '@/core/dispatch';
import { sayTerm, warrantyEnd } from '@/core/warranty';
import { useAct } from '../act/use-act';
import { SignatureBox } from '../customer/signature-box';
import { sayDate, sayMoment, type JobView, type SheetProps } from '../job/view';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';
import { FatePanel } from './fate-panel';
import { PackingList } from './packing-list';

/** What the warranty covers, by where each part came from. */
function WarrantyBySource({ warranty: terms }: Pick<JobView, 'warranty'>) {
  if (!terms.length) return null;
  return (
    <ul aria-label="Warranty by source" className="text-13">
      {terms.map((term) => (
        <li key={term.source} className="row py-1 first:border-0">
          {sayTerm(term)}
        </li>
      ))}
    </ul>
  );
}

function Signed({ path, name }: { readonly path: string; readonly name: string }) {
  if (!path.startsWith('M')) return null;
  return (
    <svg viewBox="0 0 320 120" role="img" aria-label={`Signature of ${name}`} className="w-60 border border-line">
      <path d={path} fill="none" stroke="var(--ink)" strokeWidth={2.4} />
    </svg>
  );
}

function Delivered({ view }: { readonly view: JobView }) {
  const { returned } = view.record;
  if (!returned?.deliveredAt) return null;
  const { warrantyFrom, warrantyMonths, deliveredTo, signature } = returned;
  return (
    <div className="space-y-2">
      <p className="border-l-4 border-moss px-3">
        Delivered to {deliveredTo}.{' '}
        {warrantyMonths > 0 && warrantyFrom ? (
          <>
            The warranty runs {warrantyMonths} months from {sayDate(warrantyFrom)}, until{' '}
            {sayDate(warrantyEnd(warrantyFrom, warrantyMonths))}.
          </>
        ) : (
          'There is no warranty on a pump that was not repaired.'
        )}
      </p>
      <Signed path={signature} name={deliveredTo ?? ''} />
    </div>
  );
}

function DeliverForm({ view }: { readonly view: JobView }) {
  const { record } = view;
  const { run, error, isBusy } = useAct();
  const [deliveredTo, setDeliveredTo] = useState(record.contact?.name ?? '');
  const [deliveredOn, setDeliveredOn] = useState(view.today);
  const [signature, setSignature] = useState('');
  return (
    <div className="space-y-3">
      <TextField
        label="Taken over by"
        value={deliveredTo}
        onChange={(event) => setDeliveredTo(event.target.value)}
        error={issueFor(error, 'deliveredTo')}
      />
      <TextField
        label="On"
        type="date"
        value={deliveredOn}
        max={view.today}
        onChange={(event) => setDeliveredOn(event.target.value)}
        error={issueFor(error, 'deliveredOn')}
      />
      <p className="text-13 text-quiet">They sign here, or on the carrier’s paper.</p>
      <SignatureBox path={signature} onChange={setSignature} />
      <ErrorNote error={error} />
      <Button
        verb="deliver-pump"
        tone="main"
        data-next
        disabled={isBusy}
        onClick={() => void run('deliver-pump', { tag: record.tag, deliveredTo, deliveredOn, signature })}
      >
        Delivered: close the job
      </Button>
    </div>
  );
}

/** The way back: packed by its list, released, delivered with a signature; the warranty starts with the delivery. */
export function ReturnSheet({ view, isHere }: SheetProps) {
  const { record } = view;
  const { returned } = record;
  const goes = leavesHouse(record);
  return (
    <div className="mx-auto grid max-w-[1080px] gap-8 p-6 pb-28 md:grid-cols-[1.4fr_1fr]">
      <div className="space-y-6">
        <FatePanel view={view} isHere={isHere} />
        {goes && (
          <section aria-label="Release" id="release" className="space-y-3">
            <h2 className="text-18 font-bold">Packing list and release</h2>
            {returned ? (
              <p className="border-l-4 border-moss px-3">
                Released by {returned.releasedBy}, {sayMoment(returned.releasedAt, view.zone)}: {returned.packing}
              </p>
            ) : isHere ? (
              <PackingList key={`${record.outcome} ${record.sheets.length}`} view={view} />
            ) : (
              <p className="text-quiet">When it comes here.</p>
            )}
          </section>
        )}
      </div>
      <section aria-label="Delivery" id="deliver" className="space-y-3">
        <h2 className="text-18 font-bold">Delivery and warranty</h2>
        <Delivered view={view} />
        {!goes && <p>It does not leave the house.</p>}
        {goes && !returned?.deliveredAt && returned && isHere && <DeliverForm view={view} />}
        {goes && !returned && <p className="text-quiet">After the release.</p>}
        <WarrantyBySource warranty={view.warranty} />
      </section>
    </div>
  );
}
