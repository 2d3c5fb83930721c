import { readFileSync } from 'node:fs';
import { buildFamily, loadFamily } from '../family';
import { exampleRecord } from '../record/example-record';
import { minutesAt, shopPlan, usualWork, workAhead, type ShopPlanAsked } from '.';
import { cleaningMinutes, rebuildMinutes } from './places-of-work';

const shipped = (name: string, build = {}) =>
  buildFamily(loadFamily(JSON.parse(readFileSync(`families/${name}.json`, 'utf8'))), build);
const overhung = shipped('f1-overhung');
const packed = shipped('f9-belt-packed');
const screw = shipped('f8-two-screw');

describe('cleaning that is sold with the teardown', () => {
  test('is planned at its own station: together they are what is sold', () => {
    // The file: “Teardown and cleaning” of 210 minutes, 60 of them cleaning.
    expect([minutesAt(overhung, 'teardown'), minutesAt(overhung, 'clean')]).toEqual([150, 60]);
  });
  test('falls to washer and cabinet by how often the parts name each', () => {
    const part = (method: string) => ({ ...overhung.parts[0], soft: false, stays: undefined, clean: { method } });
    const labour = [{ id: 'c', title: 'Cleaning', minutes: 60, station: 'clean', machining: false }];
    const family = (...methods: string[]) => ({ labour, parts: methods.map(part) }) as never;
    expect(cleaningMinutes(family('parts washer', 'parts washer', 'parts washer, then blast the rough faces'))).toEqual(
      {
        ...{ washer: 45, cabinet: 15 },
      },
    );
    // A few minutes are no operation of their own.
    expect(cleaningMinutes(family(...Array<string>(9).fill('parts washer'), 'blast the rough faces'))).toEqual({
      ...{ washer: 60, cabinet: 0 },
    });
  });
});

describe('a rebuild', () => {
  const step = (...tools: (string | undefined)[]) => ({
    actions: tools.map((tool) => ({ tool, tools: tool === 'balancing machine' ? [tool] : [] })),
  });
  const family = (rebuild: object[]) =>
    ({ rebuild, labour: [{ id: 'r', title: 'Rebuild', minutes: 240, station: 'rebuild', machining: false }] }) as never;
  const before = exampleRecord({ station: 'parts' });

  test('falls to press and balancer by the actions that name them, the rest to the bench', () => {
    // Four steps of 60 minutes: half of one at the press, all of one at the balancer.
    const steps = [step('press', undefined), step('balancing machine'), step(undefined), step()];
    expect(rebuildMinutes(before, family(steps))).toEqual({ press: 30, balancer: 60, bench: 150 });
  });
  test('takes a machine for no less than setting it up', () => {
    // Thirty actions of two minutes each, three of them at the press: ten minutes each, and one at the balancer: 45.
    const tools = ['press', 'press', 'press', 'balancing machine', ...Array<undefined>(26).fill(undefined)];
    expect(rebuildMinutes(before, family([step(...tools), step(), step(), step()]))).toEqual({
      ...{ press: 30, balancer: 45, bench: 165 },
    });
  });
  test('that is over takes nothing any more', () =>
    expect(rebuildMinutes(exampleRecord({ station: 'test' }), family([step('press')]))).toEqual({
      ...{ press: 0, balancer: 0, bench: 0 },
    }));
});

describe('what cools, cures and dries', () => {
  const rests = (station: 'clean' | 'inspect' | 'rebuild' | 'test') =>
    workAhead(exampleRecord({ station }), packed).flatMap(({ title, wait, after }) =>
      wait?.kind === 'rest' ? [[title, wait.leadDays * 24, after]] : [],
    );
  test('takes its hours after the work, and nobody’s hand', () => {
    expect(rests('clean')).toEqual([
      ['Parts cool to the room before they are measured', 2, ['clean']],
      ['Paint dries', 12, ['rebuild']],
    ]);
  });
  test('is over when the work after it has begun', () => {
    expect(rests('inspect')).toEqual([['Paint dries', 12, ['rebuild']]]);
    expect(rests('test')).toEqual([]);
  });
  test('stands in what a pump is likely to need that nobody has seen', () =>
    expect(usualWork(packed).filter(({ wait }) => wait?.kind === 'rest')).toHaveLength(2));
});

test('a shop without a cabinet, a press or a balancer does that work where its other place is', () => {
  const work = workAhead(exampleRecord({ station: 'clean' }), screw);
  const places = (skills: ShopPlanAsked['resources'][number]['skills']) => {
    const resources = skills.map((skill) => ({
      ...{ id: skill, name: skill, kind: 'place' as const, skills: [skill], calendarId: null },
    }));
    const { jobs } = shopPlan({
      ...{ now: '2026-11-23T07:00', calendars: [], absences: [], wishes: [], budgetMs: 100, resources },
      ...{ answerDays: { p10: 1, p50: 3, p90: 7 } },
      pumps: [{ tag: 'P-1', promisedOn: '2026-12-20', weight: 1, holdUntil: null, work }],
    });
    return jobs[0]?.operations.find(({ id }) => id === 'blast')?.needs;
  };
  expect(work.some(({ id }) => id === 'blast')).toBe(true);
  expect(places(['bench', 'cabinet'])).toEqual(['bench hand', 'cabinet']);
  expect(places(['bench'])).toEqual(['bench hand']);
});
