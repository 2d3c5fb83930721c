import Link from 'next/link';
import {
  compareBuilds,
  drawSection,
  readBuild,
  sayBuild,
  wholeBuild,
  type Comparison,
  type Family,
  type FamilyFile,
} from '@/core/family';
import { Section } from '../signs/section';
import { BuildFields } from './build-query';

interface Props {
  readonly family: FamilyFile;
  readonly one: Family;
  readonly other: Family;
}

const titles: Readonly<Record<keyof Comparison, string>> = {
  parts: 'Parts',
  points: 'Points and their limits',
  teardown: 'Taken apart',
  rebuild: 'Put together',
  test: 'Tested',
  labour: 'Time',
};

/** Before the names of the second build in the address. */
export const withMark = 'with.';

function Built({
  family,
  built,
  prefix,
}: {
  readonly family: FamilyFile;
  readonly built: Family;
  readonly prefix: string;
}) {
  const build = readBuild(built.version);
  const said = sayBuild(family, built.version);
  return (
    <section aria-label={prefix ? 'The other build' : 'One build'}>
      <Section drawing={drawSection(built)} pins={{}} showsPins={false} title={`Section: ${said}`} />
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <BuildFields family={family} build={wholeBuild(family, build)} prefix={prefix} />
      </div>
    </section>
  );
}

function Differences({ title, rows }: { readonly title: string; readonly rows: Comparison['parts'] }) {
  if (!rows.length) return null;
  return (
    <table className="mt-5 w-full table-fixed text-left">
      <caption className="text-left font-bold">
        {title} <small className="font-normal text-quiet">{rows.length} differ</small>
      </caption>
      <thead className="text-13 text-quiet">
        <tr>
          <th className="font-normal">What</th>
          <th className="font-normal">One build</th>
          <th className="font-normal">The other</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ what, one, other }) => (
          <tr key={`${what} ${one} ${other}`} className="row">
            <th scope="row" className="py-1 font-normal">
              {what}
            </th>
            <td className={one ? '' : 'text-quiet'}>{one || 'has none'}</td>
            <td className={other ? '' : 'text-quiet'}>{other || 'has none'}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Two builds of a family side by side, and what differs between them. */
export function ComparePage({ family, one, other }: Props) {
  const comparison = compareBuilds(one, other);
  const kinds = Object.keys(titles) as (keyof Comparison)[];
  const isSame = kinds.every((kind) => !comparison[kind].length);
  return (
    <div className="p-6">
      <p className="text-13">
        <Link href={`/library/${family.id}`} className="underline">
          {family.title}
        </Link>
      </p>
      <h1 className="text-24 font-bold">
        <span className="num">{family.id}</span> Two builds side by side
      </h1>
      <form className="mt-3">
        <div className="grid gap-8 md:grid-cols-2">
          <Built family={family} built={one} prefix="" />
          <Built family={family} built={other} prefix={withMark} />
        </div>
        <button type="submit" className="mt-3 min-h-11 border-b-3 border-ink px-2 font-semibold">
          Compare them so
        </button>
      </form>
      {isSame && (
        <p className="mt-4 border-l-4 border-line px-3">Nothing differs: choose another build on either side.</p>
      )}
      {kinds.map((kind) => (
        <Differences key={kind} title={titles[kind]} rows={comparison[kind]} />
      ))}
    </div>
  );
}
