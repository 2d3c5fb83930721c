import Link from 'next/link';
import { sayBuild } from '@/core/family';
import { isBuildOpen } from '@/core/record';
import type { JobView } from '../job/view';

/** How the pump is built as far as the record knows, and the way to say that it is not while that is possible. */
export function ConstructionLine({ view }: { readonly view: JobView }) {
  const { record, family } = view;
  const build = sayBuild(family, record.familyVersion);
  return (
    <p>
      <span className="num">{record.familyId}</span> {family.title}
      {build && `: ${build.toLowerCase()}`}.{' '}
      {isBuildOpen(record) && (
        <Link
          href={`/jobs/${record.tag}/construction`}
          className="inline-block min-h-8 underline decoration-line underline-offset-4 hover:decoration-ink"
        >
          It is built otherwise
        </Link>
      )}
    </p>
  );
}
