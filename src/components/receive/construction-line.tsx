import { Link } from '../ui/link';
import { sayBuild } from '@/core/family';
import { isBuildOpen } from '@/core/record';
import type { JobView } from '../job/view';

/**
 * How the pump is built as far as the record knows, in one line, and the way to say that it is not, or that it goes back
 * otherwise, while that is possible.
 */
export function ConstructionLine({ view }: { readonly view: JobView }) {
  const { record, family } = view;
  const build = sayBuild(family, record.familyVersion).toLowerCase();
  return (
    <p className="flex items-baseline gap-x-3">
      <span className="min-w-0 flex-1 truncate" title={`${family.title}${build && `: ${build}`}`}>
        <span className="num">{record.familyId}</span> {family.title}
        {build && `: ${build}`}
      </span>
      {isBuildOpen(record) && (
        <Link
          href={`/jobs/${record.tag}/construction`}
          className="inline-flex min-h-8 shrink-0 items-center underline decoration-line underline-offset-4 hover:decoration-ink"
        >
          It is built otherwise
        </Link>
      )}
    </p>
  );
}
