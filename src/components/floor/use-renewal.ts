'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { readAnswer } from '../act/act';
import { leavingSignal } from '../act/leaving';
import { askShop } from '../act/line';

/** How often the server is asked whether anything has changed, in ms, while the page is looked at. */
const everyMs = 4000;

/** The version of what the floor shows now; whether the sign-in has ended; null while nobody answers. */
async function askVersion(
  signal: AbortSignal,
): Promise<{ readonly version?: string; readonly isOver: boolean } | null> {
  try {
    const answer = await readAnswer<{ readonly version: string }>(await askShop('/api/floor/version', { signal }));
    if (answer?.ok) return { version: answer.data.version, isOver: false };
    return answer && { isOver: answer.error.code === 'not-signed-in' };
  } catch {
    return null;
  }
}

/**
 * Reads the page anew when something has changed since a version; nothing moves while nothing has. A sign-in that was
 * ended elsewhere ends here, too: the page then asks for another. Gives since when the server has not answered, as a
 * time of the clock here; null while it answers.
 */
export function useRenewal(version: string): string | null {
  const router = useRouter();
  const shown = useRef(version);
  const [silentSince, setSilentSince] = useState<string | null>(null);
  useEffect(() => {
    shown.current = version;
  }, [version]);
  useEffect(() => {
    const look = async () => {
      const signal = leavingSignal();
      if (document.visibilityState === 'hidden' || signal.aborted) return;
      const found = await askVersion(signal);
      if (signal.aborted) return;
      const time = new Date().toTimeString().slice(0, 5);
      setSilentSince((since) => (found ? null : (since ?? time)));
      if (found?.isOver) router.refresh();
      if (found?.version === undefined || found.version === shown.current) return;
      shown.current = found.version;
      router.refresh();
    };
    const onLook = () => void look();
    const timer = setInterval(onLook, everyMs);
    document.addEventListener('visibilitychange', onLook);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', onLook);
    };
  }, [router]);
  return silentSince;
}
