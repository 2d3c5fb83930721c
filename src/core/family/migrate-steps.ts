type Json = Readonly<Record<string, unknown>>;
const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const listOf = (value: unknown): readonly Json[] => (Array.isArray(value) ? value.filter(isObject) : []);
/** Only what has a value. */
const given = (fields: Json): Json => Object.fromEntries(Object.entries(fields).filter(([, own]) => own !== undefined));

/** Sums of format 1 that judge what was measured; all others say what to set. */
const judging: ReadonlySet<unknown> = new Set([
  'end-float',
  'running-clearance',
  'run-out',
  'leak-decay',
  'donor-match',
]);

function choiceOf(capture: Json): Json {
  const { kind, ask, agrees_with, expect } = capture;
  const hands = kind === 'thread-hand' ? ['left', 'right'] : undefined;
  const choices = (capture.choices as readonly string[] | undefined) ?? hands;
  const should = typeof expect === 'string' ? expect : undefined;
  if (!choices || choices.length < 2) return given({ kind: 'note', ask, agrees_with });
  const about = kind === 'thread-hand' ? 'thread hand' : 'orientation';
  return given({ kind: 'choice', about, ask, choices, should, agrees_with });
}

/** A capture of format 1 as what an action asks. */
function answerOf(capture: Json): Json {
  const { kind, ask, agrees_with, of, expect, unit, tolerance_mm: tolerance } = capture;
  switch (kind) {
    case 'match-mark':
      return given({ kind: 'mark', ask, agrees_with });
    case 'photo':
      return { kind: 'photo', ask };
    case 'count':
      // A part says how many there must be, also where it was counted over the stages.
      return given({ kind: 'count', ask, of, agrees_with, ...(of === undefined && { expect }) });
    case 'position':
      return given({ kind: 'value', ask, unit: 'mm', tolerance, agrees_with });
    case 'value':
      return given({ kind: 'value', ask, unit: unit ?? '', agrees_with });
    default:
      return choiceOf(capture);
  }
}

function actionOfCapture(capture: Json): Json {
  const { id, ask, when, of } = capture;
  return given({ when, id, do: [ask], lights: of === undefined ? undefined : [of], answer: answerOf(capture) });
}

/** Inputs that came from a capture come from the action that it has become. */
function settingOf({ when, from, ...setting }: Json, stepId: unknown): Json {
  const sources = Object.entries(isObject(from) ? from : {}).map(([field, source]): [string, unknown] => {
    if (!isObject(source)) return [field, source];
    const { capture, ...rest } = source;
    return [field, given({ ...rest, action: capture })];
  });
  const mode = judging.has(setting.sum) ? 'judge' : 'set';
  const answer = { kind: 'setting', mode, ...setting, from: Object.fromEntries(sources) };
  return given({ when, id: `${String(stepId)}-${String(setting.sum)}`, do: [setting.title], answer });
}

/** What the step itself said to do, as an action of its own; in format 1 it was one sentence for all of it. */
function doingOf(step: Json): Json {
  const { id, title, tools, consumables } = step;
  return given({ id: `${String(id)}-do`, title, do: [step.do], tools, consumables });
}

function extrasOf({ id, heat, torque, measures }: Json): { readonly heat: Json[]; readonly after: Json[] } {
  const name = String(id);
  const heated = isObject(heat)
    ? [{ id: `${name}-heat`, do: ['Heat it until it goes on by itself.'], answer: { kind: 'heat', ...heat } }]
    : [];
  const tightened = isObject(torque)
    ? [{ id: `${name}-torque`, do: ['Tighten to torque.'], answer: { kind: 'torque', ...torque } }]
    : [];
  return { heat: heated, after: [...tightened, ...measuredOf(name, measures)] };
}

function measuredOf(name: string, measures: unknown): Json[] {
  if (!Array.isArray(measures) || measures.length === 0) return [];
  const answer = { kind: 'measure', points: measures as unknown };
  return [{ id: `${name}-measure`, do: ['Measure the points as left.'], answer }];
}

/** Taken down before anything moves; all others follow what is done. */
const beforehand: ReadonlySet<unknown> = new Set(['match-mark', 'position', 'photo', 'orientation', 'thread-hand']);

/**
 * A step of format 1 as one of format 2: each capture, torque, heat, setting and set of readings becomes an action of
 * its own, beside one for what the step said to do. At teardown marks and positions come before it.
 */
export function migrateStep(step: Json, phase: 'teardown' | 'rebuild'): Json {
  const { when, id, title, reason, mistake, parts, needs, cautions, hold_point } = step;
  const captures = listOf(step.captures);
  const isBefore = (capture: Json) => phase === 'teardown' && beforehand.has(capture.kind);
  const extras = extrasOf(step);
  const actions = [
    ...captures.filter(isBefore).map(actionOfCapture),
    ...extras.heat,
    doingOf(step),
    ...listOf(step.settings).map((setting) => settingOf(setting, id)),
    ...captures.filter((capture) => !isBefore(capture)).map(actionOfCapture),
    ...extras.after,
  ];
  return given({ when, id, title, reason, mistake, parts, needs, cautions, hold_point, actions });
}

/** A check of the stand of format 1 as a step with one action. */
export function migrateCheck({ id, title, cautions, when }: Json): Json {
  return given({ when, id, title, cautions, actions: [{ id: `${String(id)}-do`, do: [title] }] });
}
