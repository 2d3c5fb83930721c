import { present } from '../present';
import { fault, type Faults } from './closure-fault';
import type { AnswerForm, Family, Step, StepAction } from './format';

/** What is taken down to be put back: marks, places, counts, which way round. */
function returns({ answer, once }: StepAction): boolean {
  if (once || !answer) return false;
  if (answer.kind === 'choice') return answer.about === 'orientation' || answer.about === 'thread hand';
  if (answer.kind === 'value') return answer.unit === 'mm' && !answer.window;
  return answer.kind === 'mark' || answer.kind === 'count';
}

const agreed = (answer: AnswerForm | undefined) => (answer && 'agrees_with' in answer ? answer.agrees_with : undefined);

const actionsOf = (steps: readonly Step[], phase: string) =>
  steps.flatMap((step, i) => step.actions.map((action, k) => ({ action, path: `${phase}.${i}.actions.${k}` })));

/** What is taken down at teardown comes back at rebuild, as the same kind of answer; counts agree with the parts list. */
export function checkCaptures(family: Family): Faults {
  const again = actionsOf(family.rebuild, 'rebuild');
  const before = new Map(actionsOf(family.teardown, 'teardown').map((one) => [one.action.id, one]));
  const asked = new Set(again.map(({ action }) => agreed(action.answer)));
  const lost = [...before.values()]
    .filter(({ action }) => returns(action) && !asked.has(action.id))
    .map(({ action, path }) =>
      fault(path, 'captured-again', `“${action.title ?? present(action.do[0])}” is not asked for again at rebuild`),
    );
  const loose = again.flatMap(({ action, path }) => {
    const with_ = agreed(action.answer);
    if (with_ === undefined) return [];
    const other = before.get(with_);
    if (!other) return [fault(path, 'captured-again', `there is no action “${with_}” at teardown`)];
    const kinds = [action.answer?.kind, other.action.answer?.kind];
    return kinds[0] === kinds[1]
      ? []
      : [fault(path, 'captured-again', `a ${String(kinds[0])} cannot agree with a ${String(kinds[1])}`)];
  });
  return [...lost, ...loose, ...checkCounts([...before.values(), ...again], family)];
}

type Placed = ReturnType<typeof actionsOf>;

/** What is counted of a part without a member of its own is as many as the parts list has. */
function checkCounts(actions: Placed, family: Family): Faults {
  const quantity = new Map(family.parts.map((part) => [part.ref, part.quantity]));
  return actions.flatMap(({ action: { answer, member }, path }) => {
    if (answer?.kind !== 'count' || answer.of === undefined || member) return [];
    const has = quantity.get(answer.of);
    return has === undefined || answer.expect === has
      ? []
      : [fault(path, 'counted', `${answer.expect} are expected, the parts list has ${has} of ${answer.of}`)];
  });
}
