import { present } from '../present';
import { createHash } from 'node:crypto';
import f1 from '../../../test-support/plain-overhung.json';
import { buildFamily, loadFamily } from '../family';
import {
  exampleDisposition,
  exampleFinding,
  exampleLine,
  exampleQuote,
  exampleReading,
  exampleRecord,
  exampleStep,
} from '../record/example-record';
import {
  asId,
  holders,
  stations,
  type Finding,
  type FindingId,
  type JobRecord,
  type OrderId,
  type OrderLineId,
  type Station,
} from '../record';
import {
  allowedEvents,
  answerLine,
  canonical,
  chainEvent,
  eventKinds,
  findBrokenEvent,
  gateFor,
  sayMissing,
  sayMove,
  parseTag,
  standingOf,
  standingSchema,
  transition,
  writeTag,
  type ChainedEvent,
  type EventKind,
  type LifecycleState,
} from '.';
import { holderAt } from './transition';

const family = buildFamily(loadFamily(f1));
const sha256 = (text: string) => createHash('sha256').update(text).digest('hex');
const hold = { reason: 'drawing is looked for', holder: 'C' as const, until: '2026-12-01' };
const state = (station: Station, change: Partial<LifecycleState> = {}): LifecycleState => ({
  station,
  hold: null,
  outcome: 'open',
  closed: false,
  ...change,
});

/** Every move there is, written out by hand from the handbook: at which station, what happens, and where that leads. */
const moveTable: readonly (readonly [Station, EventKind, Station])[] = [
  ['receive', 'begin-teardown', 'teardown'],
  ['teardown', 'finish-teardown', 'clean'],
  ['clean', 'finish-cleaning', 'inspect'],
  ['inspect', 'finish-inspection', 'quote'],
  ['quote', 'send-quote', 'approve'],
  ['approve', 'revise-quote', 'quote'],
  ['approve', 'accept-quote', 'parts'],
  ['approve', 'decline-quote', 'return'],
  ['parts', 'start-rebuild', 'rebuild'],
  ['rebuild', 'finish-rebuild', 'test'],
  ['test', 'fail-test', 'rebuild'],
  ['test', 'pass-test', 'report'],
  ['report', 'finish-report', 'return'],
  ['return', 'close', 'return'],
  // Ways back, and the way out where something critical was declined.
  ['clean', 'reopen-teardown', 'teardown'],
  ['inspect', 'reopen-cleaning', 'clean'],
  ['quote', 'reopen-inspection', 'inspect'],
  ['approve', 'reopen-inspection', 'inspect'],
  ['parts', 'reopen-quote', 'quote'],
  ['parts', 'decline-quote', 'return'],
  ['parts', 'return-as-it-is', 'return'],
  ['rebuild', 'reopen-parts', 'parts'],
  ['rebuild', 'return-as-it-is', 'return'],
  ['test', 'reopen-rebuild', 'rebuild'],
  ['test', 'return-as-it-is', 'return'],
  ['report', 'reopen-test', 'test'],
  ['return', 'reopen-report', 'report'],
  ['return', 'reopen-declined', 'quote'],
];
const leadsTo = (station: Station, event: EventKind) =>
  event === 'hold' ? station : moveTable.find(([from, what]) => from === station && what === event)?.[2];

/** Every other move leaves what becomes of the pump open. */
const outcomeAfter: Readonly<Record<string, string>> = {
  'pass-test': 'repaired',
  'decline-quote': 'declined',
  'return-as-it-is': 'declined',
};

describe('every state with every event', () => {
  const cases = stations.flatMap((station) => eventKinds.map((event) => [station, event] as const));
  test.each(cases)('%s, %s', (station, event) => {
    const open = transition(state(station), { event, missing: [], hold });
    const to = leadsTo(station, event);
    expect(open.ok ? open.state.station : undefined).toBe(to);
    expect(allowedEvents(state(station)).includes(event)).toBe(to !== undefined);
    if (!open.ok) expect(open.why).toBe(event === 'resume' ? 'not-on-hold' : 'wrong-station');
    // on hold nothing but taking it up again; closed nothing at all
    const held = transition(state(station, { hold }), { event, missing: [] });
    expect(held).toMatchObject(
      event === 'resume' ? { ok: true, state: state(station) } : { ok: false, why: 'on-hold' },
    );
    const closed = transition(state(station, { closed: true }), { event, missing: [], hold });
    expect(closed).toEqual({ ok: false, why: 'closed', missing: [] });
    expect(allowedEvents(state(station, { closed: true }))).toEqual([]);
    expect(allowedEvents(state(station, { hold }))).toEqual(['resume']);
    // a shut gate keeps the state and gives back what is missing
    const missing = [{ code: 'no-line', about: undefined, station, anchor: 'x' }] as const;
    const shut = transition(state(station), { event, missing, hold });
    if (to && event !== 'hold') expect(shut).toEqual({ ok: false, why: 'gate-shut', missing });
  });
  test('only a repaired pump or a declined one has an outcome, and only closing closes', () => {
    for (const [from, event] of moveTable) {
      const next = transition(state(from), { event, missing: [] });
      expect(next).toMatchObject({
        ok: true,
        state: {
          outcome: outcomeAfter[event] ?? 'open',
          closed: event === 'close',
          hold: null,
        },
        effects: event === 'close' ? ['holder-changed', 'closed'] : ['holder-changed'],
      });
    }
  });
  test('a hold needs what it is for, keeps it, and is taken off whole', () => {
    expect(transition(state('inspect'), { event: 'hold', missing: [] })).toMatchObject({ ok: false, why: 'gate-shut' });
    expect(transition(state('inspect'), { event: 'hold', missing: [], hold })).toEqual({
      ok: true,
      state: state('inspect', { hold }),
      effects: ['holder-changed'],
    });
  });
});

describe('who holds it', () => {
  const none = { toOrder: 0, awaited: null };
  test.each([
    ['receive', 'U'],
    ['teardown', 'B'],
    ['inspect', 'B'],
    ['quote', 'U'],
    ['approve', 'C'],
    ['rebuild', 'B'],
    ['test', 'S'],
    ['report', 'U'],
    ['return', 'U'],
  ] as const)('%s: %s', (station, holder) => expect(holderAt(state(station), none)).toBe(holder));
  test('at parts it is whoever has what still comes, once everything is seen to', () => {
    expect(holderAt(state('parts'), { toOrder: 2, awaited: 'P' })).toBe('U');
    for (const holder of ['P', 'O', 'C', 'U'] as const)
      expect(holderAt(state('parts'), { toOrder: 0, awaited: holder })).toBe(holder);
    expect(holderAt(state('parts'), none)).toBe('U');
  });
  test('on hold it is whoever the hold names; closed it is the customer', () => {
    for (const holder of holders) expect(holderAt(state('inspect', { hold: { ...hold, holder } }), none)).toBe(holder);
    expect(holderAt(state('return', { closed: true }), none)).toBe('C');
  });
});

describe('event chain', () => {
  const chain = () => {
    const events: ChainedEvent[] = [];
    for (let seq = 1; seq <= 5; seq++)
      events.push(
        chainEvent(
          {
            seq,
            kind: 'k',
            personName: 'Ines',
            at: `2026-11-2${seq}T08:00:00.000Z`,
            data: canonical({ n: seq }),
            previousHash: events.at(-1)?.hash ?? '',
          },
          sha256,
        ),
      );
    return events;
  };
  const broken = (events: readonly ChainedEvent[], headHash = present(chain().at(-1)).hash) =>
    findBrokenEvent({ events, headHash, sha256 });
  test('a whole chain is whole, an empty one too', () => {
    expect(broken(chain())).toBeNull();
    expect(broken([], '')).toBeNull();
  });
  test.each(['kind', 'personName', 'at', 'data'] as const)('a changed %s is found at its event', (key) => {
    const events = chain();
    events[2] = { ...present(events[2]), [key]: 'changed' };
    expect(broken(events)).toEqual({ seq: 3, why: 'it was changed' });
  });
  test('a changed event with its hash mended is found at the next one', () => {
    const events = chain();
    events[2] = chainEvent({ ...present(events[2]), data: 'changed' }, sha256);
    expect(broken(events)).toEqual({ seq: 4, why: 'it does not follow from the one before' });
  });
  test('a missing event is found: in the middle, at the start, at the end', () => {
    expect(broken(chain().toSpliced(2, 1))).toEqual({ seq: 3, why: 'an event is missing' });
    expect(broken(chain().slice(1))).toEqual({ seq: 1, why: 'an event is missing' });
    expect(broken(chain().slice(0, -1))).toEqual({ seq: 5, why: 'the last event is missing' });
  });
  test('canonical JSON does not depend on the order of members', () => {
    expect(canonical({ a: 1, b: { d: null, c: [1, 'x', undefined] } })).toBe(
      canonical({ b: { c: [1, 'x', undefined], d: null }, a: 1 }),
    );
  });
});

describe('tags', () => {
  test.each([
    ['P-0417', 'P-0417'],
    ['p417', 'P-0417'],
    ['0417', 'P-0417'],
    [' p-12345 ', 'P-12345'],
    ['QB-22871', null],
    ['', null],
    ['12345678', null],
  ])('%j is %j', (text, tag) => expect(parseTag(text)).toBe(tag));
  test('written tags are read again', () => {
    for (const number of [1, 417, 9999, 1234567]) expect(parseTag(writeTag(number))).toBe(writeTag(number));
  });
});

describe('gates', () => {
  const missing = (event: EventKind, record: JobRecord) =>
    gateFor(event, record, family).map((line) => sayMissing(line).words);
  test('teardown waits for liquid, paper, isolation and both acknowledgements', () => {
    const bare = exampleRecord({
      acknowledgements: [],
      intake: { ...exampleRecord().intake, liquid: ' ', cleaning: 'none', isolation: null },
    });
    expect(missing('begin-teardown', bare)).toHaveLength(5);
    expect(missing('begin-teardown', exampleRecord())).toEqual([]);
  });
  test('teardown is done when all steps and every part are', () => {
    const lines = gateFor('finish-teardown', exampleRecord({ station: 'teardown' }), family);
    expect(lines).toHaveLength(family.teardown.length + family.parts.length);
    expect(lines.every((line) => line.station === 'teardown')).toBe(true);
  });
  test('an out point without a disposition keeps inspection open, a waived critical point does not', () => {
    const readings = [
      exampleReading('wet-seat', 'A:0', 44.99),
      exampleReading('wet-seat', 'A:90', 44.99),
      exampleReading('wet-seat', 'B:0', 44.99),
      exampleReading('wet-seat', 'B:90', 44.99),
    ];
    expect(missing('finish-inspection', exampleRecord({ readings }))).toContain(
      'Shaft at the wet-end bearing seat is out and has no disposition',
    );
    const finding = exampleFinding({
      kind: 'point',
      pointId: 'wet-seat',
      partRef: 'shaft',
      proposed: 'out',
      verdict: 'out',
      disposition: exampleDisposition('rework'),
    });
    expect(
      missing('finish-inspection', exampleRecord({ readings, findings: [finding] })).some((words) =>
        words.startsWith('Shaft at the wet-end'),
      ),
    ).toBe(false);
    const waived = family.points
      .filter((point) => point.critical && point.measured.includes('as-found'))
      .map((point) => ({
        ...finding,
        id: asId<FindingId>(point.id),
        pointId: point.id,
        verdict: null,
        disposition: null,
        waivedReason: 'not reachable',
      }));
    expect(missing('finish-inspection', exampleRecord({ findings: waived }))).toEqual([]);
  });
  test('where nothing critical is left the next move is to close the inspection, and what is not measured is said', () => {
    const read = (points: typeof family.points) =>
      points
        .filter((point) => !point.derived)
        .flatMap((point) =>
          point.places.map((place) =>
            exampleReading(
              point.id,
              `${place.plane}:${place.angle_deg}`,
              (present(point.new_mm).min + present(point.new_mm).max) / 2,
            ),
          ),
        );
    const asFound = family.points.filter((point) => point.measured.includes('as-found'));
    const ring = present(present(family.points.find((point) => point.id === 'ring-clearance')).derived);
    const needed = asFound.filter((point) => point.critical || point.id === ring.bore || point.id === ring.journal);
    const left = asFound.length - needed.length;
    const standing = (points: typeof family.points) =>
      sayMove(standingOf(exampleRecord({ station: 'inspect', readings: read(points) }), family).next);
    expect(standing(needed)).toMatchObject({
      move: 'Close the inspection',
      waitingFor: `the inspection to be closed, ${left} points not measured and none critical`,
    });
    expect(standing(asFound)).toMatchObject({
      move: 'Close the inspection',
      waitingFor: 'the inspection to be closed',
    });
    expect(standing(needed.slice(1)).waitingFor).toContain('to be measured');
  });
  describe('a critical clearance that follows from two parts', () => {
    const critical = 'ring-clearance';
    const { bore, journal } = present(present(family.points.find((point) => point.id === critical)).derived);
    const read = (id: string, mm: number, phase: 'as-found' | 'as-left', count = Infinity) =>
      present(family.points.find((point) => point.id === id))
        .places.slice(0, count)
        .map((place) => ({ ...exampleReading(id, `${place.plane}:${place.angle_deg}`, mm), phase }));
    const linesOf = (event: string, readings: readonly ReturnType<typeof exampleReading>[], findings: Finding[] = []) =>
      gateFor(event, exampleRecord({ readings: [...readings], findings }), family).filter(
        (line) => line.anchor === `point-${critical}`,
      );
    const finding = (change: Partial<Finding>) =>
      exampleFinding({
        kind: 'point',
        phase: 'as-left',
        pointId: critical,
        partRef: 'wear-ring',
        proposed: 'out',
        verdict: 'out',
        ...change,
      });
    test('is asked for until both are measured at every place', () => {
      expect(
        linesOf('finish-inspection', [...read(bore, 100.3, 'as-found'), ...read(journal, 99.9, 'as-found', 1)]),
      ).toHaveLength(1);
      expect(
        linesOf('finish-inspection', [...read(bore, 100.3, 'as-found'), ...read(journal, 99.9, 'as-found')]),
      ).toEqual([]);
    });
    test('as left and out of limits is held back, whatever was overruled as found or overruled to out', () => {
      const worn = [...read(bore, 101.5, 'as-left'), ...read(journal, 99.9, 'as-left')];
      expect(linesOf('finish-rebuild', worn)).toHaveLength(1);
      expect(
        linesOf('finish-rebuild', worn, [finding({ phase: 'as-found', verdict: 'reuse', overruledReason: 'agreed' })]),
      ).toHaveLength(1);
      expect(
        linesOf('finish-rebuild', worn, [finding({ verdict: 'out', overruledReason: 'worse than it looks' })]),
      ).toHaveLength(1);
      expect(
        linesOf('finish-rebuild', worn, [finding({ verdict: 'reuse', overruledReason: 'agreed by the customer' })]),
      ).toEqual([]);
    });
    test('as left may be waived where it cannot be measured, but not where it was and is out', () => {
      const waived = [finding({ proposed: null, verdict: null, waivedReason: 'no access' })];
      expect(linesOf('finish-rebuild', [])).toHaveLength(1);
      expect(linesOf('finish-rebuild', [], waived)).toEqual([]);
      expect(
        linesOf('finish-rebuild', [...read(bore, 101.5, 'as-left'), ...read(journal, 99.9, 'as-left')], waived),
      ).toHaveLength(1);
    });
  });
  test('a disposition that costs must stand on a line before the quote goes', () => {
    const costing = exampleFinding({ id: asId('f'), disposition: exampleDisposition('replace') });
    const record = (findingIds: FindingId[]) =>
      exampleRecord({
        station: 'quote',
        findings: [costing],
        quotes: [exampleQuote([exampleLine({ findingIds })], { state: 'draft' })],
      });
    expect(missing('send-quote', record([]))).toEqual(['“pitted” costs something and stands on no line']);
    expect(missing('send-quote', record([asId('f')]))).toEqual([]);
    expect(missing('send-quote', exampleRecord())).toEqual(['No quote has been drawn up']);
    expect(missing('send-quote', { ...record([asId('f')]), contact: null })).toEqual([
      'The customer has no contact to send it to',
    ]);
  });
  test('rebuild waits for orders, test for parts, steps, hold points and as-left readings', () => {
    const quote = exampleQuote([exampleLine()], { state: 'answered' });
    const approval = {
      id: 'a',
      quoteId: quote.id,
      way: 'telephone' as const,
      name: 'Fern',
      reference: '',
      decisions: { 'line-1': 'approved' as const },
      signature: '',
      option: null,
      corrects: null,
      text: '',
      fingerprint: '',
      personId: null,
      personName: 'Wenna',
      at: '',
    };
    const record = exampleRecord({ station: 'parts', quotes: [quote], approvals: [approval] });
    expect(missing('start-rebuild', record)).toEqual(['Front wear ring: 1 not ordered']);
    const ordered = {
      ...record,
      orders: [
        {
          id: asId<OrderId>('o'),
          number: 'PO-1',
          supplier: 's',
          acknowledgement: 'k',
          atRiskMinor: null,
          dueOn: '2026-12-01',
          personId: null,
          personName: 'Bram',
          at: '',
          lines: [
            {
              id: asId<OrderLineId>('l'),
              partRef: 'front-ring',
              number: 'n',
              quantity: 1,
              sent: 0,
              dueOn: null,
              received: 0,
            },
          ],
        },
      ],
    };
    expect(missing('start-rebuild', ordered)).toEqual([]);
    expect(missing('finish-rebuild', ordered)).toContain('Front wear ring: 1 still to arrive');
    const holdStep = present(family.rebuild.find((step) => step.hold_point));
    const done = {
      ...ordered,
      steps: [exampleStep({ stepId: holdStep.id })],
    };
    expect(missing('finish-rebuild', done)).toContain(`Hold point “${holdStep.title}” needs a second person`);
  });
  test('return waits for report, release and delivery; a declined pump needs no report', () => {
    expect(missing('close', exampleRecord({ station: 'return' }))).toEqual([
      'The report is not issued',
      'The pump is not released',
    ]);
    expect(missing('close', exampleRecord({ station: 'return', outcome: 'declined' }))).toEqual([
      'The pump is not released',
    ]);
  });
  test('an event without a gate has none', () => expect(gateFor('hold', exampleRecord(), family)).toEqual([]));
});

describe('answer line', () => {
  const given = {
    tag: 'P-0417',
    pump: 'Quillmere QB 50-160',
    owner: 'Harrowmere Botanical Garden',
    holderSince: '2026-11-21T08:00:00Z',
    hold: null,
    outcome: 'open' as const,
    closedAt: null,
    waitingFor: '3 points to be measured',
    ready: { early: '2026-12-09', likely: '2026-12-10', late: '2026-12-11' },
    promisedOn: '2026-12-11',
    now: '2026-11-24T08:00:00Z',
    zone: 'Europe/Vienna',
  };
  test.each(stations.flatMap((station) => holders.map((holder) => [station, holder] as const)))(
    'at %s held by %s it is one sentence to read out',
    (station, holder) => {
      const said = answerLine({ ...given, station, holder });
      expect(said).toMatch(/^P-0417, Quillmere QB 50-160 of Harrowmere Botanical Garden, is (with|on) /);
      expect(said).toContain(
        'for three days, waiting for 3 points to be measured. Ready between 9 and 11 December; we promised 11 December.',
      );
      expect(answerLine({ ...given, station, holder, hold })).toContain('is on hold at');
    },
  );
  test('a promise at risk and a promise past are said', () => {
    expect(answerLine({ ...given, station: 'inspect', holder: 'B', promisedOn: '2026-12-10' })).toContain(
      'which is at risk',
    );
    expect(answerLine({ ...given, station: 'inspect', holder: 'B', promisedOn: '2026-12-08' })).toContain(
      'and shall be late',
    );
  });
  test('a range over two months names both', () => {
    expect(
      answerLine({
        ...given,
        station: 'inspect',
        holder: 'B',
        ready: { early: '2026-11-30', likely: '2026-12-01', late: '2026-12-02' },
      }),
    ).toContain('between 30 November and 2 December');
    expect(
      answerLine({
        ...given,
        station: 'inspect',
        holder: 'B',
        ready: { early: '2026-12-02', likely: '2026-12-02', late: '2026-12-02' },
      }),
    ).toContain('on 2 December');
  });
  test('the day is the shop’s day: late in the evening in UTC is tomorrow in Vienna', () => {
    expect(answerLine({ ...given, station: 'inspect', holder: 'B', holderSince: '2026-11-23T23:30:00Z' })).toContain(
      'since today',
    );
    expect(answerLine({ ...given, station: 'inspect', holder: 'B', holderSince: '2026-11-23T22:30:00Z' })).toContain(
      'since yesterday',
    );
  });
  test('what went back is said so', () => {
    expect(
      answerLine({ ...given, station: 'return', holder: 'C', closedAt: '2026-11-23T12:00:00Z', outcome: 'repaired' }),
    ).toBe(
      'P-0417, Quillmere QB 50-160 of Harrowmere Botanical Garden, went back on 23 November, repaired and tested.',
    );
    expect(
      answerLine({ ...given, station: 'return', holder: 'C', closedAt: '2026-11-23T12:00:00Z', outcome: 'declined' }),
    ).toContain('as it was: the repair was declined');
    expect(answerLine({ ...given, station: 'return', holder: 'U', outcome: 'declined' })).toContain(
      'it goes back as it is',
    );
  });
});

describe('standing', () => {
  test.each(stations)('at %s it has a move, something waited for, and fits what is stored', (station) => {
    const standing = standingOf(exampleRecord({ station }), family);
    expect(standingSchema.parse(standing)).toEqual(standing);
    const { move, waitingFor } = sayMove(standing.next);
    expect(move.length * waitingFor.length).toBeGreaterThan(0);
  });
  test('less remains the further a job is', () => {
    const remaining = (station: Station) => {
      const { benchMinutesBeforeAnswer, benchMinutesAfterParts, standMinutes } = standingOf(
        exampleRecord({ station }),
        family,
      ).remaining;
      return benchMinutesBeforeAnswer + benchMinutesAfterParts + standMinutes;
    };
    stations
      .slice(1)
      .forEach((station, i) => expect(remaining(station)).toBeLessThanOrEqual(remaining(present(stations[i]))));
    expect(remaining('receive')).toBeGreaterThan(remaining('rebuild'));
    expect(remaining('return')).toBe(0);
  });
  test('nothing remains to be done on a declined pump', () => {
    expect(standingOf(exampleRecord({ station: 'return', outcome: 'declined' }), family).remaining).toMatchObject({
      benchMinutesBeforeAnswer: 0,
      benchMinutesAfterParts: 0,
      standMinutes: 0,
      partsLeadDays: 0,
    });
  });
});
