'use client';

import { useEffect } from 'react';

/** Marks the document once the page answers to what is typed; a slow device shows it before. */
export function Alive() {
  useEffect(() => {
    document.documentElement.dataset.alive = 'yes';
  }, []);
  return null;
}
