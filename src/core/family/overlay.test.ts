import f1 from '../../../test-support/plain-overhung.json';
import { present } from '../present';
import { bringUpToDate, currentFormat } from './formats';
import { loadFamily } from './load-family';
import { applyOverlay, isOverlay, OverlayError, overlayFormat, overlaySchema, type Overlay } from './overlay';
import { changeable, makeOwnVariant, readOverlay } from './own-variant';

const base = loadFamily(f1);
const { written } = base;
const overlay = (change: Partial<Overlay> = {}): Overlay => ({
  ...{ format: overlayFormat, id: 'S1', version: '1.0.0', title: 'Ours' },
  ...{ extends: { family: 'F1', version: base.version }, set: {}, add: [], leave_out: [] },
  ...change,
});
const resolved = (change: Partial<Overlay>) => loadFamily(applyOverlay(overlay(change), base)).written;
const faultsOf = (change: Partial<Overlay>) => {
  try {
    applyOverlay(overlay(change), base);
    return [];
  } catch (error) {
    return error instanceof OverlayError ? error.faults.map((fault) => fault.path) : [`unexpected: ${String(error)}`];
  }
};
const point = (family: typeof written, id: string) => present(family.points.find((one) => one.id === id));

describe('an overlay', () => {
  test('that changes nothing is the family under its own id, title and version, saying what it was made from', () => {
    const family = resolved({});
    expect(family).toEqual({ ...written, id: 'S1', title: 'Ours', version: '1.0.0', made_from: `F1 ${base.version}` });
  });
  test('sets what it names by id, whatever its place in the list, and leaves the family as it was', () => {
    const before = structuredClone(base);
    const family = resolved({ set: { 'points/sleeve-diameter/reuse_mm/min': 44.9, 'parts/impeller/price_minor': 1 } });
    expect(point(family, 'sleeve-diameter').reuse_mm?.min).toBe(44.9);
    expect(present(family.parts.find((part) => part.ref === 'impeller')).price_minor).toBe(1);
    expect(base).toEqual(before);
  });
  test('sets a field that its element may have and did not', () => {
    const step = present(written.teardown.find((one) => one.mistake === undefined));
    const family = resolved({ set: { [`teardown/${step.id}/mistake`]: 'Pulled before it was drained.' } });
    expect(present(family.teardown.find((one) => one.id === step.id)).mistake).toBe('Pulled before it was drained.');
  });
  test('adds an element at the end of a list, or behind another', () => {
    const step = { ...present(written.teardown[0]), id: 'wash-down', title: 'Wash down' };
    const behind = present(written.teardown[0]).id;
    const end = resolved({ add: [{ to: 'teardown', element: step }] });
    expect(present(end.teardown.at(-1)).id).toBe('wash-down');
    const second = resolved({ add: [{ to: 'teardown', after: behind, element: step }] });
    expect(second.teardown.slice(0, 2).map((one) => one.id)).toEqual([behind, 'wash-down']);
  });
  test('leaves out what it names', () => {
    const family = resolved({ leave_out: ['points/sleeve-diameter'] });
    expect(family.points.map((one) => one.id)).not.toContain('sleeve-diameter');
    expect(family.points).toHaveLength(written.points.length - 1);
  });
  test('says every path that the family does not have', () => {
    expect(
      faultsOf({
        set: { 'points/no-such/new_mm/min': 1, 'nothing/at/all': 1, id: 'F9', 'points/0/new_mm/min': 1 },
        add: [
          { to: 'title', element: {} },
          { to: 'teardown', after: 'no-such', element: { id: 'x' } },
          { to: 'parts', element: { ref: 'impeller' } },
        ],
        leave_out: ['parts/no-such', 'title'],
      }),
    ).toEqual([
      'parts/no-such',
      'title',
      'points/no-such/new_mm/min',
      'nothing/at/all',
      'id',
      'points/0/new_mm/min',
      'title',
      'teardown/no-such',
      'parts/impeller',
    ]);
  });
  test.each(['__proto__', '__proto__/x', 'constructor/prototype/x', 'points/__proto__/x'])(
    'reaches nothing by %s',
    (path) => {
      expect(faultsOf({ set: { [path]: 1 } })).toEqual([path]);
      expect(({} as { x?: unknown }).x).toBeUndefined();
    },
  );
  test('goes through the same checks as a file: a limit that closes on nothing is said', () => {
    const { faults } = readOverlay(overlay({ set: { 'points/sleeve-diameter/new_mm/min': 99 } }), base);
    expect(faults.length).toBeGreaterThan(0);
    expect(readOverlay(overlay({ leave_out: ['parts/no-such'] }), base).faults.map((fault) => fault.path)).toEqual([
      'parts/no-such',
    ]);
  });
  test('is told from a whole family by its format', () => {
    expect([isOverlay(overlay()), isOverlay(f1), isOverlay(null), isOverlay('x')]).toEqual([true, false, false, false]);
    expect(overlaySchema.safeParse({ ...overlay(), id: 'F1' }).success).toBe(false);
  });
});

describe('changes that are made without a file', () => {
  test.each([
    'labour/rebuild/minutes',
    'parts/impeller/price_minor',
    'points/sleeve-diameter/new_mm/max',
    'rebuild/casing-on/actions/casing-on-torque/answer/window_nm/min',
    'teardown/drain/actions/drain-do/do',
    'teardown/drain/reason',
  ])('%s may be changed', (path) => expect(changeable.some((pattern) => pattern.test(path))).toBe(true));
  test.each(['id', 'points/sleeve-diameter/critical', 'labour/rebuild', 'points/x/new_mm/min/y', 'labour.0.minutes'])(
    '%s may not',
    (path) =>
      expect(() => makeOwnVariant(base, { id: 'S1', title: 't', changes: [{ path, value: 1 }] })).toThrow(
        `${path} cannot be changed here`,
      ),
  );
});

describe('a body of an older format', () => {
  const steps = [
    { from: 'a/1', to: 'a/2', migrate: (json: object) => ({ ...json, second: true }) },
    { from: 'a/2', to: 'a/3', migrate: (json: object) => ({ ...json, third: true }) },
  ];
  const given = { current: 'a/3', steps };
  test('is brought up by as many steps as it takes', () => {
    expect(bringUpToDate({ format: 'a/1', x: 1 }, given)).toEqual({ format: 'a/3', x: 1, second: true, third: true });
    expect(bringUpToDate({ format: 'a/2', x: 1 }, given)).toEqual({ format: 'a/3', x: 1, third: true });
  });
  test('of today stays as it is', () => {
    expect(bringUpToDate(f1)).toBe(f1);
    expect(f1.format).toBe(currentFormat);
  });
  test('that no step leads on from is refused by its name', () => {
    expect(() => bringUpToDate({ format: 'a/9' }, given)).toThrow('The format a/9 is not known here; a/3 is read.');
    const circle = { current: 'a/3', steps: [{ from: 'a/1', to: 'a/1', migrate: (json: object) => ({ ...json }) }] };
    expect(() => bringUpToDate({ format: 'a/1' }, circle)).toThrow('lead in a circle');
  });
  test.each([null, 7, 'x', [], {}])('%j is left for the schema to judge', (odd) =>
    expect(bringUpToDate(odd)).toBe(odd),
  );
});
