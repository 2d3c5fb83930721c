import { fault, type ClosureFault, type Faults } from './closure-fault';
import type { FamilyFile } from './format';

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

interface Found {
  readonly path: string;
  readonly key: 'when' | 'per' | 'size';
  readonly value: unknown;
}

/** Every condition, repetition and figure by size in a file, with its path. */
function found(value: unknown, path: string): readonly Found[] {
  if (Array.isArray(value)) return value.flatMap((one, i) => found(one, path ? `${path}.${i}` : String(i)));
  if (!isObject(value)) return [];
  const column = value.size;
  if (typeof column === 'string' && Object.keys(value).length === 1) return [{ path, key: 'size', value: column }];
  return Object.entries(value).flatMap(([key, own]) => {
    const at = path ? `${path}.${key}` : key;
    if (key === 'when' || key === 'per') return [{ path: at, key, value: own }];
    return found(own, at);
  });
}

function checkWhen({ path, value }: Found, { axes }: FamilyFile): Faults {
  if (!isObject(value)) return [];
  return Object.entries(value).flatMap(([name, wanted]): Faults => {
    const axis = axes.find((one) => one.id === name);
    if (!axis) return [fault(path, 'known-choice', `there is no axis “${name}”`)];
    const choices = new Set(axis.choices.map((one) => one.id));
    return [wanted]
      .flat()
      .filter((choice) => typeof choice === 'string' && !choices.has(choice))
      .map((choice) => fault(path, 'known-choice', `“${name}” has no choice “${String(choice)}”`));
  });
}

function checkSizes({ sizes }: FamilyFile): Faults {
  const [first, ...others] = sizes;
  if (!first) return [];
  const columns = Object.keys(first.values);
  return others.flatMap(({ id, values }, i) => {
    const lacking = columns.filter((column) => !(column in values));
    const surplus = Object.keys(values).filter((column) => !columns.includes(column));
    return [...lacking, ...surplus].map((column) =>
      fault(`sizes.${i + 1}.values`, 'size-figures', `“${column}” stands in some rows and not in that of ${id}`),
    );
  });
}

/** What is found out at teardown is an axis, and asked by the titles of its choices. */
function checkAxesAsked({ axes, written }: FamilyFile): Faults {
  const asked = written.teardown.flatMap((step, i) =>
    step.actions.flatMap(({ answer }, k) =>
      answer?.kind === 'choice' && answer.axis !== undefined
        ? [{ answer, path: `teardown.${i}.actions.${k}.answer` }]
        : [],
    ),
  );
  const open = axes.filter(
    ({ id, asked: when }) => when === 'teardown' && !asked.some((one) => one.answer.axis === id),
  );
  return [
    ...asked.flatMap(({ answer, path }): Faults => {
      const axis = axes.find((one) => one.id === answer.axis);
      if (!axis) return [fault(`${path}.axis`, 'known-choice', `there is no axis “${answer.axis ?? ''}”`)];
      const titles = axis.choices.map(({ title }) => title);
      return titles.join('|') === answer.choices.join('|')
        ? []
        : [fault(`${path}.choices`, 'known-choice', `the choices of ${axis.id} are ${titles.join(', ')}`)];
    }),
    ...open.map(({ id }) =>
      fault(
        `axes.${axes.findIndex((axis) => axis.id === id)}`,
        'known-choice',
        `“${id}” is found at teardown and asked nowhere there`,
      ),
    ),
  ];
}

/** Axes, choices, sets and columns of the size table that are named and do not exist. */
export function checkConditions(file: FamilyFile): Faults {
  const sets = new Set(file.sets.map((one) => one.id));
  const columns = new Set(Object.keys(file.sizes[0]?.values ?? {}));
  const named = found(file.written, '').flatMap((one): readonly ClosureFault[] => {
    if (one.key === 'when') return checkWhen(one, file);
    const name = String(one.value);
    if (one.key === 'per') return sets.has(name) ? [] : [fault(one.path, 'known-choice', `there is no set “${name}”`)];
    return columns.has(name) ? [] : [fault(one.path, 'size-figures', `the size table has no column “${name}”`)];
  });
  return [...named, ...checkSizes(file), ...checkAxesAsked(file)];
}
