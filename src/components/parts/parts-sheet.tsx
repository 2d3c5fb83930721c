'use client';

import { useState } from 'react';
import { effectOf } from '@/core/purchasing';
import { isFromSupplier, needsOf, stepsBlockedBy, toOrder, type Need } from '@/core/supply';
import { useAct } from '../act/use-act';
import type { JobView, SheetProps } from '../job/view';
import { Button, ErrorNote } from '../ui/form';
import { useAskedPlace } from '../ui/use-asked-place';
import { OrderAtRisk } from './order-at-risk';
import { OrderSection } from './order-section';
import { JobCosts } from './job-costs';
import { sayEffect } from './promise-words';
import { OutsideWork } from './outside-work';
import { SourcePanel } from './source-panel';
import { sayNeed, sourceNames } from './source-words';
import { UnitsCompared } from './units-compared';

/** One part that is needed: where it comes from, how it stands, what waits for it; opened, how it is had. */
function NeedRow({ view, need, canAct }: { readonly view: JobView; readonly need: Need; readonly canAct: boolean }) {
  const isHere = need.received >= need.quantity;
  const isUnseen = need.ordered < need.quantity;
  const [isOpen, setOpen] = useState(false);
  const { promisedOn } = view.record;
  const effect = effectOf(need, { remaining: view.standing.remaining, promisedOn, today: view.today });
  const waitsForUs = !isHere && !isFromSupplier(need) && need.source !== 'outside';
  const words = isOpen ? 'Close' : waitsForUs ? 'See to it' : 'Source';
  const tone = isHere ? 'text-quiet' : isUnseen ? 'font-bold text-jasper' : '';
  return (
    <li id={`need-${need.ref}`} className="row first:border-0">
      <div className="grid min-h-12 grid-cols-[1.4fr_.7fr_.6fr_1fr_1.3fr_auto] items-center gap-3">
        <span>
          <b>{need.name}</b> <span className="num block text-13 text-quiet">{need.number}</span>
        </span>
        <span>{sourceNames[need.source]}</span>
        <span className="num text-right">
          {need.received}/{need.quantity}
        </span>
        <span className={tone}>
          {sayNeed(need)}
          {!isHere && (
            <span
              className={`block text-13 ${effect.spareDays < 0 ? 'font-semibold text-jasper' : 'font-normal text-quiet'}`}
            >
              {sayEffect(effect, promisedOn, view.today)}
            </span>
          )}
        </span>
        <span className="text-13 text-quiet">
          {!isHere && stepsBlockedBy(need.ref, view.family).length > 0 && (
            <>stops: {stepsBlockedBy(need.ref, view.family).join(', ')}</>
          )}
        </span>
        {need.source === 'outside' || (isHere && need.source === 'bought') ? (
          <span className="w-24" />
        ) : (
          <Button
            aria-expanded={isOpen}
            aria-label={`${words}: ${need.name}`}
            tone={waitsForUs && !isOpen ? 'main' : 'plain'}
            className="my-1 w-24"
            onClick={() => setOpen(!isOpen)}
          >
            {words}
          </Button>
        )}
      </div>
      {isOpen && <SourcePanel view={view} need={need} canAct={canAct} />}
    </li>
  );
}

/** What is still to come stands before what is here. */
const byOpen = (a: Need, b: Need) => Number(a.received >= a.quantity) - Number(b.received >= b.quantity);

/** The latest day on which something comes, and what that is. */
function lastOf(needs: readonly Need[]): Need | null {
  const coming = needs.filter(({ dueOn, received, quantity }) => dueOn !== null && received < quantity);
  return coming.toSorted((a, b) => (b.dueOn ?? '').localeCompare(a.dueOn ?? ''))[0] ?? null;
}

/** What the approved lines need, wherever it comes from: one list with its dates and the steps that wait. */
export function PartsSheet({ view, isHere }: SheetProps) {
  const { record, family } = view;
  useAskedPlace();
  const needs = needsOf(record, family);
  const open = toOrder(needs);
  const { run, error, isBusy } = useAct();
  const canAct = isHere || (['rebuild', 'test'].includes(record.station) && record.hold === null);
  const last = lastOf(needs);
  return (
    <div className="space-y-8 p-6">
      <section aria-label="Needs">
        <div className="mb-2 flex flex-wrap items-center gap-4">
          <h2 className="text-18 font-bold">
            Parts{' '}
            <small className="text-15 font-normal text-quiet">
              out of the approved lines{last && <>; the last to come is the {last.name.toLowerCase()}</>}
            </small>
          </h2>
          {canAct && open.length > 0 && (
            <Button
              verb="order-parts"
              tone="main"
              data-next
              className="ml-auto"
              disabled={isBusy}
              onClick={() => run('order-parts', { tag: record.tag })}
            >
              Order {open.length} {open.length === 1 ? 'part' : 'parts'}, longest{' '}
              {Math.max(...open.map((need) => need.leadDays))} days
            </Button>
          )}
        </div>
        <ErrorNote error={error} />
        <OrderAtRisk key={record.orders.length} view={view} />
        {needs.length === 0 ? (
          <p>Nothing is needed: no approved line asks for a part.</p>
        ) : (
          <div className="overflow-x-auto">
            <ul aria-label="Parts that are needed" className="min-w-[760px]">
              {needs.toSorted(byOpen).map((need) => (
                <NeedRow key={need.ref} view={view} need={need} canAct={canAct} />
              ))}
            </ul>
          </div>
        )}
      </section>
      {record.lotMates.length > 0 && (
        <div className="-mx-6">
          <UnitsCompared view={view} />
        </div>
      )}
      <OutsideWork view={view} canAct={canAct} />
      {record.orders.map((order) => (
        <OrderSection key={order.id} view={view} order={order} canReceive={record.closedAt === null} />
      ))}
      {record.approvals.length > 0 && <JobCosts view={view} />}
    </div>
  );
}
