'use client';

import { usePathname } from 'next/navigation';
import { useEffect } from 'react';
import { watchWork } from './work-clock';

/** Who makes entries on this device now, and the pass that records them under that person. */
export interface Maker {
  readonly personId: string;
  readonly name: string;
  readonly pass: string;
}

let current: Maker | null = null;
const listeners = new Set<() => void>();

/** Null where nobody is signed in: a customer's page. */
export function currentMaker(): Maker | null {
  return current;
}

export function setMaker(maker: Maker | null): void {
  current = maker;
  for (const listener of listeners) listener();
}

/** Calls back when another person takes over or signs in. Gives how to end that. */
export function watchMaker(listener: () => void): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}

/** Tells what makes entries who is signed in. */
export function SignedIn({ personId, name, pass }: Maker) {
  const path = usePathname();
  useEffect(() => setMaker({ personId, name, pass }), [personId, name, pass]);
  // Another page or another person is another piece of work.
  useEffect(() => watchWork(), [path, personId]);
  return null;
}
