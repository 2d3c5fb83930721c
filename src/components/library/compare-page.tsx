import { Link } from '../ui/link';
import {
  compareBuilds,
  drawSection,
  readBuild,
  sayBuild,
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

interface BuiltProps {
  readonly family: FamilyFile;
  readonly built: Family;
  readonly name: string;
}

function Built({ family, built, name }: BuiltProps) {
  const said = sayBuild(family, built.version);
  return (
    <section aria-label={name}>
      <Section drawing={drawSection(built)} pins={{}} showsPins={false} title={`Section: ${said}`} />
      <p className="text-13 text-quiet">{said}</p>
    </section>
  );
}

function Chosen({ family, built, name, prefix }: BuiltProps & { readonly prefix: string }) {
  return (
    <fieldset className="flex flex-wrap content-start items-end gap-3">
      <legend className="text-13 text-quiet">{name}</legend>
      <BuildFields family={family} build={readBuild(built.version)} prefix={prefix} />
    </fieldset>
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
        {rows.map(({ what, one, other }, i) => (
          <tr key={i} className="row">
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
      <div className="mt-3 grid gap-8 md:grid-cols-2">
        <Built family={family} built={one} name="One build" />
        <Built family={family} built={other} name="The other build" />
      </div>
      <details className="mt-3 border-y border-line" open={isSame}>
        <summary className="min-h-11 cursor-pointer content-center font-bold">Choose how each is built</summary>
        <form className="pb-3">
          <div className="grid gap-8 md:grid-cols-2">
            <Chosen family={family} built={one} name="One build" prefix="" />
            <Chosen family={family} built={other} name="The other build" prefix={withMark} />
          </div>
          <button type="submit" className="mt-3 min-h-11 border-b-3 border-ink px-2 font-semibold">
            Compare them so
          </button>
        </form>
      </details>
      {isSame && (
        <p className="mt-4 border-l-4 border-line px-3">Nothing differs: choose another build on either side.</p>
      )}
      {kinds.map((kind) => (
        <Differences key={kind} title={titles[kind]} rows={comparison[kind]} />
      ))}
    </div>
  );
}
