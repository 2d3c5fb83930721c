import * as z from 'zod';
import { bearingHeat, findSum } from '../sums';
import { pointsNamed } from './ask-family';
import { middleOf } from './point-limits';
import { fieldsOf, unevenOf } from './record-fields';
import { fault, type Faults } from './closure-fault';
import type { AnswerForm, Family, FormOf, Setting } from './format';

type Source = Setting['from'][string];

/** The middle of the window that an action asks its value in; ten where it has none. */
function actionSample(family: Family, id: string): number {
  const steps = [...family.teardown, ...family.rebuild];
  const { answer } = steps.flatMap((step) => step.actions).find((action) => action.id === id) ?? {};
  const { min, max } = (answer?.kind === 'value' && answer.window) || {};
  return min !== undefined && max !== undefined ? (min + max) / 2 : 10;
}

/** A figure that a source could give, to try the sum with. */
function sampleOf(family: Family, from: Source): unknown {
  if (from.job !== undefined) return 50;
  if (from.action !== undefined)
    return from.as === 'list' ? [actionSample(family, from.action)] : actionSample(family, from.action);
  const point = from.point === undefined ? undefined : pointsNamed(family, from.point)[0];
  if (!point) return undefined;
  const middle = middleOf(point) ?? 10;
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

/** Cells of an example row as numbers where they are numbers. */
function cellsOf({ columns }: FormOf<'record'>, row: Readonly<Record<string, string>>) {
  return Object.fromEntries(
    columns.map(({ id, choices }) => [id, choices ? (row[id] ?? '') : Number((row[id] ?? '').replace(',', '.'))]),
  );
}

/** The example of a record fills its columns with figures inside their windows, in as many rows as are asked for. */
function exampleFaults(form: FormOf<'record'>): readonly string[] {
  const { columns, example, rows, least } = form;
  const wanted = rows?.length ?? least;
  const cells = example.flatMap((row, i) =>
    columns.flatMap(({ id, choices, window }) => {
      const typed = row[id] ?? '';
      if (choices) return choices.includes(typed) ? [] : [`row ${i + 1} of the example says “${typed}” for ${id}`];
      const value = typed.trim() ? Number(typed.replace(',', '.')) : Number.NaN;
      const isIn = value >= (window?.min ?? -Infinity) && value <= (window?.max ?? Infinity);
      return isIn ? [] : [`row ${i + 1} of the example is not right in ${id}`];
    }),
  );
  const uneven = unevenOf(
    columns,
    example.map((row) => cellsOf(form, row)),
  );
  const together = uneven ? [`the rows of the example do not go together in ${uneven.column.id}`] : [];
  return [...together, ...(example.length < wanted ? [`the example has fewer than ${wanted} rows`] : []), ...cells];
}

/** A record that a sum judges gives that sum what it takes, and its example comes out right. */
export function checkRecord(answer: AnswerForm | undefined, at: string, family: Family): Faults {
  if (answer?.kind !== 'record') return [];
  const path = `${at}.answer`;
  const said = exampleFaults(answer).map((words) => fault(`${path}.example`, 'setting-inputs', words));
  const { judge } = answer;
  if (!judge || said.length) return said;
  const sum = findSum(judge.sum);
  if (!sum) return [fault(`${path}.judge.sum`, 'setting-inputs', `there is no sum “${judge.sum}”`)];
  const rows = answer.example.map((row) => fieldsOf(answer.columns, cellsOf(answer, row)));
  const samples = Object.entries(judge.from).map(([field, from]) => [field, sampleOf(family, from)]);
  const own = judge.list === undefined ? rows[0] : { [judge.list]: rows };
  const read = sum.input.safeParse({ ...judge.input, ...Object.fromEntries(samples), ...own });
  if (!read.success)
    return read.error.issues.map((issue) =>
      fault(`${path}.judge.input.${issue.path.join('.')}`, 'setting-inputs', issue.message),
    );
  const figure = (sum.compute(read.data).result as Readonly<Record<string, unknown>>)[judge.gives];
  const isRight =
    judge.right?.includes(String(figure)) ??
    (typeof figure === 'number' &&
      figure >= (judge.window?.min ?? -Infinity) &&
      figure <= (judge.window?.max ?? Infinity));
  return isRight
    ? []
    : [fault(`${path}.example`, 'setting-inputs', `the example comes out as ${judge.gives} “${String(figure)}”`)];
}

/** A bearing must get onto its seat with the heat that it stands, in a room of 20 °C. */
export function checkHeat(answer: AnswerForm | undefined, path: string, { points }: Family): Faults {
  if (answer?.kind !== 'heat') return [];
  const { kind: _kind, seat, ...heat } = answer;
  if (seat !== undefined && !points.some((point) => point.id === seat))
    return [fault(`${path}.answer.seat`, 'known-part', `there is no point “${seat}”`)];
  const { temperature_c, reachable } = bearingHeat.compute({ ...heat, ambient_c: 20, school: 'computed' }).result;
  if (reachable) return [];
  const words = `a bore of ${heat.bore_mm} mm on ${heat.shaft} needs ${Math.round(temperature_c)} °C, more than the bearing stands`;
  return [fault(`${path}.answer`, 'setting-inputs', words)];
}
