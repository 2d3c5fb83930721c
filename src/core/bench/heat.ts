import type { Family, FormOf } from '../family';
import type { JobRecord } from '../record';
import { bearingBoreLowerUm, type BearingHeatInput } from '../sums';
import { standingReadings } from './rounds';

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
  const asked = { bore_mm, mounting_clearance_um, sealed, ambient_c: ambientC, school: 'computed' as const };
  const own = seat === undefined ? [] : standingReadings(record, family).filter((one) => one.pointId === seat);
  const left = own.filter((one) => one.phase === 'as-left');
  const read = (left.length ? left : own).map((one) => one.value);
  if (!read.length) return { ...asked, shaft };
  const over = Math.round((Math.max(...read) - bore_mm) * 1e6) / 1e3;
  return { ...asked, interference_um: Math.max(0, over - bearingBoreLowerUm(bore_mm)) };
}
