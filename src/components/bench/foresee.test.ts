import { nextAction, workOf } from '@/core/bench';
import { present } from '@/core/present';
import { asId } from '@/core/record';
import { exampleRecord } from '@/core/record/example-record';
import { exampleFamily } from '../../../test-support/example-view';
import { foresee } from './foresee';

const [step] = exampleFamily.teardown;
const entry = (actionId: string, change: object = {}) => ({
  ...{ tag: asId<never>('P-0417'), phase: 'teardown' as const, actionId, typed: '', basedOn: 0 },
  ...change,
});
const record = exampleRecord({ station: 'teardown' });
const next = (of: typeof record) => nextAction(workOf(of, exampleFamily, 'teardown'))?.action.action.id;

test('with nothing waiting the record is as it is', () => expect(foresee(record, exampleFamily, [])).toBe(record));

test('each waiting answer moves the bench on; the last of a step closes it', () => {
  const ids = present(step).actions.map((action) => action.id);
  const all = foresee(
    record,
    exampleFamily,
    ids.map((id) => entry(id, { typed: '12' })),
  );
  expect(all.answers.map((one) => [one.actionId, one.typed, one.personName, one.at])).toEqual(
    ids.map((id) => [id, '12', 'waits here', '']),
  );
  expect(all.steps).toMatchObject([{ stepId: present(step).id, state: 'done', version: 1 }]);
  expect(next(all)).toBe(present(exampleFamily.teardown[1]?.actions[0]).id);
});

test('a correction that waits stands in place of what was answered', () => {
  const [first] = present(step).actions;
  const once = foresee(record, exampleFamily, [entry(present(first).id, { typed: '1' })]);
  const twice = foresee(once, exampleFamily, [entry(present(first).id, { typed: '2', basedOn: 1 })]);
  expect(twice.answers).toMatchObject([{ typed: '2', version: 2 }]);
});

test('what is said not to be possible is foreseen as that', () => {
  const [first] = present(step).actions;
  const told = entry(present(first).id, { notPossible: true, reason: 'it came in pieces' });
  expect(foresee(record, exampleFamily, [told]).answers).toMatchObject([
    { state: 'not possible', data: { reason: 'it came in pieces' } },
  ]);
});

test('an entry for an action that the family has not got closes nothing', () =>
  expect(foresee(record, exampleFamily, [entry('no-such')]).steps).toEqual([]));
