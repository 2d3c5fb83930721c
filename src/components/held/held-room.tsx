'use client';

import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { stations, type Station } from '@/core/record';
import { lostSince, noteLost, watchLine } from '../act/line';
import { hasQueue, hasRefused, watchWaiting } from '../act/waiting';
import { conversionOf, familyForSheet } from '../job/family-for-sheet';
import { JobRoom } from '../job/job-room';
import { sayMoment, type JobView } from '../job/view';
import { Button } from '../ui/form';
import { heldPath } from './caches';
import { HeldDesk } from './held-desk';
import { listMarks, readHeldBench, readHeldJob, type HeldBench, type HeldJob, type HeldMark } from './held-store';

interface Held {
  readonly bench: HeldBench | null;
  readonly jobs: readonly HeldMark[];
  /** The job whose page was asked for; null where it is not held, or none was. */
  readonly job: HeldJob | null;
}

const tagIn = (path: string) => /^\/jobs\/(P-\d+)\/?$/i.exec(path)?.[1]?.toUpperCase() ?? null;
const neverChanges = () => () => undefined;
const isTyping = () => document.activeElement?.matches('input, textarea, select') ?? false;

/** Whether the page that was asked for could be had now: somebody answers, and nothing waits to be sent before. */
function useLineBack(): boolean {
  const since = useSyncExternalStore(watchLine, lostSince, () => null);
  const waits = useSyncExternalStore(watchWaiting, hasQueue, () => false);
  return since === null && !waits;
}

function viewOf({ view }: HeldJob, { audiences, person }: HeldBench, shown: Station): JobView {
  const { family } = view;
  return { ...view, audiences, person, family: familyForSheet(family, shown), conversion: conversionOf(family) };
}

/** How long a page that was loaded anew by itself is left alone, in ms: a slow shop is not asked on and on. */
const calmMs = 60_000;
const reloadedKey = 'puddlestone.reloaded';

/** Loads the page anew, unless that was done a moment ago or a field would be taken from under somebody's hands. */
function reloadOnce(): void {
  const before = Number(sessionStorage.getItem(reloadedKey) ?? 0);
  if (isTyping() || Date.now() - before < calmMs) return;
  sessionStorage.setItem(reloadedKey, String(Date.now()));
  window.location.reload();
}

/** Says that a page is shown as it is held, and brings the shop's own as soon as somebody answers. */
function HeldNote({ at, zone }: { readonly at: string; readonly zone: string }) {
  const isBack = useLineBack();
  // Who has to choose between entries is not sent off in the middle of it.
  const isChosen = !useSyncExternalStore(watchWaiting, hasRefused, () => false);
  // It stands here because nobody answered, whatever was known of the line before.
  useEffect(() => noteLost(), []);
  const wasAway = useRef(false);
  useEffect(() => {
    if (isBack && isChosen && wasAway.current) reloadOnce();
    wasAway.current ||= !isBack;
  }, [isBack, isChosen]);
  return (
    <p role="status" className="flex flex-wrap items-center gap-x-4 border-b border-ochre bg-sand px-6 py-1">
      <span>
        Shown as this device holds it, from <b>{sayMoment(at, zone)}</b>, with what you entered since.
      </span>
      {isBack && (
        <Button tone="plain" onClick={() => window.location.reload()}>
          The line is back: show it as it stands now
        </Button>
      )}
    </p>
  );
}

/** What this device holds, in place of a page that nobody brings: the job that was asked for, or the list of all. */
export function HeldRoom({ isTablet }: { readonly isTablet: boolean }) {
  // The page was made for its own address and stands in for others.
  const place = useSyncExternalStore(
    neverChanges,
    () => window.location.pathname + window.location.search,
    () => null,
  );
  const [held, setHeld] = useState<Held | null>(null);
  const { pathname, searchParams } = new URL(place ?? heldPath, 'http://held');
  const tag = tagIn(pathname);
  useEffect(() => {
    const read = async () => {
      const [bench, jobs, job] = await Promise.all([readHeldBench(), listMarks(), tag ? readHeldJob(tag) : null]);
      setHeld({ bench, jobs, job });
    };
    read().catch(() => setHeld({ bench: null, jobs: [], job: null }));
  }, [tag]);
  if (place === null || held === null) return <p className="px-6 py-4 text-quiet">Reading what this device holds.</p>;
  const { bench, jobs, job } = held;
  if (!job || !bench)
    return <HeldDesk {...{ bench, jobs, isTablet }} asked={pathname === heldPath ? null : (tag ?? pathname)} />;
  const shown = stations.find((station) => station === searchParams.get('at')) ?? job.view.record.station;
  return (
    <>
      <HeldNote at={job.at} zone={job.view.zone} />
      <JobRoom view={viewOf(job, bench, shown)} shown={shown} isHeld />
    </>
  );
}
