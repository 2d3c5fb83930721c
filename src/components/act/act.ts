'use client';

import type { InputOf, ResultOf, Verb } from '@/contract';
import type { MissingShown } from '@/core/lifecycle';
import { shownVersion, tagOf, type Arrived } from './changes';
import { askShop, isAway } from './line';
import { endPiece } from './work-clock';

/** A refusal as the interface shows it: what is wrong, what was kept, what to do. */
export interface ActError {
  readonly code: string;
  readonly what: string;
  readonly kept: string;
  readonly todo: string;
  readonly issues: readonly { readonly path: string; readonly message: string }[];
  readonly missing?: readonly MissingShown[];
  readonly theirs?: unknown;
  readonly yours?: unknown;
}

export type Answered<Data> =
  | {
      readonly ok: true;
      readonly data: Data;
      /** What of the job that this page shows changed by it, where that came along. */
      readonly changed?: Arrived;
    }
  | { readonly ok: false; readonly error: ActError };

export const lost: ActError = {
  code: 'no-connection',
  what: 'The connection is lost.',
  kept: 'What you typed stays on this device.',
  todo: 'Try again when it is back.',
  issues: [],
};

export interface Sending {
  /** The entry's key, made before the first try; a repeat with it gets the first answer. */
  readonly key?: string;
  readonly madeAt?: string;
  /** For how many seconds its maker had been at what it ends. */
  readonly workSeconds?: number;
  /** The pass of the person who made the entry. */
  readonly pass?: string;
  /** The token of a customer's link. */
  readonly link?: string;
  readonly signal?: AbortSignal;
}

/** Headers that say whose entry it is. */
export function headersOf({ key, madeAt, workSeconds, pass, link }: Sending): Record<string, string> {
  return {
    ...(key && { 'entry-key': key }),
    ...(madeAt && { 'entry-made-at': madeAt }),
    ...(workSeconds !== undefined && { 'entry-work-seconds': String(workSeconds) }),
    ...(pass && { 'entry-pass': pass }),
    ...(link && { 'x-customer-link': link }),
  };
}

/** The answer of a door: one of the two shapes that every door gives. */
interface AnswerBody<Data> {
  readonly data?: Data;
  readonly error?: ActError;
  readonly changed?: Arrived;
}

/** Reads an answer; null when the server or its record cannot be reached. */
export async function readAnswer<Data>(response: Response): Promise<Answered<Data> | null> {
  if (isAway(response.status)) return null;
  const body = (await response.json()) as AnswerBody<Data>;
  if (body.error) return { ok: false, error: body.error };
  const { data, changed } = body;
  return data === undefined ? null : { ok: true, data, ...(changed && { changed }) };
}

/** Says which version of the job this page shows: what changed since comes with the answer. */
function shownOf(input: object): Record<string, string> {
  const tag = tagOf(input);
  const version = tag === null ? null : shownVersion(tag);
  return version === null ? {} : { 'changes-after': String(version) };
}

/** Sends one verb; null when the server or its record cannot be reached. */
export async function send<V extends Verb>(
  verb: V,
  input: InputOf<V>,
  sending: Sending = {},
): Promise<Answered<ResultOf<V>> | null> {
  try {
    const response = await askShop(`/api/act/${verb}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...headersOf(sending), ...shownOf(input) },
      body: JSON.stringify(input),
      ...(sending.signal && { signal: sending.signal }),
    });
    return await readAnswer<ResultOf<V>>(response);
  } catch {
    return null;
  }
}

/** Sends a verb that must be answered now; a lost connection is an error that keeps what was typed. */
export async function act<V extends Verb>(
  verb: V,
  input: InputOf<V>,
  sending: Sending = {},
): Promise<Answered<ResultOf<V>>> {
  const workSeconds = endPiece();
  return (await send(verb, input, { workSeconds, ...sending })) ?? { ok: false, error: lost };
}
