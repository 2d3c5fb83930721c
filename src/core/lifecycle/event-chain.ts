export interface ChainedEvent {
  readonly seq: number;
  readonly kind: string;
  readonly personName: string;
  readonly at: string;
  /** Canonical JSON. */
  readonly data: string;
  readonly previousHash: string;
  readonly hash: string;
}

/**
 * JSON with sorted keys, so that the same data always has the same bytes. Undefined members are dropped.
 * @example canonical({ b: 1, a: [2] }) // '{"a":[2],"b":1}'
 */
export function canonical(value: unknown): string {
  if (value === null || typeof value !== 'object') return JSON.stringify(value ?? null);
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`;
  const members = Object.entries(value)
    .filter(([, member]) => member !== undefined)
    .sort(([one], [other]) => (one < other ? -1 : 1));
  return `{${members.map(([key, member]) => `${JSON.stringify(key)}:${canonical(member)}`).join(',')}}`;
}

/** Adds the hash that binds an event to the one before. `sha256` gives lower-case hex of a UTF-8 text. */
export function chainEvent(event: Omit<ChainedEvent, 'hash'>, sha256: (text: string) => string): ChainedEvent {
  const { seq, kind, personName, at, data, previousHash } = event;
  return { ...event, hash: sha256([previousHash, seq, kind, personName, at, data].join('\n')) };
}

/** A stretch of a chain, and in which hash it is to end. */
export interface Stretch {
  readonly events: readonly ChainedEvent[];
  readonly headHash: string;
  readonly sha256: (text: string) => string;
  /** The event on which it follows; left out for a chain from its first event on. */
  readonly after?: { readonly version: number; readonly headHash: string };
}

/** The first event that was changed, moved or is missing; null when the chain is whole and ends in `headHash`. */
export function findBrokenEvent({
  events,
  headHash,
  sha256,
  after = { version: 0, headHash: '' },
}: Stretch): { readonly seq: number; readonly why: string } | null {
  let previous = after.headHash;
  for (const [i, event] of events.entries()) {
    const seq = after.version + i + 1;
    if (event.seq !== seq) return { seq, why: 'an event is missing' };
    if (event.previousHash !== previous) return { seq: event.seq, why: 'it does not follow from the one before' };
    if (chainEvent(event, sha256).hash !== event.hash) return { seq: event.seq, why: 'it was changed' };
    previous = event.hash;
  }
  return previous === headHash ? null : { seq: after.version + events.length + 1, why: 'the last event is missing' };
}
