import { Link } from '../ui/link';
import { sayAge } from '../library/say-age';

interface Props {
  /** The age of the last good backup where it is too old. */
  readonly backup: { readonly hours: number; readonly hasNone: boolean } | null;
  /** What was locked since yesterday after wrong tries. */
  readonly locks: readonly string[];
}

const line = 'border-b border-jasper px-6 py-2 print:hidden';

/** Tells the owner on every page that a night's backup was missed, and what was locked after wrong tries. */
export function OwnerNotices({ backup, locks }: Props) {
  return (
    <>
      {backup && (
        <p role="status" className={line}>
          <b>
            {backup.hasNone
              ? 'There is no backup of this shop.'
              : `The last good backup is ${sayAge(backup.hours)} old.`}
          </b>{' '}
          <Link href="/library/keeping" className="underline underline-offset-4">
            See why, or make one now
          </Link>
        </p>
      )}
      {locks.length > 0 && (
        <p role="status" className={line}>
          <b>Locked since yesterday:</b> {locks[0]}
          {locks.length > 1 && `, and ${locks.length - 1} more`}.{' '}
          <Link href="/library/people" className="underline underline-offset-4">
            Who, where and when
          </Link>
        </p>
      )}
    </>
  );
}
