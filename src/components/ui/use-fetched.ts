'use client';

import { useState, type ComponentType } from 'react';

/**
 * A component that is fetched when it is first asked for; until then, and where it cannot be fetched, there is none.
 */
export function useFetched<Props>(
  fetchIt: () => Promise<ComponentType<Props>>,
): readonly [ComponentType<Props> | null, () => void] {
  const [Fetched, setFetched] = useState<ComponentType<Props> | null>(null);
  const ask = () =>
    void fetchIt().then(
      (component) => setFetched(() => component),
      () => undefined,
    );
  return [Fetched, ask];
}
