import { migrateCheck, migrateStep } from './migrate-steps';

type Json = Readonly<Record<string, unknown>>;
const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The one axis of a family of format 1, whose variants were its only way of differing. */
const variantAxis = 'variant';

/** What is said of elements everywhere: their variants become a condition, once a pump goes without saying. */
function migrateElement(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(migrateElement);
  if (!isObject(value)) return value;
  const { variants, per, ...rest } = value;
  return {
    ...(Array.isArray(variants) && { when: { [variantAxis]: variants as unknown } }),
    ...(per !== undefined && per !== 'pump' && { per }),
    ...Object.fromEntries(Object.entries(rest).map(([key, own]) => [key, migrateElement(own)])),
  };
}

const mapList = (list: unknown, change: (one: Json) => Json) =>
  Array.isArray(list) ? list.map((one: unknown) => (isObject(one) ? change(one) : one)) : list;

/** `when` said in which phase a point is measured, and for which work a task is done; it says in which builds now. */
const renameWhen =
  (name: string) =>
  ({ when, ...rest }: Json): Json => ({ ...rest, ...(when !== undefined && { [name]: when }) });

function axesOf(variants: unknown): readonly Json[] {
  return Array.isArray(variants) && variants.length
    ? [{ id: variantAxis, title: 'Built as', choices: variants as unknown }]
    : [];
}

const setsOf = (stages: unknown): readonly Json[] =>
  isObject(stages) ? [{ id: 'stage', title: 'stage', plural: 'stages', count: stages, stacked: true }] : [];

/** Checks of the stand become steps, as everywhere else. */
function migrateTest(test: unknown): unknown {
  if (!isObject(test)) return test;
  const { checks, ...rest } = test;
  return { ...rest, steps: mapList(checks, migrateCheck) };
}

/** An element that an overlay adds to a list of a family, from the time when the list was of format 1 or today's. */
export function migrateAdded(list: string, element: unknown): unknown {
  if (!isObject(element)) return element;
  const renamed =
    list === 'points' && Array.isArray(element.when)
      ? renameWhen('measured')(element)
      : list === 'labour' && isObject(element.when) && 'part' in element.when
        ? renameWhen('on')(element)
        : element;
  const whole = migrateElement(renamed);
  const isStep = list === 'teardown' || list === 'rebuild';
  return isStep && isObject(whole) && 'do' in whole ? migrateStep(whole, list) : whole;
}

/**
 * A family file of format 1 as one of format 2: variants become the choices of one axis, stages a set; everything else
 * keeps its place and words.
 */
export function migrateFormat1({ variants, stages, points, labour, ...rest }: Json): Json {
  const body = migrateElement(rest) as Json;
  return {
    ...body,
    teardown: mapList(body.teardown, (step) => migrateStep(step, 'teardown')),
    rebuild: mapList(body.rebuild, (step) => migrateStep(step, 'rebuild')),
    test: migrateTest(body.test),
    axes: axesOf(variants),
    sets: setsOf(stages),
    points: migrateElement(mapList(points, renameWhen('measured'))),
    labour: migrateElement(mapList(labour, renameWhen('on'))),
  };
}
