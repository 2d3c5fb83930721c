import type { Family, FamilyPart, Setting, Step, StepAction } from './format';
import { memberId, memberName } from './member';

type Phase = 'teardown' | 'rebuild' | 'test';
type Steps = readonly Step[];

interface Repeating {
  readonly family: Pick<Family, 'sets' | 'points'>;
  readonly counts: Readonly<Record<string, number>>;
  /** Parts as one member has them, by their reference. */
  readonly parts: ReadonlyMap<string, FamilyPart>;
  /** Over which set a step or an action of any phase repeats, by its id; what does not repeat is not there. */
  readonly perOf: ReadonlyMap<string, string>;
}

interface Member {
  readonly set: string;
  readonly number: number;
  readonly of: number;
  readonly name: string;
}

const membersOf = ({ family, counts }: Repeating, set: string): readonly Member[] => {
  const of = counts[set] ?? 0;
  return Array.from({ length: of }, (_, i) => ({ set, number: i + 1, of, name: memberName(family, set, i + 1) }));
};

/** The id by which another element is reached from one member: the same member's, where that repeats with it. */
const reach =
  ({ perOf }: Repeating, member: Member | undefined) =>
  (id: string): string =>
    member && perOf.get(id) === member.set ? memberId(id, member.number) : id;

/** How many of a part there are where it is counted: those of this member, or of all. */
function countExpected(ref: string, repeating: Repeating, member: Member | undefined): number | undefined {
  const part = repeating.parts.get(ref);
  if (!part) return undefined;
  const times = part.per === undefined || part.per === member?.set ? 1 : (repeating.counts[part.per] ?? 0);
  return part.quantity * times;
}

/** The points that a name reaches: the member's own, those of all members where none is meant, or the one point. */
function pointsReached(id: string, repeating: Repeating, member: Member | undefined): readonly string[] {
  const per = repeating.family.points.find((point) => point.id === id)?.per;
  if (per === undefined) return [id];
  if (per === member?.set) return [memberId(id, member.number)];
  return membersOf(repeating, per).map((one) => memberId(id, one.number));
}

function reachedAnswer(answer: StepAction['answer'], repeating: Repeating, member: Member | undefined) {
  if (!answer) return undefined;
  const to = reach(repeating, member);
  const isMember = (id: string) =>
    member !== undefined && repeating.family.points.some((point) => point.id === id && point.per === member.set);
  if (answer.kind === 'measure')
    return { ...answer, points: answer.points.flatMap((id) => pointsReached(id, repeating, member)) };
  const reached = (from: Setting['from']): Setting['from'] =>
    Object.fromEntries(
      Object.entries(from).map(([field, source]) => [
        field,
        {
          ...source,
          ...(source.action !== undefined && { action: to(source.action) }),
          ...(source.point !== undefined &&
            isMember(source.point) && { point: memberId(source.point, member?.number ?? 0) }),
        },
      ]),
    );
  if (answer.kind === 'setting') return { ...answer, from: reached(answer.from) };
  if (answer.kind === 'record')
    return { ...answer, ...(answer.judge && { judge: { ...answer.judge, from: reached(answer.judge.from) } }) };
  if (answer.kind === 'heat' && answer.seat !== undefined && isMember(answer.seat))
    return { ...answer, seat: memberId(answer.seat, member?.number ?? 0) };
  if (answer.kind === 'photo') return { ...answer, ...(answer.beside !== undefined && { beside: to(answer.beside) }) };
  const agreed =
    'agrees_with' in answer && answer.agrees_with !== undefined ? { agrees_with: to(answer.agrees_with) } : {};
  if (answer.kind === 'count' && answer.of !== undefined) {
    const expect = answer.expect ?? countExpected(answer.of, repeating, member);
    return { ...answer, ...agreed, ...(expect !== undefined && { expect }) };
  }
  return { ...answer, ...agreed };
}

function actionOf(action: StepAction, repeating: Repeating, member: Member | undefined): StepAction {
  const to = reach(repeating, member);
  const answer = reachedAnswer(action.answer, repeating, member);
  return {
    ...action,
    id: to(action.id),
    ...(member && { member }),
    ...(action.after && { after: action.after.map(to) }),
    ...(answer && { answer }),
  };
}

/** The actions of a step: those that repeat over a set of their own, once a member. */
function actionsOf(step: Step, repeating: Repeating, member: Member | undefined): StepAction[] {
  return step.actions.flatMap((action) => {
    if (action.per === undefined) return [actionOf(action, repeating, member)];
    return membersOf(repeating, action.per).map((own) => ({
      ...actionOf(action, repeating, own),
      title: `${action.title ?? action.do[0] ?? ''}, ${own.name}`,
    }));
  });
}

function stepOf(step: Step, repeating: Repeating, member: Member | undefined): Step {
  const to = reach(repeating, member);
  return {
    ...step,
    id: to(step.id),
    ...(member && { member, title: `${step.title}, ${member.name}` }),
    ...(step.after && { after: step.after.map(to) }),
    actions: actionsOf(step, repeating, member),
  };
}

/** Neighbours that repeat over the same set go together: all of the first member, then all of the next. */
function runsOf(steps: Steps): readonly (readonly Step[])[] {
  const runs: Step[][] = [];
  for (const step of steps) {
    const last = runs.at(-1);
    if (last && step.per !== undefined && last[0]?.per === step.per) last.push(step);
    else runs.push([step]);
  }
  return runs;
}

/** Which set each step and action of a family repeats over, by id; an action repeats with its step. */
export function repeatingIds(family: Pick<Family, 'teardown' | 'rebuild' | 'test'>): ReadonlyMap<string, string> {
  const all = [...family.teardown, ...family.rebuild, ...family.test.steps];
  return new Map(
    all.flatMap((step) => [
      ...(step.per === undefined ? [] : [[step.id, step.per] as const]),
      ...step.actions.flatMap((action) => {
        const per = action.per ?? step.per;
        return per === undefined ? [] : [[action.id, per] as const];
      }),
    ]),
  );
}

/**
 * The steps of a phase as one pump has them: those that repeat over a set once a member, in the order in which the
 * members are reached; of a stack, teardown meets the last one first.
 */
export function repeatSteps(steps: Steps, phase: Phase, repeating: Repeating): Step[] {
  return runsOf(steps).flatMap((run) => {
    const per = run[0]?.per;
    if (per === undefined) return run.map((step) => stepOf(step, repeating, undefined));
    const set = repeating.family.sets.find((one) => one.id === per);
    const members = membersOf(repeating, per);
    const isReversed = (set?.stacked && phase === 'teardown') || (set?.first_outside && phase === 'rebuild');
    const inOrder = isReversed ? members.toReversed() : members;
    return inOrder.flatMap((member) => run.map((step) => stepOf(step, repeating, member)));
  });
}
