'use client';

import { v4 as makeKey } from 'uuid';
import type { InputOf, ResultOf, Verb } from '@/contract';
import { send, type ActError, type Answered } from './act';
import { tagOf } from './changes';
import { currentMaker } from './maker';
import { watchStored } from './watch-stored';
import { endPiece } from './work-clock';

interface EntryOf<V extends Verb> {
  /** Made here before the first try. */
  readonly key: string;
  readonly verb: V;
  readonly input: InputOf<V>;
  /** How the entry is named to a person. */
  readonly label: string;
  /** What it is an entry for: a later one for the same place replaces an earlier one that still waits. */
  readonly place: string;
  readonly madeAt: string;
  /** For how many seconds its maker had been at what it ends; entries of an older version do not say. */
  readonly workSeconds?: number;
  readonly maker: { readonly personId: string; readonly name: string };
  readonly pass: string;
  /** The maker must sign in again before it can be sent under their name. */
  readonly needsMaker?: true;
  readonly error?: ActError;
}
/** An entry that waits on this device, with who made it and when. */
export type WaitingEntry = { readonly [V in Verb]: EntryOf<V> }[Verb];

const storeKey = 'puddlestone.waiting.2';
const leaseKey = 'puddlestone.sending';
const changed = 'puddlestone-waiting';

/** What waits, as it is stored: for a component that follows it. */
export function waitingText(): string {
  return localStorage.getItem(storeKey) ?? '[]';
}

export function parseWaiting(text: string): readonly WaitingEntry[] {
  try {
    // Only this module writes it; another version's entries have another key.
    return JSON.parse(text) as readonly WaitingEntry[];
  } catch {
    return [];
  }
}

export const readWaiting = (): readonly WaitingEntry[] => parseWaiting(waitingText());

export function writeWaiting(entries: readonly WaitingEntry[]): void {
  localStorage.setItem(storeKey, JSON.stringify(entries));
  window.dispatchEvent(new Event(changed));
}

export const watchWaiting = (listener: () => void) => watchStored(changed, listener);

/** Puts an entry at the end, or where an earlier one for the same place still waits. */
export function withEntry(entries: readonly WaitingEntry[], entry: WaitingEntry): readonly WaitingEntry[] {
  const isSame = (one: WaitingEntry) => one.verb === entry.verb && one.place === entry.place && !one.error;
  const at = entries.findIndex(isSame);
  return at < 0 ? [...entries, entry] : entries.map((one, i) => (i === at ? entry : one));
}

/** Whether anything waits to be sent as soon as somebody answers. */
export const hasQueue = () => readWaiting().some((entry) => !entry.error && !entry.needsMaker);

/** Whether an entry was not taken, so that somebody has to choose. */
export const hasRefused = () => readWaiting().some((entry) => entry.error);

export const addWaiting = (entry: WaitingEntry) => writeWaiting(withEntry(readWaiting(), entry));

/** A record that can take no more just now is waited for as one that is away. */
const isFull = (answer: Answered<unknown>) => !answer.ok && answer.error.code === 'disk-full';

export interface Kept {
  /** How the entry is named to a person. */
  readonly label: string;
  readonly place: string;
}

/** Sends a bench entry; when nobody answers it waits on this device, under its maker, and goes by itself later. */
export async function keep<V extends Verb>(
  verb: V,
  input: InputOf<V>,
  { label, place }: Kept,
): Promise<Answered<ResultOf<V>> | { readonly ok: false; readonly waiting: true }> {
  const maker = currentMaker() ?? { personId: '', name: '', pass: '' };
  const key = makeKey();
  const madeAt = new Date().toISOString();
  const workSeconds = endPiece();
  const { pass, personId, name } = maker;
  // What waits goes first: a later entry must not overtake it.
  const answer = hasQueue() ? null : await send(verb, input, { key, madeAt, workSeconds });
  if (answer && !isFull(answer)) return answer;
  const entry: EntryOf<V> = { key, verb, input, label, place, madeAt, workSeconds, pass, maker: { personId, name } };
  addWaiting(entry as WaitingEntry);
  return { ok: false, waiting: true };
}

/** How long a page may keep the others from sending without saying so again, in ms. */
const leaseMs = 15_000;
const page = typeof window === 'undefined' ? '' : makeKey();

/** Whether this page is the one of this device that sends; another page's word holds until it is old. */
function takeLease(): boolean {
  const [holder = '', until = '0'] = (localStorage.getItem(leaseKey) ?? '').split(' ');
  if (holder !== page && Number(until) > Date.now()) return false;
  localStorage.setItem(leaseKey, `${page} ${Date.now() + leaseMs}`);
  return (localStorage.getItem(leaseKey) ?? '').startsWith(page);
}

const without = (key: string) => writeWaiting(readWaiting().filter((one) => one.key !== key));
const amend = (key: string, change: (entry: WaitingEntry) => WaitingEntry) =>
  writeWaiting(readWaiting().map((one) => (one.key === key ? change(one) : one)));

/** What was refused after another entry of its job may have been so for that one's sake: it is tried again. */
function retryAfter(settled: WaitingEntry | undefined): void {
  const tag = settled && tagOf(settled.input);
  if (!settled || !tag) return;
  const entries = readWaiting();
  const isLater = (one: WaitingEntry) =>
    tagOf(one.input) === tag && one.madeAt >= settled.madeAt && one.error?.code !== 'changed-meanwhile';
  const again = entries.map((one) => {
    if (!one.error || !isLater(one)) return one;
    const { error: _error, ...rest } = one;
    return rest;
  });
  writeWaiting(again);
}

/** Takes an entry off the list, and its picture off the device. */
export async function dropWaiting(key: string): Promise<void> {
  const entry = readWaiting().find((one) => one.key === key);
  without(key);
  retryAfter(entry);
  if (entry?.verb === 'add-photo') await (await import('../held/held-store')).dropPicture(key).catch(() => undefined);
}

/** Puts an entry that a person settled in place of the one that was refused. */
export function putSettled(key: string, settled: WaitingEntry): void {
  amend(key, () => settled);
  retryAfter(settled);
}

/** Entries of a person who signed in again get that person's new pass. */
export function renewPasses(): void {
  const maker = currentMaker();
  if (!maker) return;
  const entries = readWaiting();
  const renewed = entries.map((entry) => {
    if (entry.maker.personId !== maker.personId || entry.pass === maker.pass) return entry;
    const { needsMaker: _needs, ...rest } = entry;
    return { ...rest, pass: maker.pass };
  });
  if (renewed.some((entry, i) => entry !== entries[i])) writeWaiting(renewed);
}

type Outcome = 'sent' | 'stays' | 'away';

async function sendAgain(entry: WaitingEntry): Promise<Answered<unknown> | null> {
  const { key, madeAt, workSeconds, pass } = entry;
  if (entry.verb === 'add-photo')
    return (await import('./send-photo')).sendWaitingPhoto(entry.input, { key, madeAt, pass });
  const timed = workSeconds !== undefined && { workSeconds };
  return send<Verb>(entry.verb, entry.input, { key, madeAt, pass, ...timed });
}

async function sendOne(entry: WaitingEntry): Promise<Outcome> {
  const { key } = entry;
  const answer = await sendAgain(entry);
  if (!answer || isFull(answer)) return 'away';
  if (answer.ok) {
    without(key);
    return 'sent';
  }
  const { error } = answer;
  if (error.code === 'maker-signed-out' || error.code === 'not-signed-in')
    amend(key, (one) => ({ ...one, needsMaker: true }));
  else amend(key, (one) => ({ ...one, error }));
  return 'stays';
}

/**
 * Sends what waits, in order, until one cannot be sent; of several open pages only one does. Refused entries stay with
 * their reason. Gives the jobs whose entries went.
 */
export async function flushWaiting(): Promise<ReadonlySet<string>> {
  const sent = new Set<string>();
  if (!takeLease()) return sent;
  renewPasses();
  for (const { key } of readWaiting()) {
    const entry = readWaiting().find((one) => one.key === key);
    if (!entry || entry.error || entry.needsMaker) continue;
    if (!takeLease()) return sent;
    const outcome = await sendOne(entry);
    if (outcome === 'away') break;
    if (outcome === 'sent') sent.add(tagOf(entry.input) ?? '');
  }
  return sent;
}
