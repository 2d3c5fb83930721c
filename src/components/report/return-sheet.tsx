'use client';

import { useState } from 'react';
import { useAct } from '../act/use-act';
import { sayDate, sayMoment, type SheetProps } from '../job/view';
import { Button, ErrorNote, issueFor, TextArea, TextField } from '../ui/form';

/** The way back: preserved, blanked, packed, released, delivered; the warranty starts with the delivery. */
export function ReturnSheet({ view, isHere }: SheetProps) {
  const { record } = view;
  const { returned } = record;
  const { run, error, isBusy } = useAct();
  const [packing, setPacking] = useState(
    record.outcome === 'declined'
      ? 'as it came, in parts, bagged by tray, on its pallet'
      : 'preserved, ports blanked, on its pallet, shaft guarded',
  );
  const [deliveredTo, setDeliveredTo] = useState(record.contact?.name ?? '');
  const [deliveredOn, setDeliveredOn] = useState(view.today);
  return (
    <div className="mx-auto grid max-w-[960px] gap-8 p-6 md:grid-cols-2">
      <section aria-label="Release" id="release" className="space-y-3">
        <h2 className="text-18 font-bold">Release</h2>
        {record.outcome === 'declined' && (
          <p>The repair was declined: the pump goes back as it is, and the paper says so.</p>
        )}
        {record.intake.cameWith.length > 0 && (
          <p>It came with: {record.intake.cameWith.join(', ')}. All of it goes back.</p>
        )}
        {record.intake.shims.length > 0 && (
          <p>Shim packs: {record.intake.shims.map((pack) => `${pack.foot} ${pack.thicknesses}`).join('; ')}.</p>
        )}
        {returned ? (
          <p className="border-l-4 border-moss px-3">
            Released by {returned.releasedBy}, {sayMoment(returned.releasedAt, view.zone)}: {returned.packing}
          </p>
        ) : (
          isHere && (
            <>
              <TextArea
                label="How it is preserved and packed"
                value={packing}
                onChange={(event) => setPacking(event.target.value)}
                error={issueFor(error, 'packing')}
              />
              <ErrorNote error={error} />
              <Button
                verb="release-pump"
                tone="main"
                data-next
                disabled={isBusy}
                onClick={() => run('release-pump', { tag: record.tag, packing })}
              >
                Release
              </Button>
            </>
          )
        )}
      </section>
      <section aria-label="Delivery" id="deliver" className="space-y-3">
        <h2 className="text-18 font-bold">Delivery and warranty</h2>
        {returned?.deliveredAt ? (
          <p className="border-l-4 border-moss px-3">
            Delivered to {returned.deliveredTo}.{' '}
            {returned.warrantyMonths > 0 && returned.warrantyFrom ? (
              <>
                The warranty runs {returned.warrantyMonths} months from {sayDate(returned.warrantyFrom)}.
              </>
            ) : (
              'There is no warranty on a pump that went back as it is.'
            )}
          </p>
        ) : returned && isHere ? (
          <>
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
            <ErrorNote error={error} />
            <Button
              verb="deliver-pump"
              tone="main"
              data-next
              disabled={isBusy}
              onClick={() => run('deliver-pump', { tag: record.tag, deliveredTo, deliveredOn })}
            >
              Delivered: close the job
            </Button>
          </>
        ) : (
          <p className="text-quiet">After the release.</p>
        )}
      </section>
    </div>
  );
}
