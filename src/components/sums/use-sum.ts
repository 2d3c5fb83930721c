'use client';

import { useEffect, useState } from 'react';
import { loadSum, type Sum } from '@/core/sums';

/**
 * A sum that is fetched as soon as it is wanted, asked for again at each render until it is here.
 * @param id null where none is wanted
 * @returns null until it is here, and where none is wanted
 */
export function useSum(id: string | null): Sum | null {
  const [sum, setSum] = useState<Sum | null>(null);
  const own = sum?.id === id ? sum : null;
  useEffect(() => {
    if (id === null || own) return;
    loadSum(id).then(
      (found) => found && setSum(found),
      () => undefined,
    );
  });
  return own;
}
