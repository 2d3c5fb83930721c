import Link from 'next/link';
import { sayAge } from '../library/say-age';

/** Tells the owner on every page that a night's backup was missed. */
export function KeepingWarning({ hours, hasNone }: { readonly hours: number; readonly hasNone: boolean }) {
  return (
    <p role="status" className="border-b border-jasper px-6 py-2 print:hidden">
      <b>{hasNone ? 'There is no backup of this shop.' : `The last good backup is ${sayAge(hours)} old.`}</b>{' '}
      <Link href="/library/keeping" className="underline underline-offset-4">
        See why, or make one now
      </Link>
    </p>
  );
}
