'use client';

import { Link } from '../ui/link';
import { usePathname, useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { keysTold } from '../ui/use-keys';

const views = [
  { href: '/', name: 'Floor', key: 'f' },
  { href: '/desk', name: 'Week', key: 'd' },
  { href: '/receive', name: 'Receive', key: 'r' },
  { href: '/parts', name: 'Parts', key: 'p' },
  { href: '/plan', name: 'Plan', key: 'w' },
  { href: '/sums', name: 'Sums', key: 's' },
  { href: '/outbox', name: 'Outbox', key: 'o' },
  { href: '/library', name: 'Library', key: 'l' },
] as const;

/** To the first place that needs the person who looks; from such a place to the one after it. */
function focusNext(): void {
  const places = [...document.querySelectorAll<HTMLElement>('[data-next]:not(:disabled)')];
  const at = places.findIndex((place) => place === document.activeElement);
  places[(at + 1) % Math.max(1, places.length)]?.focus();
}

function isTyping(event: KeyboardEvent): boolean {
  return (event.target as HTMLElement).matches?.('input, textarea, select') ?? false;
}

/** What is written on a key, where that is not its name. */
const keyNames: Readonly<Record<string, string>> = { ArrowDown: '↓', ArrowUp: '↑', Escape: 'Esc' };

/** The views; `g` and a letter goes to one, `?` shows the keys. */
export function TopNav() {
  const path = usePathname();
  const router = useRouter();
  const [shownKeys, setShownKeys] = useState<ReturnType<typeof keysTold> | null>(null);
  useEffect(() => {
    let armed = false;
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === '?') setShownKeys((shown) => (shown ? null : keysTold()));
      if (event.key === 'Escape') setShownKeys(null);
      if (event.key === 'n') focusNext();
      const view = armed && views.find((one) => one.key === event.key);
      armed = event.key === 'g';
      if (view)
        router.push(
          view.href === '/sums'
            ? (document.querySelector<HTMLAnchorElement>('nav a[href^="/sums"]')?.getAttribute('href') ?? view.href)
            : view.href,
        );
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [router]);
  // The sums know from which job one came, so that a result can go back there.
  const job = /^\/jobs\/(P-\d+)/.exec(path)?.[1];
  const targetOf = (href: string) => (href === '/sums' && job ? `/sums?job=${job}` : href);
  const isHere = (href: string) => (href === '/' ? path === '/' || path.startsWith('/jobs') : path.startsWith(href));
  return (
    <>
      <nav aria-label="Views" className="flex flex-wrap gap-x-4">
        {views.map((view) => (
          <Link
            key={view.href}
            href={targetOf(view.href)}
            aria-current={isHere(view.href) ? 'page' : undefined}
            className={`border-b-3 py-2 ${isHere(view.href) ? 'border-jasper font-semibold text-ink' : 'border-transparent text-quiet'}`}
          >
            {view.name}
          </Link>
        ))}
      </nav>
      {shownKeys && (
        <div
          role="dialog"
          aria-label="Keys on this screen"
          className="fixed bottom-6 right-6 z-50 border border-ink bg-sheet p-4 shadow-lg"
        >
          <p className="mb-2 font-semibold">Keys on this screen</p>
          <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-13">
            <dt>
              <kbd>/</kbd>
            </dt>
            <dd>find a pump</dd>
            {views.map((view) => (
              <div key={view.key} className="contents">
                <dt>
                  <kbd>g</kbd> <kbd>{view.key}</kbd>
                </dt>
                <dd>{view.name}</dd>
              </div>
            ))}
            {shownKeys.map(([key, says]) => (
              <div key={key} className="contents">
                <dt>
                  <kbd>{keyNames[key] ?? key}</kbd>
                </dt>
                <dd>{says}</dd>
              </div>
            ))}
            <dt>
              <kbd>n</kbd>
            </dt>
            <dd>next thing to do here</dd>
            <dt>
              <kbd>Enter</kbd>
            </dt>
            <dd>keep and go to the next field</dd>
            <dt>
              <kbd>?</kbd>
            </dt>
            <dd>show or hide this</dd>
          </dl>
        </div>
      )}
    </>
  );
}
