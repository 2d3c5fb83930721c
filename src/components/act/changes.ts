'use client';

/** What an answer says of the job that it changed, from the version on that was shown; whoever watches knows more. */
export interface Arrived {
  readonly tag: string;
  readonly from: number;
}

export interface Watcher {
  /** The version of the record that is shown. */
  readonly version: () => number;
  /** Called when the job was changed from this page; with what came with the answer, or null where nothing did. */
  readonly onChange: (arrived: Arrived | null) => Promise<void>;
}
const watchers = new Map<string, Set<Watcher>>();

/** Watches a job that this page shows. Gives how to end that. */
export function watchChanges(tag: string, watcher: Watcher): () => void {
  const own = watchers.get(tag) ?? new Set();
  watchers.set(tag, own.add(watcher));
  return () => void own.delete(watcher);
}

/** The version of a job that is shown on this page; null where it is not shown. */
export function shownVersion(tag: string): number | null {
  const [first] = watchers.get(tag) ?? [];
  return first?.version() ?? null;
}

/**
 * Tells who watches a job that it was changed; false where nobody watches, and the page must be read anew.
 * @param arrived what came with the answer to the entry, where something did
 */
export async function tellChanged(tag: string, arrived: Arrived | null = null): Promise<boolean> {
  const own = [...(watchers.get(tag) ?? [])];
  await Promise.all(own.map(({ onChange }) => onChange(arrived)));
  return own.length > 0;
}

/** The tag of the job that an input is about; null where it is about none. */
export function tagOf(input: object): string | null {
  return 'tag' in input && typeof input.tag === 'string' ? input.tag : null;
}
