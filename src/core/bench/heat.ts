import type { Family, FormOf } from '../family';
import type { JobRecord } from '../record';
import { schoolOf } from '../policies';
import { bearingBoreLowerUm, type BearingHeatInput } from '../sums';
import { standingReadings } from './rounds';

/**
 * What a shop heats to that does not reckon it: a fixed temperature in °C, or a rise above the room in K. General
 * practice, within the limits of `bearingHeatLimitsC`; the maker's figure comes first.
 */
const heatBy = { fixed: { open: 110, sealed: 80 }, rise: { open: 80, sealed: 55 } } as const;

/** The school by which this job's bearings are heated, with its figure; cold pressing reckons what it would need. */
function schoolFor(record: Pick<JobRecord, 'sheets'>, sealed: boolean | undefined) {
  const kind = sealed ? 'sealed' : 'open';
  const school = schoolOf(record, 'bearing fitting');
  if (school === 'fixed') return { school: 'fixed' as const, fixed_c: heatBy.fixed[kind] };
  if (school === 'rise') return { school: 'rise' as const, rise_k: heatBy.rise[kind] };
  return { school: 'computed' as const };
}

/**
 * What the heating of a bearing is reckoned from in a room of `ambientC` °C: the largest reading of its seat, as left,
 * or as found where none is left yet, against the smallest bore that a bearing of normal class has; the class of the
 * seat where nothing was read. Source of the bore: ISO 492.
 */
export function heatFor(
  form: FormOf<'heat'>,
  { record, family }: { readonly record: JobRecord; readonly family: Family },
  ambientC: number,
): BearingHeatInput {
  const { bore_mm, shaft, mounting_clearance_um, sealed, seat } = form;
  const asked = { bore_mm, mounting_clearance_um, sealed, ambient_c: ambientC, ...schoolFor(record, sealed) };
  const own = seat === undefined ? [] : standingReadings(record, family).filter((one) => one.pointId === seat);
  const left = own.filter((one) => one.phase === 'as-left');
  const read = (left.length ? left : own).map((one) => one.value);
  if (!read.length) return { ...asked, shaft };
  const over = Math.round((Math.max(...read) - bore_mm) * 1e6) / 1e3;
  return { ...asked, interference_um: Math.max(0, over - bearingBoreLowerUm(bore_mm)) };
}
