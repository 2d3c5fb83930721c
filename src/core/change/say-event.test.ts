import { canonical } from '../lifecycle';
import { exampleFamily } from '../../../test-support/example-view';
import { namesIn, put, putAll, sayEvent } from '.';
import { tablesOf } from '../record';
import { exampleReading, exampleRecord } from '../record/example-record';

const record = exampleRecord({ readings: [exampleReading('sleeve-diameter', 'A:0', 44.99)] });
const said = (puts: Parameters<typeof putAll>[1], note: object = {}) =>
  sayEvent(canonical({ ...note, changes: putAll(tablesOf(record), puts) }));

test('a new row is said by what it is about and what it says', () => {
  expect(said([put('reading', exampleReading('wet-seat', 'B:90', 45.002))])).toEqual(['reading wet-seat B:90: 45.002']);
});
test('with its family a row is said by the names of parts, points and steps, none of them twice', () => {
  const nameOf = namesIn(exampleFamily);
  const point = exampleFamily.points.find(({ id }) => id === 'ring-bore');
  const reading = put('reading', exampleReading('ring-bore', 'B:90', 100.36));
  const words = (puts: Parameters<typeof putAll>[1]) =>
    sayEvent(canonical({ changes: putAll(tablesOf(record), puts) }), nameOf);
  expect(words([reading])).toEqual([`reading “${point?.title}” B:90: 100.36`]);
  const finding = {
    ...{ id: 'f', kind: 'point', pointId: 'ring-bore', partRef: 'front-ring', verdict: 'out' },
    words: 'Front wear ring bore: out. 100.81 mm is past the limit',
  };
  expect(words([put('finding', finding as never)])).toEqual([
    'finding: Front wear ring bore: out. 100.81 mm is past the limit, out',
  ]);
  // What the family does not know is said as it stands.
  expect(words([put('reading', exampleReading('odd-point', 'A:0', 1))])).toEqual(['reading odd-point A:0: 1']);
});
test('a changed row is said by the fields that differ, with old and new values', () => {
  const intake = { ...record.intake, version: 2, liquid: 'brine', runningHours: null };
  expect(said([put('intake', intake)])).toEqual([
    'as received: liquid pond water → brine; running hours 100 → nothing',
  ]);
});
test('an entry that waited says when it was made', () => {
  const reading = { ...exampleReading('sleeve-diameter', 'A:0', 44.98), version: 2 };
  expect(said([put('reading', reading)], { madeAt: '2026-11-24T06:00:00.000Z', phase: 'as-found' })).toEqual([
    'made at 2026-11-24T06:00:00.000Z, and waited on its device',
    'reading sleeve-diameter A:0: typed 44.99 → 44.98',
  ]);
});
test('a sheet is said by its name and what is in it; a changed one by what differs', () => {
  const who = { personId: null, personName: 'Ines', at: '2026-11-24T06:00:00.000Z' };
  const body = { fate: 'scrapped', saidBy: 'Fern', words: 'scrap it', reassembled: null } as const;
  const fate = { kind: 'fate', key: 'one', version: 1, body, ...who } as const;
  expect(said([put('sheet', fate)])).toEqual(['owner’s word: fate scrapped, said by Fern, words scrap it']);
  const later = { ...fate, version: 2, body: { ...body, fate: 'donor' as const } };
  const policy = { matter: 'soft parts', school: 'by condition', reason: 'new last year' } as const;
  const way = { kind: 'policy', key: 'soft parts', version: 1, body: policy, ...who } as const;
  expect(said([put('sheet', fate), put('sheet', later), put('sheet', way)]).slice(1)).toEqual([
    'owner’s word: fate scrapped → donor',
    'way soft parts: matter soft parts, reason new last year, school by condition',
  ]);
});
test('many rows are cut short and counted', () => {
  const puts = Array.from({ length: 30 }, (_, i) => put('reading', exampleReading(`p-${i}`, 'A:0', 1)));
  const lines = said(puts);
  expect(lines).toHaveLength(13);
  expect(lines.at(-1)).toBe('and 18 more');
});
test('an event from before changes were kept says what it noted', () => {
  expect(sayEvent(canonical({ stepId: 'drain', phase: 'teardown', cautions: ['x'] }))).toEqual([
    'phase teardown · step id drain',
  ]);
});
test('an answer from before actions is told by its own name', () => {
  const row = { captureId: 'seal-length', typed: '12.0' };
  expect(sayEvent(canonical({ changes: [{ put: 'capture', row, was: null }] }))).toEqual(['capture seal-length: 12.0']);
});
test.each(['[]', '7', 'null', '{"changes":"odd"}'])('%s is passed over', (data) => expect(sayEvent(data)).toEqual([]));
