import { Link } from '../ui/link';
import { DeskFrame } from './desk-frame';
import { ListLink } from '../ui/list-link';

export interface DonorShown {
  readonly tag: string;
  readonly partRef: string;
  readonly familyId: string;
  readonly name: string;
  readonly number: string;
  readonly size: string;
  readonly look: string;
  readonly wearPct: number | null;
  readonly tray: string;
  readonly owner: string;
  readonly ownersWord: string;
}

interface Props {
  readonly family: string;
  readonly text: string;
  readonly families: readonly string[];
  readonly found: number;
  readonly parts: readonly DonorShown[];
}

/** Parts of other units that are free to be taken, the least worn first; found by family, part, size, number, state. */
export function DonorStock({ family, text, families, found, parts }: Props) {
  return (
    <DeskFrame
      title="Donor parts"
      aside={
        <>
          {found} free · <ListLink list="donors" words="CSV" />
        </>
      }
    >
      <form method="get" className="flex flex-wrap items-end gap-4">
        <label>
          <span className="mb-1 block text-13 text-quiet">Family</span>
          <select name="family" defaultValue={family} className="field min-w-24">
            <option value="">all</option>
            {families.map((one) => (
              <option key={one}>{one}</option>
            ))}
          </select>
        </label>
        <label className="min-w-72">
          <span className="mb-1 block text-13 text-quiet">Part, number, size, look or tag</span>
          <input name="text" defaultValue={text} className="field" />
        </label>
        <button type="submit" className="pebbly min-h-12 border border-ink bg-sheet px-4 font-semibold">
          Find
        </button>
      </form>
      {!parts.length && (
        <p className="text-quiet">
          {text || family
            ? 'No free part is like that.'
            : 'No part is set aside. Left-overs become donor parts at the return, where their owner leaves them to us.'}
        </p>
      )}
      <ul>
        {parts.map((part) => (
          <li
            key={`${part.tag} ${part.partRef}`}
            className="row grid min-h-12 grid-cols-[76px_1fr_1fr] items-center gap-x-4 py-1 first:border-0 lg:grid-cols-[76px_60px_1.6fr_1fr_100px_1fr_1.6fr_80px]"
          >
            <Link href={`/jobs/${part.tag}`} className="num font-bold underline underline-offset-4">
              {part.tag}
            </Link>
            <span>{part.familyId}</span>
            <span>{part.name}</span>
            <span className="num text-13 text-quiet">{part.number}</span>
            <span>{part.size}</span>
            <span className={part.wearPct === null ? 'text-quiet' : ''}>
              {part.wearPct === null ? 'not measured' : `${Math.round(part.wearPct)} % of its wear used`}
            </span>
            <span className="text-13 text-quiet">{[part.look, part.ownersWord].filter(Boolean).join(' · ')}</span>
            <span className="text-13">{part.tray && `tray ${part.tray}`}</span>
          </li>
        ))}
      </ul>
    </DeskFrame>
  );
}
