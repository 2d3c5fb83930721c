import * as z from 'zod';
import { bearingHeat, findSum } from '../sums';
import { pointsNamed } from './ask-family';
import { limitsOf } from './point-limits';
import { fault, type Faults } from './closure-fault';
import type { AnswerForm, Family, Setting } from './format';

type Source = Setting['from'][string];

/** A figure that a source could give, to try the sum with. */
function sampleOf(family: Family, from: Source): unknown {
  if (from.job !== undefined) return 50;
  const point = from.point === undefined ? undefined : pointsNamed(family, from.point)[0];
  if (!point) return from.action === undefined ? undefined : 10;
  const { min, max } = limitsOf(point).asNew;
  const middle = ((min ?? max ?? 10) + (max ?? min ?? 10)) / 2;
  return from.as === 'list' ? [middle, middle] : middle;
}

function looseSources({ from }: Setting, family: Family): readonly string[] {
  const actions = new Set(
    [...family.teardown, ...family.rebuild].flatMap((step) => step.actions.map((action) => action.id)),
  );
  const isKnown = ({ point, action, job }: Source) =>
    job !== undefined ||
    (point !== undefined && pointsNamed(family, point).length > 0) ||
    (action !== undefined && actions.has(action));
  return Object.entries(from).flatMap(([field, source]) => (isKnown(source) ? [] : [field]));
}

/** A setting calls a sum that exists, wants a figure of its result, and gives it inputs that it takes. */
export function checkSettings(answer: AnswerForm | undefined, at: string, family: Family): Faults {
  if (answer?.kind !== 'setting') return [];
  const path = `${at}.answer`;
  const sum = findSum(answer.sum);
  if (!sum) return [fault(`${path}.sum`, 'setting-inputs', `there is no sum “${answer.sum}”`)];
  const schema = z.toJSONSchema(sum.result, { unrepresentable: 'any' }) as { properties?: object };
  const figures = Object.keys(schema.properties ?? {});
  if (!figures.includes(answer.gives)) {
    const words = `${answer.sum} gives no “${answer.gives}”, only ${figures.join(', ')}`;
    return [fault(`${path}.gives`, 'setting-inputs', words)];
  }
  const loose = looseSources(answer, family);
  if (loose.length)
    return loose.map((field) =>
      fault(`${path}.from.${field}`, 'setting-inputs', `${field} comes from a point or an action that does not exist`),
    );
  const samples = Object.entries(answer.from).map(([field, from]) => [field, sampleOf(family, from)]);
  const read = sum.input.safeParse({ ...answer.input, ...Object.fromEntries(samples) });
  return read.success
    ? []
    : read.error.issues.map((issue) => fault(`${path}.input.${issue.path.join('.')}`, 'setting-inputs', issue.message));
}

/** A bearing must get onto its seat with the heat that it stands, in a room of 20 °C. */
export function checkHeat(answer: AnswerForm | undefined, path: string): Faults {
  if (answer?.kind !== 'heat') return [];
  const { kind: _kind, ...heat } = answer;
  const { temperature_c, reachable } = bearingHeat.compute({ ...heat, ambient_c: 20, school: 'computed' }).result;
  if (reachable) return [];
  const words = `a bore of ${heat.bore_mm} mm on ${heat.shaft} needs ${Math.round(temperature_c)} °C, more than the bearing stands`;
  return [fault(`${path}.answer`, 'setting-inputs', words)];
}
