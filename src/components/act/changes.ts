'use client';

type Listener = () => Promise<void>;
const listeners = new Map<string, Set<Listener>>();

/** Calls back when a job was changed from this page. Gives how to end that. */
export function watchChanges(tag: string, listener: Listener): () => void {
  const own = listeners.get(tag) ?? new Set();
  listeners.set(tag, own.add(listener));
  return () => void own.delete(listener);
}

/** Tells who watches a job that it was changed; false where nobody watches, and the page must be read anew. */
export async function tellChanged(tag: string): Promise<boolean> {
  const own = [...(listeners.get(tag) ?? [])];
  await Promise.all(own.map((listener) => listener()));
  return own.length > 0;
}

/** The tag of the job that an input is about; null where it is about none. */
export function tagOf(input: object): string | null {
  return 'tag' in input && typeof input.tag === 'string' ? input.tag : null;
}
