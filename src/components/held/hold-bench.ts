'use client';

import { sheetsOf } from '@/core/record';
import { readAnswer } from '../act/act';
import { getData } from '../act/get-data';
import { leavingSignal } from '../act/leaving';
import { askShop } from '../act/line';
import { afterChange } from '../job/use-live-view';
import type { JobChanged, JobView } from '../job/view';
import { whyNotHeld } from './holding';
import { heldCache, heldPath, pictureCache, workerPath } from './caches';
import {
  dropAllHeld,
  dropHeldJob,
  holdBench,
  holdChanged,
  holdJob,
  listMarks,
  readHeldBench,
  readHeldJob,
  readMark,
  type Bench,
  type HeldMark,
  type HeldView,
} from './held-store';

/** For how long a job that was opened here is held though it stands elsewhere: three days, in ms. */
const openedMs = 3 * 86_400_000;

/** A job that was fetched whole so long ago is fetched so again: what is not its own, such as tools, changes, too. */
const wholeMs = 12 * 3_600_000;
/** What was brought up to date so lately is left alone, in ms; a page that is open keeps itself current. */
const renewMs = 300_000;

/** By which family a record is worked: its version, and the ways that were chosen for this job. */
const workedBy = (record: HeldView['record']): string =>
  [
    ...[record.familyId, record.familyVersion],
    ...sheetsOf(record, 'policy').map(({ key, version }) => `${key} ${version}`),
  ].join('; ');

/** How often all was let go on this page: what was asked for before that is not held any more when it comes. */
let lettings = 0;
/** Ends what is being asked for: another person is about to be at the screen. */
let asking = new AbortController();
export function stopAsking(): void {
  lettings += 1;
  asking.abort();
  asking = new AbortController();
}
/** What ends a request that begins now: one that begins while the person at the screen changes ends at once. */
const signalNow = (): AbortSignal => (leavingSignal().aborted ? leavingSignal() : asking.signal);

/**
 * Fetches what a job's page shows and holds it, with the moment at which it stood so.
 * @param begun how often all had been let go when it was wanted
 */
async function fetchJob(tag: string, openedAt: string | null, begun: number): Promise<void> {
  const at = new Date().toISOString();
  const view = await getData<HeldView>(`/api/jobs/${tag}`, signalNow());
  if (view && begun === lettings) await holdJob({ tag, view, at, openedAt, workedBy: workedBy(view.record) });
}

/** Fetches the page that is shown where nobody answers, as the person at the screen sees it. */
async function fetchHeldPage(begun: number): Promise<void> {
  const answer = await askShop(heldPath, { cache: 'no-store', signal: signalNow() });
  // A page that leads to the sign-in is nobody's.
  if (answer.ok && !answer.redirected) await (await caches.open(heldCache)).put(heldPath, answer);
  if (begun !== lettings) await caches.delete(heldCache);
}

/** Fetches what changed in a job that is held, and puts it in; the whole job where that cannot be. */
async function renewJob(mark: HeldMark, begun: number): Promise<void> {
  const { tag, version, openedAt, wholeAt } = mark;
  const whole = () => fetchJob(tag, openedAt, begun);
  if (Date.now() - Date.parse(wholeAt) > wholeMs) return whole();
  const at = new Date().toISOString();
  const changed = await getData<JobChanged>(`/api/jobs/${tag}/changes?after=${version}`, signalNow());
  const held = changed && (await readHeldJob(tag));
  if (!held || changed.from !== held.view.record.version) return whole();
  const { family: _family, ...view } = afterChange(held.view, changed);
  if (workedBy(view.record) !== mark.workedBy) return whole();
  if (begun === lettings) await holdChanged({ ...mark, at }, view);
}

const isOpenedLately = ({ openedAt }: HeldMark, now: number) =>
  openedAt !== null && now - Date.parse(openedAt) < openedMs;

/**
 * Brings what this device holds up to date: the page itself, the list of the bench, and each job that changed since it
 * was held. What no longer stands at the bench goes.
 * @returns how many jobs were fetched
 */
export async function holdAnew(now = new Date()): Promise<number> {
  const begun = lettings;
  const marks = await listMarks();
  const lately = marks.filter((mark) => isOpenedLately(mark, now.getTime()));
  const also = new URLSearchParams(lately.slice(0, 40).map(({ tag }) => ['also', tag]));
  const answer = await readAnswer<Bench>(await askShop(`/api/bench?${also.toString()}`, { signal: signalNow() }));
  // Nobody is signed in any more: what is held was theirs.
  if (answer && !answer.ok && answer.error.code === 'not-signed-in') await letGo();
  if (!answer?.ok || begun !== lettings) return 0;
  const bench = answer.data;
  await fetchHeldPage(begun);
  if (begun !== lettings) return 0;
  await holdBench({ ...bench, at: now.toISOString() });
  const listed = new Set(bench.jobs.map(({ tag }) => tag));
  for (const { tag } of marks) if (!listed.has(tag)) await dropHeldJob(tag);
  let fetched = 0;
  // Whose hands they wait for first: the line may go at any moment.
  for (const { tag, version } of bench.jobs.toSorted((a, b) => (a.mineFrom ?? '9').localeCompare(b.mineFrom ?? '9'))) {
    if (begun !== lettings) break;
    const mark = marks.find((one) => one.tag === tag);
    if (mark?.version === version) continue;
    await (mark ? renewJob(mark, begun) : fetchJob(tag, null, begun));
    fetched += 1;
  }
  return fetched;
}

/** As `holdAnew`, unless that was done a moment ago for the same person: every page that is loaded begins with it. */
export async function holdIfOld(personId: string): Promise<void> {
  const bench = await readHeldBench();
  const isNew = bench?.person.personId === personId && Date.now() - Date.parse(bench.at) < renewMs;
  if (!isNew) await holdAnew();
}

/** Holds a job's page as it is shown now. One that is not held yet is fetched whole: a sheet has a part of its family. */
export async function holdShown(shown: JobView): Promise<void> {
  const { audiences: _audiences, person: _person, conversion: _conversion, family: _family, ...view } = shown;
  const { tag } = view.record;
  const at = new Date().toISOString();
  const begun = lettings;
  const mark = await readMark(tag);
  if (begun !== lettings) return;
  if (mark?.workedBy !== workedBy(view.record)) return fetchJob(tag, at, begun);
  await holdChanged({ ...mark, at, openedAt: at }, view);
}

/** Sets the worker up that gives what is held where nobody answers. */
export async function startWorker(): Promise<void> {
  await navigator.serviceWorker.register(workerPath, { scope: '/', updateViaCache: 'none' });
}

/** Lets go of all that is the shop's: when the person signs out, or the device is to hold nothing. Entries stay. */
export async function letGo(): Promise<void> {
  if (whyNotHeld() !== null) return;
  stopAsking();
  await Promise.all([caches.delete(heldCache), caches.delete(pictureCache), dropAllHeld()]);
}

/** As `letGo`, and the worker ends, too. */
export async function holdNoLonger(): Promise<void> {
  await letGo();
  for (const registration of await navigator.serviceWorker.getRegistrations()) await registration.unregister();
}
