'use client';

import { useEffect, type ComponentType, type ReactNode } from 'react';
import { useFetched } from './use-fetched';

interface Asked<Props> {
  readonly fetchIt: () => Promise<ComponentType<Props>>;
  readonly props: Props;
  /** What stands here until it has come. */
  readonly waiting: ReactNode;
}

/** A component that is fetched as soon as it is shown; asked for again at each render until it is here. */
export function FetchedAtOnce<Props extends object>({ fetchIt, props, waiting }: Asked<Props>) {
  const [Fetched, ask] = useFetched(fetchIt);
  useEffect(() => {
    if (!Fetched) ask();
  });
  return Fetched ? <Fetched {...props} /> : waiting;
}
