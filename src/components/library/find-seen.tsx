import { Link } from '../ui/link';
import { buildOf, type FamilyCard, type FoundFamily, type Seen } from '@/core/family';
import { pictureOf, showBuild } from '../receive/construction';
import { SectionPicture } from '../signs/section-picture';

interface Props {
  readonly seen: string;
  readonly found: readonly FoundFamily[] | null;
  readonly families: readonly FamilyCard[];
}

const places: Readonly<Record<Seen['where'], string>> = {
  plate: 'on its plate: ',
  set: 'counted: ',
  choice: '',
  part: 'a part: ',
  name: 'by its name and duty: ',
};

function Found({ family, found }: { readonly family: FamilyCard; readonly found: FoundFamily }) {
  // Of two things that speak for different choices the later one counts, here and in the address.
  const words = [...new Map(found.seen.flatMap((one) => one.words))];
  const query = new URLSearchParams(words).toString();
  const picture = pictureOf(family, { familyId: family.id, ...showBuild(buildOf(words)) });
  return (
    <li className="row grid min-h-[104px] grid-cols-[190px_1fr] items-center gap-4 py-2">
      <span className="flex h-[96px] items-center justify-center " aria-hidden="true" inert>
        <SectionPicture src={picture} title="" className="size-full object-contain" />
      </span>
      <div>
        <Link href={`/library/${family.id}${query && `?${query}`}`} className="font-bold underline">
          <span className="num">{family.id}</span> {family.title}
        </Link>
        <ul>
          {found.seen.map(({ said, where, what }) => (
            <li key={said}>
              <b>{said}</b> — {places[where]}
              {what}
            </li>
          ))}
          {found.missing.map((said) => (
            <li key={said} className="text-quiet">
              <s>{said}</s> — nothing of it here
            </li>
          ))}
        </ul>
      </div>
    </li>
  );
}

/** Finds a construction by what somebody has before them: things seen, or words of the plate. */
export function FindSeen({ seen, found, families }: Props) {
  const cards = new Map(families.map((family) => [family.id, family]));
  return (
    <div role="search" aria-label="Find a construction">
      <form className="my-3 flex flex-wrap items-end gap-3">
        <label className="flex-1 text-13 text-quiet">
          What is seen, or stands on the plate; commas between
          <input
            name="seen"
            defaultValue={seen}
            maxLength={200}
            placeholder="two shafts, packing, belt"
            className="field w-full"
          />
        </label>
        <button type="submit" className="min-h-11 border-b-3 border-ink px-2 font-semibold">
          Find the construction
        </button>
        {seen && (
          <Link href="/library" className="flex min-h-11 items-center">
            all constructions
          </Link>
        )}
      </form>
      {found && (
        <div role="status">
          {found.length ? (
            <ul className="mb-6 border-b border-ink">
              {found.map((one) => {
                const family = cards.get(one.id);
                return family && <Found key={one.id} family={family} found={one} />;
              })}
            </ul>
          ) : (
            <p className="mb-4 border-l-4 border-ochre px-3">
              No construction here has {seen}. Look for its section among the pictures.
            </p>
          )}
        </div>
      )}
    </div>
  );
}
