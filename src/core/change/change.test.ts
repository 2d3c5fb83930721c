import { present } from '../present';
import { createHash } from 'node:crypto';
import { canonical, chainEvent, type ChainedEvent } from '../lifecycle';
import { asId, recordOf, tablesOf, type FindingId, type JobRecord } from '../record';
import {
  exampleDisposition,
  exampleFinding,
  exampleLine,
  exampleQuote,
  exampleReading,
  exampleRecord,
} from '../record/example-record';
import { applyPuts, openingPuts, put, recordAfterEvents, replayRecord, verifyJob, type Put } from '.';

const sha256 = (text: string) => createHash('sha256').update(text).digest('hex');
const signed = { personId: null, personName: 'Marek', at: '2026-11-21T08:00:00.000Z' };
const findingId = asId<FindingId>('f-1');

/** A record with something of every nested kind. */
const full: JobRecord = exampleRecord({
  readings: [exampleReading('sleeve-diameter', 'A:0', 44.99)],
  findings: [exampleFinding({ id: findingId, disposition: exampleDisposition('replace', 'past use') })],
  quotes: [exampleQuote([exampleLine(), exampleLine({ id: asId('line-2'), description: 'Freight' })])],
  orders: [
    {
      id: asId('order-1'),
      number: 'PO-00001',
      supplier: 'Sillwater',
      acknowledgement: 'ACK',
      atRiskMinor: null,
      dueOn: '2026-12-01',
      lines: [{ id: asId('ol-1'), partRef: 'front-ring', number: 'n', quantity: 2, sent: 2, dueOn: null, received: 1 }],
      ...signed,
    },
  ],
  receipts: [{ id: 'r-1', lineId: asId('ol-1'), quantity: 1, number: '', variant: '', lot: '', note: '', ...signed }],
});

/** A chain of events, each holding the changes that its puts make. */
function chainOf(start: JobRecord, steps: readonly (readonly Put[])[]) {
  const events: ChainedEvent[] = [];
  let record = start;
  const append = (changes: unknown) =>
    events.push(
      chainEvent(
        {
          seq: events.length + 1,
          kind: 'k',
          personName: 'Ines',
          at: '2026-11-22T08:00:00.000Z',
          data: canonical({ changes }),
          previousHash: events.at(-1)?.hash ?? '',
        },
        sha256,
      ),
    );
  append(openingPuts(record).map((one) => ({ ...one, was: null })));
  for (const puts of steps) {
    const applied = applyPuts(record, puts);
    record = applied.record;
    append(applied.changes);
  }
  return { events, record: { ...record, version: events.length, headHash: present(events.at(-1)).hash } };
}

test('a record taken apart into rows and put together again is the same record', () => {
  expect(recordOf(tablesOf(full), full)).toEqual(full);
});

test('rows without a job are no record', () => {
  const tables = tablesOf(full);
  tables.job.clear();
  expect(() => recordOf(tables, full)).toThrow(RangeError);
});

describe('putting rows', () => {
  test('leaves the record before as it was', () => {
    const before = structuredClone(full);
    applyPuts(full, [put('intake', { ...full.intake, version: 2, liquid: 'brine' })]);
    expect(full).toEqual(before);
  });
  test('says of a new row that nothing was there, of a changed one the fields that differ and what they were', () => {
    const { changes } = applyPuts(full, [
      put('reading', exampleReading('sleeve-diameter', 'A:90', 45)),
      put('reading', { ...exampleReading('sleeve-diameter', 'A:0', 44.98), version: 2 }),
    ]);
    expect(changes.map((change) => change.was)).toEqual([null, { value: 44.99, typed: '44.99', version: 1 }]);
  });
  test('puts a disposition into its finding, a line into its quote, a receipt into what was received', () => {
    const { record } = applyPuts(full, [
      put('disposition', { findingId, action: 'rework', reason: 'sleeve it', version: 2, ...signed }),
      put('quoteLine', {
        ...exampleLine({ description: 'Two rings' }),
        quoteId: present(full.quotes[0]).id,
        position: 0,
      }),
      put('receipt', {
        id: 'r-2',
        lineId: asId('ol-1'),
        quantity: 1,
        number: '',
        variant: '',
        lot: '',
        note: '',
        ...signed,
      }),
    ]);
    expect(present(record.findings[0]).disposition).toMatchObject({ action: 'rework', version: 2 });
    expect(present(record.quotes[0]).lines.map((line) => line.description)).toEqual(['Two rings', 'Freight']);
    expect(present(present(record.orders[0]).lines[0]).received).toBe(2);
  });
  test('keeps rows in their order: findings by time, lines by position', () => {
    const earlier = { ...present(full.findings[0]), id: asId<FindingId>('f-0'), at: '2026-11-20T08:00:00.000Z' };
    const { disposition: _disposition, ...row } = earlier;
    const { record } = applyPuts(full, [put('finding', row)]);
    expect(record.findings.map((finding) => finding.id)).toEqual(['f-0', 'f-1']);
  });
});

describe('replay', () => {
  const steps: readonly (readonly Put[])[] = [
    [put('intake', { ...full.intake, version: 2, liquid: 'brine' })],
    [put('reading', { ...exampleReading('sleeve-diameter', 'A:0', 44.97), version: 2 })],
    [
      put('receipt', {
        id: 'r-2',
        lineId: asId('ol-1'),
        quantity: 1,
        number: '',
        variant: '',
        lot: '',
        note: 'late',
        ...signed,
      }),
    ],
  ];
  const { events, record } = chainOf(full, steps);

  test('gives the record that the changes made, from the opening event on', () => {
    expect(replayRecord(events, record)).toEqual(record);
    expect(verifyJob({ record, events, sha256 })).toBeNull();
  });
  test('passes over events from before changes were kept', () => {
    const old = chainEvent(
      { seq: 0, kind: 'old', personName: 'Ines', at: 'x', data: canonical({ liquid: 'oil' }), previousHash: '' },
      sha256,
    );
    expect(replayRecord([old, ...events], record)).toEqual(record);
  });
  describe('on from a record as it stood', () => {
    const standing = chainOf(full, steps.slice(0, 1)).record;
    const { headHash } = record;
    const on = (own: readonly ChainedEvent[], head = headHash) =>
      recordAfterEvents(standing, { events: own, headHash: head, sha256 });
    test('gives the record that all changes made, and shares what none of them touched', () => {
      const after = on(events.slice(2));
      expect(after).toEqual(record);
      expect([after?.intake === standing.intake, after?.readings === standing.readings]).toEqual([true, false]);
    });
    test('gives none for events that are not those which follow, or end elsewhere', () => {
      const late = events.map((event) => ({ ...event, data: event.data.replace('late', 'soon') }));
      const [, , third, fourth] = events;
      expect([
        ...[on(events.slice(1)), on([present(fourth)]), on([present(third)]), on(late.slice(2))],
        on(events.slice(2), present(third).hash),
      ]).toEqual([null, null, null, null, null]);
    });
    test('gives none where an event holds no changes', () => {
      const event = { seq: 3, kind: 'old', personName: 'Ines', at: 'x', data: '{}', previousHash: standing.headHash };
      const old = chainEvent(event, sha256);
      expect(on([old], old.hash)).toBeNull();
    });
  });
  test('names the row and field that no event put there', () => {
    const [reading] = record.readings;
    const altered = { ...record, readings: [{ ...present(reading), value: 45.002 }] };
    expect(verifyJob({ record: altered, events, sha256 })).toEqual({
      seq: null,
      what: 'reading sleeve-diameter A:0 as-found 1: value',
      replayed: 44.97,
      stored: 45.002,
    });
  });
  test('names a row that is gone and a row that nobody entered', () => {
    const gone = verifyJob({ record: { ...record, receipts: [] }, events, sha256 });
    expect(gone).toMatchObject({ what: 'receipt r-1: at', stored: 'no such row' });
    const extra = { ...present(record.receipts[0]), id: 'r-9' };
    const more = verifyJob({ record: { ...record, receipts: [...record.receipts, extra] }, events, sha256 });
    expect(more).toMatchObject({ what: 'receipt r-9: at', replayed: 'no such row' });
  });
  test('names an event whose changes were altered', () => {
    const altered = events.map((event) => ({ ...event, data: event.data.replace('brine', 'water') }));
    expect(verifyJob({ record, events: altered, sha256 })).toMatchObject({ seq: 2, what: 'it was changed' });
  });
});
