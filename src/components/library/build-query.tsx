import { wholeBuild, type Build, type FamilyHeader } from '@/core/family';
import { shownAxes } from '../receive/shown-axes';

/** Whether a family is built in more than one way. */
export const isChosen = ({ axes, sets, sizes }: FamilyHeader) =>
  axes.some(({ choices }) => choices.length > 1) ||
  sets.some(({ count }) => typeof count !== 'number') ||
  sizes.length > 1;

interface Props {
  readonly family: FamilyHeader;
  readonly build: Build;
}

/** What a build is chosen by: axes, sets that are counted, size; nothing where there is one build only. */
export function BuildFields({ family, build, prefix = '' }: Props & { readonly prefix?: string }) {
  const whole = wholeBuild(family, build);
  const axes = shownAxes(family, whole.axes).filter((axis) => axis.choices.length > 1);
  const counted = family.sets.flatMap((set) =>
    typeof set.count === 'number' || whole.counts[set.id] === undefined ? [] : [{ ...set, count: set.count }],
  );
  if (!axes.length && !counted.length && family.sizes.length < 2) return null;
  return (
    <>
      {axes.map((axis) => (
        <label key={axis.id} className="text-13 text-quiet">
          {axis.title}
          <select name={prefix + axis.id} defaultValue={whole.axes[axis.id]} className="field">
            {axis.choices.map((choice) => (
              <option key={choice.id} value={choice.id}>
                {choice.title}
              </option>
            ))}
          </select>
        </label>
      ))}
      {family.sizes.length > 1 && (
        <label className="text-13 text-quiet">
          Size
          <select name={`${prefix}size`} defaultValue={whole.size} className="field">
            {family.sizes.map((row) => (
              <option key={row.id} value={row.id}>
                {row.title}
              </option>
            ))}
          </select>
        </label>
      )}
      {counted.map(({ id, plural, count }) => (
        <label key={id} className="text-13 text-quiet">
          {plural.charAt(0).toUpperCase() + plural.slice(1)}
          <input
            name={`${prefix}n-${id}`}
            type="number"
            min={count.least}
            max={count.most}
            defaultValue={whole.counts[id]}
            className="field num max-w-[100px]"
          />
        </label>
      ))}
    </>
  );
}

/** Asks for another build of a family by the address. */
export function BuildQuery({ family, build }: Props) {
  if (!isChosen(family)) return null;
  return (
    <form className="mt-2 flex flex-wrap items-end gap-3">
      <BuildFields family={family} build={build} />
      <button type="submit" className="min-h-11 border-b-3 border-ink px-2 font-semibold">
        Show it so
      </button>
    </form>
  );
}
