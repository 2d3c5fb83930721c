'use client';

import { Link } from '../ui/link';
import { usePathname } from 'next/navigation';
import type { ReactNode } from 'react';

const places = [
  { href: '/parts', name: 'All jobs' },
  { href: '/parts/plan', name: 'Buying plan' },
  { href: '/parts/orders', name: 'Orders' },
  { href: '/parts/shelf', name: 'Shelf' },
  { href: '/parts/donors', name: 'Donor parts' },
  { href: '/parts/catalogue', name: 'Catalogue' },
];

/** The parts desk with its places in one line. */
export function DeskFrame({
  title,
  aside,
  children,
}: {
  readonly title: string;
  readonly aside?: ReactNode;
  readonly children: ReactNode;
}) {
  const here = usePathname();
  return (
    <div className="space-y-5 p-6">
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1 border-b border-line pb-2">
        <h1 className="text-24 font-bold">{title}</h1>
        <nav aria-label="Parts" className="flex flex-wrap gap-x-5">
          {places.map(({ href, name }) => (
            <Link
              key={href}
              href={href}
              aria-current={here === href ? 'page' : undefined}
              className="min-h-11 content-center underline-offset-4 aria-[current=page]:font-bold aria-[current=page]:underline"
            >
              {name}
            </Link>
          ))}
        </nav>
        {aside && <div className="ml-auto text-quiet">{aside}</div>}
      </div>
      {children}
    </div>
  );
}
