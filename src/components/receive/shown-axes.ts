import { holds, type Axis, type FamilyHeader } from '@/core/family';

/** The axes that exist in what is chosen so far. */
export function shownAxes(
  { axes }: Pick<FamilyHeader, 'axes'>,
  chosen: Readonly<Record<string, string>>,
): readonly Axis[] {
  return axes.filter((axis) => holds(axis.when, chosen));
}
