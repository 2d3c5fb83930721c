import * as z from 'zod';
import { bearingHeat, findSum } from '../sums';
import { pointsNamed } from './ask-family';
import { fault, type Faults } from './closure-fault';
import type { Family, RebuildStep } from './format';

function sampleOf(family: Family, from: RebuildStep['settings'][number]['from'][string]): unknown {
  const point = from.point === undefined ? undefined : pointsNamed(family, from.point)[0];
  if (!point?.new_mm) return from.capture ? 10 : undefined;
  const middle = (point.new_mm.min + point.new_mm.max) / 2;
  return from.as === 'list' ? [middle, middle] : middle;
}

export function checkSettings(step: RebuildStep, i: number, family: Family): Faults {
  const captures = new Set(
    [...family.teardown, ...family.rebuild].flatMap((one) => one.captures.map((capture) => capture.id)),
  );
  return step.settings.flatMap((setting, k) => {
    const path = `rebuild.${i}.settings.${k}`;
    const sum = findSum(setting.sum);
    if (!sum) return [fault(`${path}.sum`, 'setting-inputs', `there is no sum “${setting.sum}”`)];
    const figures = Object.keys(
      (z.toJSONSchema(sum.result, { unrepresentable: 'any' }) as { properties?: object }).properties ?? {},
    );
    if (!figures.includes(setting.gives))
      return [
        fault(
          `${path}.gives`,
          'setting-inputs',
          `${setting.sum} gives no “${setting.gives}”, only ${figures.join(', ')}`,
        ),
      ];
    const loose = Object.entries(setting.from).filter(
      ([, from]) =>
        !(from.point && pointsNamed(family, from.point).length) && !(from.capture && captures.has(from.capture)),
    );
    if (loose.length)
      return loose.map(([field]) =>
        fault(`${path}.from.${field}`, 'setting-inputs', `${field} comes from a point or capture that does not exist`),
      );
    const read = sum.input.safeParse({
      ...setting.input,
      ...Object.fromEntries(Object.entries(setting.from).map(([field, from]) => [field, sampleOf(family, from)])),
    });
    return read.success
      ? []
      : read.error.issues.map((issue) =>
          fault(`${path}.input.${issue.path.join('.')}`, 'setting-inputs', issue.message),
        );
  });
}

/** A bearing must get onto its seat with the heat that it stands, in a room of 20 °C. */
export function checkHeat({ heat }: RebuildStep, path: string): Faults {
  if (!heat) return [];
  const { temperature_c, reachable } = bearingHeat.compute({ ...heat, ambient_c: 20, school: 'computed' }).result;
  return reachable
    ? []
    : [
        fault(
          `${path}.heat`,
          'setting-inputs',
          `a bore of ${heat.bore_mm} mm on ${heat.shaft} needs ${Math.round(temperature_c)} °C, more than the bearing stands`,
        ),
      ];
}
