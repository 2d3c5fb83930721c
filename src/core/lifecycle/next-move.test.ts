import { present } from '../present';
import f1 from '../../../test-support/plain-overhung.json';
import { buildFamily, loadFamily } from '../family';
import { asId, type JobRecord, type OrderId, type OrderLineId, type PurchaseOrder } from '../record';
import { exampleLine, exampleQuote, exampleRecord } from '../record/example-record';
import { openPreparations, preparations, sayMove, type NextMove } from './next-move';
import { standingOf } from './standing';

const family = buildFamily(loadFamily(f1));
const next = (change: Partial<JobRecord>) => standingOf(exampleRecord(change), family).next;
const signed = { personId: null, personName: 'Bram', at: '2026-11-24T08:00:00.000Z' };

/** Every move with its words, written out by hand as a coordinator reads them on the floor. */
const said: readonly (readonly [NextMove, string, string, string])[] = [
  [{ code: 'held', reason: 'no drawing' }, 'On hold', 'no drawing', 'the end of the hold: no drawing'],
  [{ code: 'prepare', what: 'liquid' }, 'The liquid is not named: ask for the sheet', '', 'the liquid to be declared'],
  [
    { code: 'prepare', what: 'isolation' },
    'Energy isolation is not confirmed',
    '',
    'this: energy isolation is not confirmed',
  ],
  [{ code: 'begin-teardown' }, 'Begin teardown', 'the gate is open', 'a free bench'],
  [{ code: 'teardown', done: 0, of: 8 }, 'Teardown', 'step 1 of 8', 'teardown, 0 of 8 steps done'],
  [{ code: 'teardown', done: 8, of: 8 }, 'Teardown', 'step 8 of 8', 'teardown, 8 of 8 steps done'],
  [{ code: 'clean', left: 1 }, 'Clean', '1 part left', 'cleaning, 1 part left'],
  [{ code: 'measure', left: 3, out: null }, '3 points left', 'inspection', '3 points to be measured'],
  [{ code: 'measure', left: 1, out: 'Sleeve' }, '1 point left', 'inspection · sleeve out', '1 point to be measured'],
  [{ code: 'dispose', open: 2, out: 'Sleeve' }, 'Decide', '2 dispositions open · sleeve out', 'dispositions'],
  [
    { code: 'close-inspection', left: 0, out: null },
    'Close the inspection',
    'all measured',
    'the inspection to be closed',
  ],
  [{ code: 'draw-up-quote' }, 'Draw up quote', 'from the dispositions', 'us to draw up the quote'],
  [{ code: 'send-quote', revision: 2 }, 'Send quote', 'revision 2', 'us to send quote revision 2'],
  [{ code: 'await-answer', revision: 2 }, 'Answer', 'to quote revision 2', 'approval of quote revision 2'],
  [{ code: 'go-on' }, 'Go on', 'the answer is in', 'us to go on with the answer'],
  [{ code: 'order-parts', parts: 2, longestDays: 1 }, 'Order', '2 parts, longest 1 day', 'us to order 2 parts'],
  [{ code: 'await-order', parts: 2 }, 'Hear from the supplier', '2 parts', 'the supplier to acknowledge 2 parts'],
  [
    { code: 'receive-parts', parts: 1, short: 'Wear ring', dueOn: '2026-12-09' },
    'Receive',
    'wear ring short, due 9 December',
    '1 part from the supplier, due 9 December',
  ],
  [{ code: 'receive-parts', parts: 4, short: null, dueOn: null }, 'Receive', '4 parts', '4 parts from the supplier'],
  [{ code: 'start-rebuild' }, 'Start rebuild', 'all parts are in', 'a free bench'],
  [
    { code: 'sign-hold-point', step: 'Impeller on' },
    'Hold point',
    'second person for impeller on',
    'a second person at the hold point impeller on',
  ],
  [
    { code: 'rebuild', step: 'Casing on', done: 6, of: 9, isAgain: true },
    'Casing on',
    'step 7 of 9 again after test',
    'rebuild again after test, 6 of 9 steps done',
  ],
  [{ code: 'measure-as-left', isAgain: false }, 'As-left readings', 'then to the stand', 'the as-left readings'],
  [{ code: 'run-test', after: null }, 'Run on the stand', 'first run', 'a run on the stand'],
  [{ code: 'run-test', after: 1 }, 'Run on the stand', 'second try after run 1', 'a run on the stand'],
  [{ code: 'sign-test', run: 2 }, 'Sign the test', 'run 2 passed', 'the tester’s signature'],
  [{ code: 'decide-run', run: 2 }, 'Decide on run', 'run 2 failed', 'a decision on the failed run'],
  [{ code: 'issue-report' }, 'Issue report', 'the test is passed', 'us to issue the report'],
  [{ code: 'dispatch' }, 'To return', 'the report is issued', 'its way to dispatch'],
  [{ code: 'release', isDeclined: true }, 'Release', 'declined, goes back as it is', 'release'],
  [{ code: 'release', isDeclined: false }, 'Release', 'ports blanked and packed', 'release'],
  [{ code: 'deliver' }, 'Deliver', 'released', 'delivery'],
];

test.each(said)('%j is said as "%s", "%s"', (move, verb, detail, waitingFor) => {
  expect(sayMove(move)).toEqual({ move: verb, detail, waitingFor });
});

describe('what is missing before a pump is opened', () => {
  const { intake } = exampleRecord();
  test('is asked for one after the other', () => {
    const nothing = { ...intake, liquid: ' ', cleaning: 'none' as const, isolation: null };
    const record = exampleRecord({ intake: nothing, acknowledgements: [] });
    // What is known of a liquid, and what came whole, asks for no sheet of its own.
    expect(openPreparations(record)).toEqual(preparations.filter((one) => one !== 'residue' && one !== 'begun'));
    expect(standingOf(record, family).next).toEqual({ code: 'prepare', what: 'liquid' });
  });
  test('is a residue record where nobody knows the liquid, whatever text and paper there are', () => {
    const unknown = { ...intake, liquidState: 'foreign substance' as const, liquid: 'not identified' };
    expect(openPreparations(exampleRecord({ intake: unknown }))).toEqual(['residue']);
    expect(openPreparations(exampleRecord({ intake: { ...unknown, cleaning: 'none' } }))).toEqual(['residue']);
  });
  test('is what was begun elsewhere where it came partly dismantled or in parts', () => {
    for (const arrival of ['partly dismantled', 'in parts'] as const)
      expect(openPreparations(exampleRecord({ intake: { ...intake, arrival } }))).toEqual(['begun']);
  });
  test('a text that says that nobody knows is no liquid', () => {
    expect(openPreparations(exampleRecord({ intake: { ...intake, liquid: 'unknown' } }))).toEqual(['liquid']);
  });
  test('is nothing when all of it is there', () => {
    expect(openPreparations(exampleRecord())).toEqual([]);
    expect(next({})).toEqual({ code: 'begin-teardown' });
  });
});

describe('the next move of a job', () => {
  test('on hold is the end of the hold, whatever the station', () => {
    expect(next({ station: 'parts', hold: { reason: 'x', holder: 'C', until: '2026-12-24' } })).toEqual({
      code: 'held',
      reason: 'x',
    });
  });
  test('at quote follows the draft', () => {
    expect(next({ station: 'quote' })).toEqual({ code: 'draw-up-quote' });
    const quotes = [exampleQuote([], { revision: 3, state: 'draft' })];
    expect(next({ station: 'quote', quotes })).toEqual({ code: 'send-quote', revision: 3 });
    expect(next({ station: 'approve', quotes })).toEqual({ code: 'await-answer', revision: 3 });
  });
  test('at return is release, then delivery', () => {
    expect(next({ station: 'return', outcome: 'declined' })).toEqual({ code: 'release', isDeclined: true });
    const returned = {
      ...{ releasedBy: 'W', releasedAt: 'x', packing: 'p', deliveredAt: null, deliveredTo: null },
      ...{ signature: '', warrantyFrom: null, warrantyMonths: 12 },
    };
    expect(next({ station: 'return', returned })).toEqual({ code: 'deliver' });
  });
  describe('at parts', () => {
    const quote = exampleQuote([exampleLine()], { state: 'answered' });
    const approval = {
      ...{ id: 'a', quoteId: quote.id, way: 'telephone' as const, name: 'n', reference: '' },
      ...{
        decisions: { 'line-1': 'approved' as const },
        signature: '',
        option: null,
        corrects: null,
        text: '',
        fingerprint: '',
        ...signed,
      },
    };
    const order = (change: Partial<PurchaseOrder>, received = 0): PurchaseOrder => ({
      ...{
        id: asId<OrderId>('o'),
        number: 'PO-1',
        supplier: 's',
        acknowledgement: 'ACK',
        atRiskMinor: null,
        dueOn: '2026-12-09',
        ...signed,
      },
      lines: [
        {
          id: asId<OrderLineId>('l'),
          partRef: 'front-ring',
          number: 'n',
          quantity: 1,
          sent: received,
          dueOn: null,
          received,
        },
      ],
      ...change,
    });
    const at = (orders: readonly PurchaseOrder[]) =>
      next({ station: 'parts', quotes: [quote], approvals: [approval], orders });
    const lead = present(family.parts.find((part) => part.ref === 'front-ring')).lead_days;
    test('is to order, to hear of it, to receive, to start', () => {
      expect(at([])).toEqual({ code: 'order-parts', parts: 1, longestDays: lead });
      expect(at([order({ acknowledgement: null, dueOn: null })])).toEqual({ code: 'await-order', parts: 1 });
      expect(at([order({})])).toEqual({ code: 'receive-parts', parts: 1, short: null, dueOn: '2026-12-09' });
      expect(at([order({}, 1)])).toEqual({ code: 'start-rebuild' });
    });
  });
});
