import { noteSection } from '.';
import type { Drawn } from './section-drawing';

/** A shaft with a wheel at its wet end and a coupling at its drive end, 300 mm long, 80 mm high to either side. */
const body = (
  part: string,
  x: [number, number],
  r: [number, number],
  side: 'wet end' | 'drive',
  change: object = {},
) => ({
  ...{ part, symbol: 'plate' as const, line: 0, half: 'both' as const, x, r, side },
  ...change,
});
const bodies = [
  body('wheel', [20, 60], [10, 70], 'wet end'),
  body('nut', [10, 20], [0, 12], 'wet end'),
  body('coupling', [250, 290], [10, 40], 'drive'),
  body('idler', [30, 50], [0, 20], 'wet end', { line: 1, half: 'bottom' }),
];
const drawn = (change: object = {}) =>
  ({
    ...{ version: '1.0.0', sets: [], parts: [], points: [] },
    section: { axis: 'horizontal', length: 300, radius: 80, lines: [{ y: 0 }, { y: 25 }], bodies, ...change },
  }) as unknown as Drawn;

test('a lit part is named over the drawing, with a line from its own outside', () => {
  const { notes, arrow } = noteSection(drawn(), { lit: ['coupling'], moves: 'none' });
  // Its middle is at 270, its outside 40 above the shaft; the name keeps 70 from the end of the drawing.
  expect(notes).toEqual([{ part: 'coupling', x: 270, y: -40, labelX: 230, labelY: -102 }]);
  expect(arrow).toBeNull();
});
test('one below its own shaft line is pointed at from there', () => {
  const { notes } = noteSection(drawn(), { lit: ['idler'], moves: 'none' });
  // Its line lies 25 above the middle, its outside 20 below that line.
  expect(notes[0]).toMatchObject({ x: 40, y: -5 });
});
test('names of neighbours keep apart, parts that are not drawn have none, and there are three at most', () => {
  const { notes } = noteSection(drawn(), { lit: ['wheel', 'nut', 'gasket'], moves: 'none' });
  const [one, other] = notes.map(({ labelX }) => labelX).toSorted((a, b) => a - b);
  expect(notes).toHaveLength(2);
  expect((other ?? 0) - (one ?? 0)).toBe(150);
  const many = ['wheel', 'nut', 'coupling', 'idler', 'wheel'];
  expect(noteSection(drawn(), { lit: many, moves: 'none' }).notes).toHaveLength(3);
});
test('an arrow along the shaft points to the end that is meant, wherever that is drawn', () => {
  const along = (moves: 'toward drive' | 'toward wet end', change: object = {}) =>
    noteSection(drawn(change), { lit: ['wheel'], moves }).arrow;
  expect(along('toward drive')).toEqual({ kind: 'along', from: [12, 104], to: [68, 104] });
  expect(along('toward wet end')).toEqual({ kind: 'along', from: [68, 104], to: [12, 104] });
  const turned = bodies.map((one) => ({ ...one, side: one.side === 'drive' ? 'wet end' : 'drive' }));
  expect(along('toward drive', { bodies: turned })).toEqual({ kind: 'along', from: [68, 104], to: [12, 104] });
});
test('upright it points up or down', () =>
  expect(noteSection(drawn({ axis: 'vertical' }), { lit: ['wheel'], moves: 'toward drive' }).arrow).toEqual({
    ...{ kind: 'along', from: [104, 288], to: [104, 232] },
  }));
test('a turn is about the shaft; nothing lit moves nowhere', () => {
  const turn = (moves: 'clockwise' | 'anticlockwise', lit = ['nut']) => noteSection(drawn(), { lit, moves }).arrow;
  expect(turn('clockwise')).toEqual({ kind: 'around', at: [15, 104], isClockwise: true });
  expect(turn('anticlockwise')).toMatchObject({ isClockwise: false });
  expect(turn('clockwise', ['gasket'])).toBeNull();
});
