'use client';

import { startTransition, useEffect, useRef, useState, type ReactNode } from 'react';

/** The element that the address names, where it came only now, is brought into view as the browser would have done. */
function showAsked(within: Element | null): void {
  const id = decodeURIComponent(window.location.hash.slice(1));
  const asked = id ? document.getElementById(id) : null;
  if (asked && within?.contains(asked)) asked.scrollIntoView({ block: 'center' });
}

/** False while a page is drawn for the first time, true when it stands: in small pieces of time, between which people act. */
export function useStands(): boolean {
  const [stands, setStands] = useState(false);
  useEffect(() => startTransition(() => setStands(true)), []);
  return stands;
}

interface Props {
  readonly children: ReactNode;
  /** Room that is held for it, in pixels. */
  readonly height: number;
}

/**
 * What lies below the first screen of a long page: the server does not draw it, and the page comes the sooner; the
 * browser draws it as soon as the page stands.
 */
export function Later({ children, height }: Props) {
  const stands = useStands();
  const own = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (stands) showAsked(own.current);
  }, [stands]);
  return (
    <div ref={own} style={stands ? undefined : { minHeight: height }}>
      {stands && children}
    </div>
  );
}

/** The first rows of a long list while its page is drawn for the first time, all of them when it stands. */
export function useRows<Row>(rows: readonly Row[], first: number): readonly Row[] {
  const stands = useStands();
  useEffect(() => {
    if (stands) showAsked(document.body);
  }, [stands]);
  return stands ? rows : rows.slice(0, first);
}
