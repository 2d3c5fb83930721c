import { currentFormat } from './format';
import { migrateFormat1 } from './migrate-format-1';

export { currentFormat };

type Json = Readonly<Record<string, unknown>>;

/** How a file of one format becomes one of the next. */
export interface FormatStep {
  readonly from: string;
  readonly to: string;
  readonly migrate: (json: Json) => Json;
}

/** Steps from older formats, one a format; a body that was stored for ever is brought up by as many as it takes. */
export const formatSteps: readonly FormatStep[] = [
  { from: 'puddlestone-family/1', to: currentFormat, migrate: migrateFormat1 },
];

const formatOf = (json: unknown): unknown =>
  typeof json === 'object' && json !== null ? (json as Json).format : undefined;

/**
 * A family's JSON in the format that is read today; what is in it already, and what is no family at all, comes back as
 * it is, for the schema to judge.
 * @throws RangeError for a format that no step leads on from
 */
export function bringUpToDate(
  json: unknown,
  { current, steps }: { readonly current: string; readonly steps: readonly FormatStep[] } = {
    current: currentFormat,
    steps: formatSteps,
  },
): unknown {
  let body = json;
  for (let taken = 0; taken <= steps.length; taken++) {
    const format = formatOf(body);
    if (typeof format !== 'string' || format === current) return body;
    const step = steps.find((one) => one.from === format);
    if (!step) throw new RangeError(`The format ${format} is not known here; ${current} is read.`);
    body = { ...step.migrate(body as Json), format: step.to };
  }
  throw new RangeError(`The steps from ${String(formatOf(json))} lead in a circle.`);
}

/** Whether a body is of today's format or of one that a step leads on from. */
export function isKnownFormat(json: unknown): boolean {
  const format = formatOf(json);
  return format === currentFormat || formatSteps.some((step) => step.from === format);
}
