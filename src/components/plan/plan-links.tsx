'use client';

import { Link } from '../ui/link';
import { usePathname } from 'next/navigation';

const pages = [
  { href: '/plan', name: 'Two weeks' },
  { href: '/plan/day', name: 'A day' },
  { href: '/plan/weeks', name: 'Weeks' },
  { href: '/plan/hands', name: 'Hands and hours' },
  { href: '/plan/promise', name: 'Promise desk' },
] as const;

/** The pages of the plan. */
export function PlanLinks({ className = '' }: { readonly className?: string }) {
  const path = usePathname();
  return (
    <nav aria-label="Pages of the plan" className={`flex flex-wrap gap-x-4 print:hidden ${className}`}>
      {pages.map(({ href, name }) => (
        <Link
          key={href}
          href={href}
          aria-current={path === href ? 'page' : undefined}
          className={`min-h-8 content-center ${path === href ? 'font-bold' : 'underline underline-offset-4'}`}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}
