'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { getData } from '../act/get-data';

/** How often the server is asked whether anything has changed, in ms, while the page is looked at. */
const everyMs = 4000;

/**
 * Reads the page anew when something has changed since a version; nothing moves while nothing has. Gives since when the
 * server has not answered, as a time of the clock here; null while it answers.
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
      if (document.visibilityState === 'hidden') return;
      const found = await getData<{ readonly version: string }>('/api/floor/version').catch(() => null);
      const time = new Date().toTimeString().slice(0, 5);
      setSilentSince((since) => (found ? null : (since ?? time)));
      if (!found || found.version === shown.current) return;
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
