'use client';

import { useEffect, useState } from 'react';
import { getData } from '../act/get-data';

/** A job as the find box shows it. */
export interface Hit {
  readonly tag: string;
  readonly pump: string;
  readonly maker: string;
  readonly model: string;
  readonly customer: string;
  readonly serial: string;
  readonly answer: string;
}

/** What a text finds. */
export interface Found {
  readonly strips: readonly Hit[];
  /** The state that was asked for, such as “on hold”; empty for names. */
  readonly of: string;
  /** There are more than these. */
  readonly hasMore: boolean;
  /** Where a job lies that was taken out of the record, in words. */
  readonly archived: string | null;
}

/** Jobs that a text finds; null when nobody answers. Throws when it is aborted. */
export async function findHits(text: string, signal?: AbortSignal): Promise<Found | null> {
  const found = await getData<Partial<Found>>(`/api/find?text=${encodeURIComponent(text)}`, signal);
  const { strips, of = '', hasMore = false, archived = null } = found ?? {};
  return strips ? { strips, of, hasMore, archived } : null;
}

/** How long a person must pause before what they typed is looked for, in ms. */
const pauseMs = 140;

/** What a door finds for a text, asked for when typing pauses; a request that is overtaken is broken off. */
export function useFound<Found>(
  text: string,
  find: (text: string, signal: AbortSignal) => Promise<Found | null>,
): Found | null {
  const [found, setFound] = useState<Found | null>(null);
  useEffect(() => {
    const asked = text.trim();
    if (!asked) return;
    const abort = new AbortController();
    const look = async () => {
      try {
        const answer = await find(asked, abort.signal);
        if (answer) setFound(answer);
      } catch {
        // Overtaken by the next letter, or nobody answers: what was found last stays.
      }
    };
    const timer = setTimeout(() => void look(), pauseMs);
    return () => {
      clearTimeout(timer);
      abort.abort();
    };
  }, [text, find]);
  return text.trim() ? found : null;
}

/** The jobs that a text finds. */
export const useHits = (text: string): Found | null => useFound(text, findHits);
