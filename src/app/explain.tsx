import { Link } from '@/components/ui/link';
import type { ReactNode } from 'react';
import { DomainError, sayDetails, wordsOf } from '@/core/errors';

/** A page, or the words for a refusal that was foreseen, such as a role that does not read it. */
export async function orExplain(
  make: () => Promise<ReactNode>,
  { linksHome = true }: { readonly linksHome?: boolean } = {},
): Promise<ReactNode> {
  try {
    return await make();
  } catch (error) {
    if (!(error instanceof DomainError) || error.code === 'database-away') throw error;
    const words = wordsOf[error.code];
    // Of a job that was taken out it counts where it lies.
    const what = (error.code === 'archived' && sayDetails(error.details)) || words.what;
    return (
      <div className="mx-auto max-w-[640px] p-8">
        <h1 className="text-24 font-bold">{what}</h1>
        <p className="mt-2">{words.todo}</p>
        {linksHome && (
          <Link href="/" className="mt-4 inline-block font-semibold underline">
            To the floor
          </Link>
        )}
      </div>
    );
  }
}
