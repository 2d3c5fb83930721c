'use client';

import type { Missing } from '@/core/lifecycle';

/** A refusal as the interface shows it: what is wrong, what was kept, what to do. */
export interface ActError {
  readonly code: string;
  readonly what: string;
  readonly kept: string;
  readonly todo: string;
  readonly issues: readonly { readonly path: string; readonly message: string }[];
  readonly missing?: readonly Missing[];
  readonly theirs?: unknown;
  readonly yours?: unknown;
}

export type ActResult<Data> =
  | { readonly ok: true; readonly data: Data }
  | { readonly ok: false; readonly error: ActError }
  | { readonly ok: false; readonly waiting: true };

const lost: ActError = {
  code: 'no-connection',
  what: 'The connection is lost.',
  kept: 'What you typed stays on this device.',
  todo: 'Try again when it is back.',
  issues: [],
};

/** Sends one verb; `null` when the server or its record cannot be reached. */
export async function send<Data>(verb: string, input: unknown, link?: string): Promise<ActResult<Data> | null> {
  try {
    const response = await fetch(`/api/act/${verb}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...(link && { 'x-customer-link': link }) },
      body: JSON.stringify(input),
    });
    const body = (await response.json()) as { data?: Data; error?: ActError };
    if (response.status === 503) return null;
    return body.error ? { ok: false, error: body.error } : { ok: true, data: body.data as Data };
  } catch {
    return null;
  }
}

/** Sends a verb that must be answered now; a lost connection is an error that keeps what was typed. */
export async function act<Data = Record<string, unknown>>(
  verb: string,
  input: unknown,
  link?: string,
): Promise<ActResult<Data>> {
  return (await send<Data>(verb, input, link)) ?? { ok: false, error: lost };
}

export interface WaitingEntry {
  readonly id: string;
  readonly verb: string;
  readonly input: unknown;
  /** How the entry is named to a person. */
  readonly label: string;
  readonly error?: ActError;
}

const storeKey = 'puddlestone.waiting';
const changed = 'puddlestone-waiting';

export function readWaiting(): readonly WaitingEntry[] {
  try {
    return JSON.parse(localStorage.getItem(storeKey) ?? '[]') as WaitingEntry[];
  } catch {
    return [];
  }
}

export function writeWaiting(entries: readonly WaitingEntry[]): void {
  localStorage.setItem(storeKey, JSON.stringify(entries));
  window.dispatchEvent(new Event(changed));
}

export function watchWaiting(listener: () => void): () => void {
  window.addEventListener(changed, listener);
  window.addEventListener('storage', listener);
  return () => {
    window.removeEventListener(changed, listener);
    window.removeEventListener('storage', listener);
  };
}

/** Sends a bench entry; when nobody answers it waits on this device and goes by itself later. */
export async function keep<Data = Record<string, unknown>>(
  verb: string,
  input: unknown,
  label: string,
): Promise<ActResult<Data>> {
  const answer = readWaiting().some((entry) => !entry.error) ? null : await send<Data>(verb, input);
  if (answer) return answer;
  writeWaiting([...readWaiting(), { id: crypto.randomUUID(), verb, input, label }]);
  return { ok: false, waiting: true };
}

/** Sends what waits, in order, until one cannot be sent. Refused entries stay with their reason. Gives how many went. */
export async function flushWaiting(): Promise<number> {
  let sent = 0;
  for (const entry of readWaiting()) {
    if (entry.error) continue;
    const answer = await send(entry.verb, entry.input);
    if (!answer) break;
    const rest = readWaiting();
    if (answer.ok) {
      sent++;
      writeWaiting(rest.filter((one) => one.id !== entry.id));
    } else if ('error' in answer)
      writeWaiting(rest.map((one) => (one.id === entry.id ? { ...one, error: answer.error } : one)));
  }
  return sent;
}
