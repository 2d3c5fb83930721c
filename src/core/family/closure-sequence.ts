import { fault, type Faults } from './closure-fault';
import type { Step } from './format';

interface Ordered {
  readonly id: string;
  readonly after?: readonly string[] | undefined;
}

/** What comes after another names one that stands before it in the list: so that the order can be done. */
function checkAfter(list: readonly Ordered[], path: string): Faults {
  return list.flatMap(({ id, after = [] }, i) =>
    after.flatMap((name) => {
      const at = list.findIndex((one) => one.id === name);
      if (at < 0) return [fault(`${path}.${i}.after`, 'sequence', `“${id}” comes after “${name}”, which is not here`)];
      return at < i
        ? []
        : [fault(`${path}.${i}.after`, 'sequence', `“${id}” comes after “${name}”, which stands behind it`)];
    }),
  );
}

/** The order of the steps of a phase, and of the actions of each. */
export function checkSequence(steps: readonly Step[], path: string): Faults {
  return [...checkAfter(steps, path), ...steps.flatMap((step, i) => checkAfter(step.actions, `${path}.${i}.actions`))];
}
