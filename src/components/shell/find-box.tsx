'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';

interface Hit {
  readonly tag: string;
  readonly pump: string;
  readonly customer: string;
  readonly serial: string;
  readonly answer: string;
}

/** One search box: a tag, a serial number, a customer or words; the answer line of the first hit can be read out or copied. */
export function FindBox() {
  const router = useRouter();
  const input = useRef<HTMLInputElement>(null);
  const [text, setText] = useState('');
  const [hits, setHits] = useState<readonly Hit[] | null>(null);
  const [said, setSaid] = useState('');
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = (event.target as HTMLElement).matches?.('input, textarea, select');
      if (event.key === '/' && !typing) {
        event.preventDefault();
        input.current?.focus();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  // What was typed before the page came alive is not lost.
  useEffect(() => {
    if (input.current?.value) setText(input.current.value);
  }, []);
  useEffect(() => {
    const controller = new AbortController();
    const timer = setTimeout(async () => {
      if (!text.trim()) return setHits(null);
      const answer = await fetch(`/api/find?text=${encodeURIComponent(text)}`, { signal: controller.signal }).then(
        (response) => response.json() as Promise<{ data?: { strips: Hit[] } }>,
        () => null,
      );
      if (answer?.data) setHits(answer.data.strips);
    }, 140);
    return () => {
      clearTimeout(timer);
      controller.abort();
    };
  }, [text]);
  const close = () => {
    setText('');
    setHits(null);
  };
  const openFirst = async () => {
    const answer = await fetch(`/api/find?text=${encodeURIComponent(text)}`).then(
      (response) => response.json() as Promise<{ data?: { strips: Hit[] } }>,
      () => null,
    );
    const first = answer?.data?.strips[0];
    setHits(answer?.data?.strips ?? []);
    if (!first) return;
    close();
    router.push(`/jobs/${first.tag}`);
  };
  const first = hits?.[0];
  return (
    <search className="relative min-w-0">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void openFirst();
        }}
      >
        <div className="flex h-[42px] items-center gap-2 rounded-[19px_19px_19px_7px] border border-ink bg-sheet pl-4 pr-3 frame">
          <input
            ref={input}
            value={text}
            onChange={(event) => setText(event.target.value)}
            onKeyDown={(event) => event.key === 'Escape' && close()}
            aria-label="Find a pump"
            placeholder="Tag, serial number, customer, what they say it does"
            className="framed min-w-0 flex-1 bg-transparent placeholder:text-quiet"
          />
          <kbd aria-hidden="true">/</kbd>
        </div>
      </form>
      {hits && (
        <div className="absolute left-0 right-0 top-[48px] z-40 rounded-[10px_12px_9px_13px] border border-ink bg-sheet shadow-lg lg:min-w-[640px]">
          {first ? (
            <div className="flex items-start gap-3 bg-sand px-4 py-3">
              <span className="text-13 text-quiet">Answer</span>
              <p className="flex-1" aria-live="polite">
                {first.answer}
              </p>
              <button
                type="button"
                className="min-h-8 rounded border border-quiet px-2 text-13"
                onClick={() => navigator.clipboard?.writeText(first.answer).then(() => setSaid(first.tag))}
              >
                {said === first.tag ? 'copied' : 'copy'}
              </button>
            </div>
          ) : (
            <p className="px-4 py-3">Nothing here is called “{text}”. Try part of the serial number, or the owner.</p>
          )}
          <ul>
            {hits.slice(0, 8).map((hit) => (
              <li key={hit.tag} className="row first:border-0">
                <Link
                  href={`/jobs/${hit.tag}`}
                  onClick={close}
                  className="flex min-h-11 items-center gap-4 px-4 hover:bg-sand"
                >
                  <b className="num">{hit.tag}</b>
                  <span className="flex-1 truncate">
                    {hit.pump} · {hit.customer}
                  </span>
                  <span className="num text-13 text-quiet">{hit.serial}</span>
                </Link>
              </li>
            ))}
          </ul>
        </div>
      )}
    </search>
  );
}
