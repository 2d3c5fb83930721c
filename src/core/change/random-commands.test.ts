import { orderOfAll } from '../../../test-support/order-facts';
import { present } from '../present';
import fc from 'fast-check';
import f1 from '../../../test-support/plain-overhung.json';
import { judgeSketch } from '../supply';
import { nextAction, workOf } from '../bench';
import { buildFamily, loadFamily } from '../family';
import { gateFor, moves, onward, standingOf, transition, type EventKind } from '../lifecycle';
import { totalQuote, unsettledDecline } from '../quoting';
import {
  actions,
  asId,
  currentQuote,
  supplementsOf,
  fates,
  matters,
  partStates,
  sheetsOf,
  placeKey,
  type Finding,
  type JobRecord,
  type Place,
  type QuoteId,
  type QuoteLineId,
  type Tag,
} from '../record';
import { rightAnswer } from '../../../demo/right-answer';
import { rightRuns } from '../../../demo/right-cleaning';
import { rightPacking } from '../../../demo/right-packing';
import { fateOf, packingOf, proposePacking } from '../dispatch';
import { evaluationOf } from '../evaluation';
import { matterTable } from '../policies';
import { isShutByResidue, residueOf } from '../residue';
import {
  CoreJob,
  toolFacts,
  noPin,
  rightPieces,
  shop,
  signerOf,
  terms,
  type Person,
} from '../../../test-support/core-job';
import {
  bench,
  inspection,
  lifecycle,
  supply,
  quote,
  receive,
  report,
  sheets,
  test as stand,
  type Decided,
  type Decider,
  type Decision,
} from '.';

/**
 * Any order of commands by any people: whatever is acknowledged is kept, gates hold, the events give the record, money
 * adds up, and every signature is of whom it says. Nothing here says what a command should answer; only what may never
 * be.
 */
const family = buildFamily(loadFamily(f1), {});
const tag = asId<Tag>('P-0417');
const people = ['Ines', 'Odile', 'Marek'] as const;

/** A job as the world has it: the record, and every event that made it. */
class World extends CoreJob {
  /** What was acknowledged, to be found in the record for ever after. */
  readonly readings = new Map<string, { readonly typed: string; readonly by: string }>();
}

const open = () =>
  new World(loadFamily(f1), { duty: { flowM3h: 25, headM: 32, speedRpm: 2900 }, found: {}, dispose: {} });

/** One thing that somebody tries; which thing exactly follows from a number, so that a failing sequence can shrink. */
type Attempt = (world: World, pick: <T>(items: readonly T[]) => T | undefined) => Tried | null;
interface Tried {
  readonly verb: string;
  readonly run: (who: Person) => Decided<unknown>;
  /** Readings that are acknowledged when it is not refused. */
  readonly readings?: readonly { readonly pointId: string; readonly place: Place; readonly typed: string }[];
}

function trying<Command, Result, Facts>(
  world: World,
  verb: string,
  decider: Decider<Command, Result, Facts>,
  facts: Facts,
  command: Command,
): Tried {
  return { verb, run: (who) => world.decide(who, [verb, decider], facts, command) };
}

const readings: Attempt = (world, pick) => {
  const phase = world.record.station === 'rebuild' ? 'as-left' : 'as-found';
  const point = pick(family.points.filter((one) => one.measured.includes(phase) && one.places.length));
  if (!point?.new_mm) return null;
  const typed = String(pick([point.new_mm.min, point.new_mm.max, point.new_mm.min - 1]) ?? 1);
  const entries = point.places.map((one) => {
    const place = placeKey(one);
    const theirs = world.record.readings.find(
      (reading) => reading.phase === phase && reading.pointId === point.id && reading.place === place,
    );
    return { pointId: point.id, place, typed, instrument: 'M-07', basedOn: theirs?.version ?? 0 };
  });
  const command = { tag, phase, entries } as const;
  // A gauge that is past its day is refused, unless somebody lets its reading stand.
  const [gauge] = toolFacts.tools;
  const late = { ...toolFacts, tools: gauge ? [{ ...gauge, dueOn: '2020-01-01' }] : [] };
  const tried =
    pick([
      trying(world, 'record-readings', inspection.recordReadings, toolFacts, command),
      trying(world, 'record-readings', inspection.recordReadings, late, command),
      trying(world, 'concede-readings', inspection.concedeReadings, late, { ...command, reason: 'checked' }),
    ]) ?? null;
  if (!tried) return null;
  return {
    ...tried,
    readings: entries.map(({ pointId, place }) => ({ pointId: `${phase} ${pointId}`, place, typed })),
  };
};

/** Any action, mostly one that is next; answered rightly or with something that may be refused. */
const answers: Attempt = (world, pick) => {
  const { record } = world;
  const phase = pick(['teardown', 'rebuild', 'test'] as const) ?? 'teardown';
  const work = workOf(record, family, phase);
  const next = nextAction(work);
  const any = pick(work.flatMap((step) => step.actions.map((action) => ({ step, action }))));
  const at = pick([true, true, true, false]) ? (next ?? any) : any;
  if (!at) return null;
  const { step } = at.step;
  const { action, stored } = at.action;
  const right = rightAnswer({ phase, step, action, record, family });
  const typed = pick([right.typed, right.typed, '0', 'no', 'somewhere']) ?? '';
  const photoId = right.wantsPhoto ? (pick(record.photos)?.id ?? null) : null;
  const isConceded = pick([false, false, false, true]) ?? false;
  const verb = isConceded ? 'concede-answer' : 'answer-action';
  return trying(world, verb, isConceded ? bench.concedeAnswer : bench.answerAction, toolFacts, {
    ...{
      tag,
      phase,
      actionId: action.id,
      typed,
      photoId,
      consumable: right.consumable ?? '',
      tool: '',
      reason: 'seen',
    },
    ...{ ambientC: 20, notPossible: pick([false, false, false, true]) ?? false },
    cautionsRead: [...step.cautions, ...action.cautions],
    basedOn: stored?.version ?? 0,
    ...(right.passes && { passes: right.passes }),
  });
};

const backs: Attempt = (world, pick) => {
  const phase = pick(['teardown', 'rebuild', 'test'] as const) ?? 'teardown';
  const { record } = world;
  if (pick([true, false])) {
    const last = pick(record.answers.filter((one) => one.phase === phase));
    if (!last) return null;
    const command = { tag, phase, actionId: last.actionId, basedOn: last.version };
    return trying(world, 'undo-answer', bench.undoAnswer, null, command);
  }
  const row = pick(record.steps.filter((one) => one.phase === phase));
  if (!row) return null;
  const command = { tag, phase, stepId: row.stepId, reason: 'looked again', basedOn: row.version };
  return trying(world, 'open-again', bench.openAgain, null, command);
};

const deviating: Attempt = (world, pick) => {
  const phase = pick(['teardown', 'rebuild', 'test'] as const) ?? 'teardown';
  const step = pick(workOf(world.record, family, phase))?.step;
  if (!step) return null;
  const command = { tag, phase, stepId: step.id, reason: 'seized' };
  return trying(world, 'allow-deviation', bench.allowDeviation, null, command);
};

const looking: Attempt = (world, pick) => {
  const ref = pick(family.parts)?.ref;
  if (ref === undefined) return null;
  const basedOn = world.record.looks.find((one) => one.ref === ref)?.version ?? 0;
  const command = { tag, parts: [{ partRef: ref, basedOn }] };
  return trying(world, 'look-at-parts', inspection.lookAtParts, null, command);
};

const signing: Attempt = (world, pick) => {
  const done = pick(world.record.steps.filter((step) => step.phase === 'rebuild'));
  if (!done) return null;
  const command = { tag, stepId: done.stepId, basedOn: done.version, signer: noPin };
  const who = pick(people) ?? 'Ines';
  return trying(world, 'sign-hold-point', bench.signHoldPoint, signerOf(who), command);
};

const receiving: Attempt = (world, pick) => {
  const caution = pick(['energy-isolation', 'harmful-liquid']) ?? '';
  const basedOn = world.record.intake.version;
  return (
    pick([
      trying(world, 'acknowledge-caution', receive.acknowledgeCaution, null, { tag, caution }),
      trying(world, 'confirm-isolation', receive.confirmIsolation, null, { tag, basedOn }),
    ]) ?? null
  );
};

const accounts: Attempt = (world, pick) => {
  const state = pick(partStates) ?? 'present';
  const rows = family.parts.map(({ ref }) => {
    const basedOn = world.record.parts.find((one) => one.ref === ref)?.version ?? 0;
    return { partRef: ref, state: state === 'broken' ? state : ('present' as const), note: '', basedOn };
  });
  return trying(world, 'account-parts', bench.accountParts, null, { tag, parts: rows });
};

const cleaning: Attempt = (world, pick) => {
  const run = pick(rightRuns(family.parts.filter((part) => !part.soft)));
  if (!run) return null;
  return trying(world, 'clean-parts', bench.cleanParts, null, { tag, cautionRead: true, run, damage: {} });
};

const disposing: Attempt = (world, pick) => {
  const action = pick(actions) ?? 'replace';
  const point = pick(family.points);
  if (!point) return null;
  const finding = world.record.findings.find((one: Finding) => one.pointId === point.id && one.phase === 'as-found');
  const dispositionVersion = finding?.disposition?.version ?? 0;
  const target = { pointId: point.id };
  return (
    pick([
      trying(world, 'dispose', inspection.dispose, null, {
        ...{ tag, target, action, reason: 'worn', basedOn: dispositionVersion },
      }),
      trying(world, 'judge-point', inspection.judgePoint, null, {
        ...{ tag, pointId: point.id, decision: 'waive', reason: 'not reachable', basedOn: finding?.version ?? 0 },
      }),
    ]) ?? null
  );
};

const quoting: Attempt = (world, pick) => {
  const current = currentQuote(world.record);
  const line = pick(current?.lines ?? []);
  const lineId = line?.id ?? asId<QuoteLineId>('none');
  const basedOn = current?.version ?? 0;
  const token = `token-${world.ids}`;
  return (
    pick([
      trying(world, 'draw-up-quote', quote.drawUpQuote, terms, null),
      trying(world, 'send-quote', quote.sendQuote, { linkId: `link-${world.ids}`, token, origin: 'o' }, null),
      trying(world, 'change-line', quote.changeLine, null, {
        ...{ tag, lineId, basedOn, description: 'By hand', quantity: 1.333, unitPriceMinor: 999 },
      }),
      trying(world, 'strike-line', quote.strikeLine, null, { tag, lineId, basedOn, reason: 'not this time' }),
    ]) ?? null
  );
};

const answering: Attempt = (world, pick) => {
  const current = currentQuote(world.record);
  const declined = pick(current?.lines.filter((line) => line.declinable) ?? []);
  const declinedLines = declined ? [declined.id] : [];
  const facts = { approvalId: `approval-${world.ids++}` };
  const quoteId = current?.id ?? asId<QuoteId>('none');
  const option = pick([...(current?.options ?? []), null]) ?? null;
  const criticalConfirmed = pick([true, true, false]) ?? true;
  const answer = { name: 'Fern Okonjo', declinedLines, declineAll: false, option, criticalConfirmed };
  return (
    pick([
      trying(world, 'answer-quote', quote.answerQuote, facts, { ...answer, quoteId, signature: 'typed' }),
      trying(world, 'record-approval', quote.recordApproval, facts, {
        ...{ ...answer, tag, quoteId: null, way: 'telephone' as const, reference: 'called' },
      }),
    ]) ?? null
  );
};

/** What branches off: found later, sent, answered, taken back; questions, reminders, limits, what was declined. */
const branching: Attempt = (world, pick) => {
  const { record } = world;
  const supplement = pick(supplementsOf(record));
  const quoteId = supplement?.id ?? asId<QuoteId>('none');
  const basedOn = supplement?.version ?? 0;
  const part = pick(family.parts)?.ref ?? 'no-part';
  const link = { linkId: `link-${world.ids++}`, token: `t-${world.ids}`, origin: 'o' };
  const facts = { approvalId: `approval-${world.ids++}` };
  const any = pick(record.quotes)?.id ?? quoteId;
  const answer = { declinedLines: [], declineAll: pick([true, false]) ?? false, option: null, criticalConfirmed: true };
  return (
    pick([
      trying(
        world,
        'find-later',
        quote.findLater,
        { terms, ...facts },
        {
          ...{ tag, partRef: part, words: 'cracked', plain: '', whyOnlyNow: 'hidden', photoId: null, reason: '' },
          action: pick(actions) ?? 'replace',
        },
      ),
      trying(world, 'send-supplement', quote.sendSupplement, link, { tag, quoteId, basedOn }),
      trying(world, 'withdraw-supplement', quote.withdrawSupplement, null, { tag, quoteId, reason: 'not needed' }),
      trying(world, 'record-approval', quote.recordApproval, facts, {
        ...{ ...answer, tag, quoteId, way: 'telephone' as const, name: 'Fern', reference: 'called' },
      }),
      trying(world, 'correct-approval', quote.correctApproval, facts, {
        ...{ ...answer, tag, way: 'telephone' as const, name: 'Fern', reference: 'again', reason: 'misheard' },
      }),
      trying(world, 'settle-decline', quote.settleDecline, null, {
        ...{ tag, decision: pick(['go on', 'return as it is'] as const) ?? 'go on', words: 'said so' },
      }),
      trying(
        world,
        'ask-question',
        quote.askQuestion,
        { questionId: `q-${world.ids++}` },
        {
          ...{ quoteId: any, name: 'Fern', words: 'why?' },
        },
      ),
      trying(world, 'answer-question', quote.answerQuestion, null, {
        ...{ tag, questionId: pick(record.questions)?.id ?? 'none', words: 'so' },
      }),
      trying(world, 'send-reminder', quote.sendReminder, link, { tag, quoteId: null, words: 'Dear Fern' }),
      trying(world, 'agree-limit', quote.agreeLimit, null, {
        ...{
          tag,
          limitMinor: pick([0, 20_000, 200_000]) ?? 0,
          saidBy: 'Fern',
          forAll: false,
          basedOn: record.agreement?.version ?? 0,
        },
      }),
    ]) ?? null
  );
};

const heading: Attempt = (world, pick) => {
  const current = currentQuote(world.record);
  const line = pick(current?.lines ?? []);
  const command = { tag, quoteId: null, basedOn: current?.version ?? 0 };
  return (
    pick([
      trying(
        world,
        'change-quote',
        quote.changeQuote,
        { shopRateMinor: 6800 },
        {
          ...{ ...command, discountPct: pick([0, 12.5]) ?? 0, labourMinorPerHour: pick([null, 7777]) ?? null },
          options: pick([undefined, ['recommended'] as const])?.slice(),
        },
      ),
      trying(world, 'add-line', quote.addLine, null, {
        ...{ ...command, kind: 'discount', description: 'off', plain: '', quantity: 1, unit: 'pc' },
        ...{ unitPriceMinor: -999, options: [], instead: '', unitCostMinor: null },
      }),
      trying(world, 'take-proposal', quote.takeProposal, null, {
        ...{ tag, lineId: line?.id ?? asId<QuoteLineId>('none'), basedOn: current?.version ?? 0 },
      }),
    ]) ?? null
  );
};

const buying: Attempt = (world, pick) => {
  const order = pick(world.record.orders);
  if (!order) {
    const facts = orderOfAll(world, `PO-${world.ids++}`);
    const atRisk = pick([null, { limitMinor: 1_000_000, reason: 'long lead' }]) ?? null;
    return trying(world, 'order-parts', supply.orderParts, facts, { tag, atRisk });
  }
  const counts = order.lines.map((line) => ({
    ...rightPieces,
    ...{ lineId: line.id, counted: line.quantity - line.received },
  }));
  const receiptIds = counts.map(() => `receipt-${world.ids++}`);
  const about = { tag, orderNumber: order.number };
  const line = pick(order.lines);
  const days = line ? [{ number: line.number, dueOn: '2026-12-07' }] : [];
  const dated = { ...about, dueOn: '2026-12-09', lines: days };
  const cut = { ...about, lines: [{ partRef: line?.partRef ?? 'none', quantity: 1 }], words: 'by mistake' };
  const parcel = {
    lines: order.lines.map(({ partRef, quantity, sent }) => ({ lineId: partRef, quantity: quantity - sent })),
    restOn: null,
    sentBefore: Object.fromEntries(order.lines.map(({ partRef, sent }) => [partRef, sent])),
  };
  return (
    pick([
      trying(
        world,
        'receive-parts',
        supply.receiveParts,
        { receiptIds, crossing: {}, variants: {} },
        { ...about, counts, note: '' },
      ),
      trying(world, 'acknowledge-order', supply.acknowledgeOrder, undefined, { ...dated, reference: 'A' }),
      trying(world, 'move-order', supply.moveOrder, undefined, { ...dated, words: 'the foundry is late' }),
      trying(world, 'cut-order', supply.cutOrder, undefined, cut),
      trying(world, 'take-parcel', supply.takeParcel, parcel, about),
    ]) ?? null
  );
};

const testing: Attempt = (world, pick) => {
  const run = world.record.runs.length + 1;
  const point = (flowM3h: number, dischargeKpa: number) => ({
    ...{ flowM3h, suctionKpa: 0, dischargeKpa, speedRpm: 2900, powerInKw: 4, motorEfficiencyPct: 88 },
    ...{ densityKgM3: 998, vibrationMmS: 1, bearingC: 40 },
  });
  const points = [point(5, 370), point(15, 350), point(25, 315), point(30, 280), point(35, 240)];
  const last = world.record.runs.at(-1)?.run ?? 1;
  const reopenFrom = pick([null, ...family.rebuild.map((step) => step.id)]) ?? null;
  return (
    pick([
      trying(
        world,
        'run-test',
        stand.runTest,
        { runId: `run-${world.ids++}`, run, points, stand: null, zone: 'UTC' },
        {
          ...{ tag, condition: 'sound' as const },
        },
      ),
      trying(world, 'decide-run', stand.decideRun, null, {
        tag,
        run: last,
        decision: 'failed',
        reason: 'noise',
        reopenFrom,
      }),
      trying(world, 'decide-run', stand.decideRun, null, {
        tag,
        run: last,
        decision: 'concession',
        reason: 'agreed',
        reopenFrom: null,
      }),
    ]) ?? null
  );
};

const leaving: Attempt = (world, pick) =>
  pick([
    trying(world, 'issue-report', report.issueReport, { shop, number: `R-2026-${world.ids}` }, null),
    trying(world, 'correct-report', report.correctReport, { shop }, { tag, whatChanged: 'hours' }),
    trying(world, 'pack', sheets.pack, null, {
      ...{ tag, basedOn: packingOf(world.record)?.version ?? 0 },
      packing: pick([rightPacking(world.record), proposePacking(world.record)]) ?? proposePacking(world.record),
    }),
    trying(world, 'choose-fate', sheets.chooseFate, null, {
      ...{ tag, basedOn: fateOf(world.record)?.version ?? 0 },
      fate: { fate: pick(fates) ?? 'declined', saidBy: 'Fern Okonjo', words: 'as you say' },
    }),
    trying(world, 'reassemble', sheets.reassemble, null, {
      ...{ tag, basedOn: fateOf(world.record)?.version ?? 0, words: 'put together without seals' },
    }),
    trying(world, 'close-unreturned', sheets.closeUnreturned, null, null),
    trying(world, 'release-pump', report.releasePump, { warrantyMonths: 12 }, null),
    trying(world, 'deliver-pump', report.deliverPump, null, {
      ...{ tag, deliveredTo: 'stores', deliveredOn: '2027-01-04', signature: '' },
    }),
    trying(world, 'hold-job', lifecycle.holdJob, null, { tag, reason: 'waits', until: '2026-12-24', holder: 'C' }),
    trying(world, 'resume-job', lifecycle.resumeJob, null, null),
  ]) ?? null;

const moving: Attempt = (world, pick) => {
  const onward = (Object.keys(moves) as EventKind[]).filter((event) =>
    moves[event].from.includes(world.record.station),
  );
  const event = pick(onward.filter((one) => one !== 'hold' && one !== 'resume'));
  if (!event) return null;
  return trying(world, 'advance-job', lifecycle.advanceJob, null, {
    tag,
    event: event as 'begin-teardown',
    reason: pick(['seen again', '']) ?? '',
  });
};

/** Sheets that people fill in beside the work: a residue that shuts the pump, a first look, another way. */
const filling: Attempt = (world, pick) => {
  const { record } = world;
  const residue = residueOf(record);
  const look = evaluationOf(record);
  const known = pick([true, true, false]) ?? true;
  const fields = {
    ...{ description: 'amber', place: 'volute', quarantine: known ? 'cage 3' : '', sampleNumber: '', laboratory: '' },
    ...{ sampledOn: '', result: known ? 'resin' : '', safetySheet: '', methods: ['blasting' as const], waste: '' },
  };
  const evaluation = {
    ...{ turns: 'stiff' as const, binds: '', substance: '', causes: [], lost: [], atRisk: [], outside: [], made: [] },
    ...{ hours: { from: 2, to: 4 }, partsMinor: { from: 0, to: 900 }, days: { from: 1, to: 9 }, newUnit: null },
    ...{ advice: 'repair' as const, words: '' },
  };
  const matter = pick(matters) ?? 'soft parts';
  const policy = { matter, school: pick(matterTable[matter].schools)?.id ?? '', reason: pick(['why', '']) ?? '' };
  return (
    pick([
      ...(residue || pick([true, false, false, false])
        ? [
            trying(world, 'write-residue', sheets.writeResidue, null, {
              tag,
              basedOn: residue?.version ?? 0,
              residue: fields,
            }),
          ]
        : []),
      trying(world, 'allow-opening', sheets.allowOpening, null, {
        ...{
          tag,
          basedOn: residue?.version ?? 0,
          what: pick(['sampling', 'opening'] as const) ?? 'opening',
          protection: 'mask',
        },
      }),
      trying(
        world,
        'write-evaluation',
        sheets.writeEvaluation,
        { labourMinorPerHour: 6800 },
        { tag, basedOn: look?.version ?? 0, again: pick([true, false]) ?? true, evaluation },
      ),
      trying(world, 'send-evaluation', sheets.sendEvaluation, null, {
        tag,
        basedOn: look?.version ?? 0,
        words: 'Dear Fern',
      }),
      trying(world, 'answer-evaluation', sheets.answerEvaluation, null, {
        ...{ tag, basedOn: look?.version ?? 0, choice: 'repair', saidBy: 'Fern', words: '' },
      }),
      trying(world, 'choose-policy', sheets.choosePolicy, null, {
        ...{ tag, policy, basedOn: sheetsOf(record, 'policy').find(({ key }) => key === matter)?.version ?? 0 },
      }),
    ]) ?? null
  );
};

/** Parts that come by another way than an order: chosen, made, out for work, read by their number and their label. */
const supplying: Attempt = (world, pick) => {
  const { record } = world;
  const partRef = pick(['front-ring', 'impeller', 'lip-seal', 'casing']) ?? 'front-ring';
  const versionOf = (kind: 'source' | 'made' | 'number') =>
    sheetsOf(record, kind).find(({ key }) => key === partRef)?.version ?? 0;
  const about = { tag, partRef, basedOn: versionOf('made') };
  const source = {
    ...{ source: pick(['shelf', 'customer', 'made', 'bought'] as const) ?? 'shelf', from: 'bin 4', dueOn: '' },
    ...{ count: pick([1, 2]) ?? 1, reason: 'it is there' },
  };
  const made = {
    ...{ why: 'none to be had', from: 'old part' as const, fromWords: '', shape: 'bush' as const, lot: '' },
    dimensions: [
      { id: 'bore', nominal: 30, tolerance: 'H7' },
      { id: 'outside', nominal: pick([40, 30]) ?? 40, tolerance: '' },
      { id: 'length', nominal: 20, tolerance: '' },
    ],
    ...{ bears: pick([true, false]) ?? true, material: pick(['bronze', '']) ?? '', hardness: '', oldMaterial: '' },
    ...{ machine: 'lathe', minutesGuess: 60, materialMinor: 900, dueOn: '2026-12-24' },
  };
  const readings = [
    { id: 'bore', value: pick([30.01, 31]) ?? 30.01 },
    { id: 'outside', value: 40 },
    { id: 'length', value: 20 },
  ];
  const outside = sheetsOf(record, 'outside').at(-1);
  const away = { tag, number: outside?.key ?? 'W-0', basedOn: outside?.version ?? 0 };
  const here = {
    count: pick([1, 2]) ?? 1,
    number: pick(['', 'KW1-0502']) ?? '',
    elastomer: '',
    variant: '',
    lot: '',
    note: '',
  };
  return (
    pick([
      trying(
        world,
        'choose-source',
        supply.chooseSource,
        { donor: null },
        {
          ...{ tag, partRef, source, basedOn: versionOf('source'), donorId: null },
        },
      ),
      trying(world, 'lay-ready', supply.layReady, [], {
        ...{ tag, partRef, basedOn: versionOf('source'), here, accept: false },
      }),
      trying(world, 'write-made', supply.writeMade, null, { ...about, made }),
      trying(world, 'release-made', supply.releaseMade, null, { ...about, words: '' }),
      trying(world, 'work-on-made', supply.workOnMade, null, { ...about, machine: 'lathe', minutes: 20 }),
      trying(world, 'measure-made', supply.measureMade, null, { ...about, gauge: '', readings }),
      trying(world, 'hand-over-made', supply.handOverMade, null, { ...about, fitted: 'slides in' }),
      trying(world, 'write-outside', supply.writeOutside, null, {
        ...{ tag, number: null, basedOn: 0 },
        outside: {
          ...{ work: 'balancing' as const, what: 'balance it', parts: [partRef], to: 'Ostrey', priceMinor: 0 },
          ...{ asks: [], dueOn: '' },
        },
      }),
      trying(world, 'send-outside', supply.sendOutside, null, { ...away, on: '2026-12-01', dueOn: '2026-12-05' }),
      trying(world, 'take-back', supply.takeBack, null, {
        ...{ ...away, on: '2026-12-04', values: [], words: 'seen', isTaken: pick([true, false]) ?? true },
      }),
      trying(world, 'find-number', supply.findNumber, [], {
        ...{ tag, partRef, basedOn: versionOf('number'), found: pick(['KW1-0502', 'QQ 1']) ?? 'QQ 1' },
      }),
      trying(world, 'settle-number', supply.settleNumber, null, {
        ...{ tag, partRef, basedOn: versionOf('number'), words: 'a casting number' },
      }),
      trying(world, 'lay-in-tray', supply.layInTray, null, { tag, parts: [partRef], tray: '1' }),
      trying(
        world,
        'read-label',
        supply.readLabelHere,
        { owner: '', part: '' },
        {
          ...{ tag, code: pick([`${tag}/${partRef}`, `${tag}#1`, 'P-9999/casing']) ?? '' },
        },
      ),
      trying(world, 'give-part', supply.givePart, null, { tag, partRef, to: null }),
    ]) ?? null
  );
};

/** What holds of parts that come by another way than an order, whatever was tried. */
function assertSupplied(record: JobRecord): void {
  for (const { body } of sheetsOf(record, 'source')) expect(body.here?.count ?? 0).toBeLessThanOrEqual(body.count);
  for (const { body } of sheetsOf(record, 'made')) {
    if (body.handedOver) expect(judgeSketch(body).every(({ verdict }) => verdict === 'within')).toBe(true);
    if (body.readings.length) expect(body.worked.length).toBeGreaterThan(0);
  }
  for (const { body } of sheetsOf(record, 'outside')) if (body.back?.isTaken) expect(body.sent).not.toBeNull();
  // No label of another pump was ever read here.
  for (const { body } of sheetsOf(record, 'tray')) expect(body.tray).toBe('1');
}

const attempts: readonly Attempt[] = [
  ...[readings, answers, backs, signing, receiving, accounts, cleaning, disposing, deviating, looking],
  ...[quoting, answering, buying, testing, leaving, moving, branching, heading, filling, supplying],
];
/** Attempts that bring a job on at its station, so that sequences get beyond the first gates now and then. */
const usual: Readonly<Record<JobRecord['station'], readonly Attempt[]>> = {
  receive: [receiving, moving],
  teardown: [answers, answers, answers, backs, accounts, moving],
  clean: [cleaning, moving],
  inspect: [readings, looking, disposing, moving],
  quote: [quoting, quoting, heading],
  approve: [answering, answering, branching],
  parts: [buying, supplying, supplying, moving, branching],
  rebuild: [answers, answers, answers, backs, deviating, signing, readings, moving, branching],
  test: [answers, backs, testing],
  report: [leaving],
  return: [leaving],
};

/** Takes a job to its second station or later before the chance begins, so that every station is tried. */
function bringTo(world: World, station: JobRecord['station']): void {
  world.record = { ...world.record, station };
}

function assertInvariants(world: World, before: JobRecord, decision: Decision<unknown>): void {
  const { record, events } = world;
  // What is in a pump that nobody can name keeps it shut.
  if (isShutByResidue(before)) {
    expect(record.answers.filter(({ phase }) => phase === 'teardown').length).toBeLessThanOrEqual(
      before.answers.filter(({ phase }) => phase === 'teardown').length,
    );
    expect(before.station === 'receive' && record.station === 'teardown').toBe(false);
  }
  // A move is one of the table, through an open gate.
  if (record.station !== before.station) {
    const move = JSON.parse(decision.event.data) as { move?: EventKind };
    expect(move.move).toBeDefined();
    expect(moves[present(move.move)].from).toContain(before.station);
    expect(moves[present(move.move)].to).toBe(record.station);
    const unmoved = { ...record, station: before.station, outcome: before.outcome };
    expect(gateFor(present(move.move), unmoved, family)).toEqual([]);
    expect(
      transition({ ...before, closed: before.closedAt !== null }, { event: present(move.move), missing: [] }).ok,
    ).toBe(true);
  }
  // What the standing was reckoned of answers as the record after it does.
  const ahead = onward[record.station];
  expect(gateFor(ahead, decision.settled, decision.family)).toEqual(gateFor(ahead, record, decision.family));
  expect(standingOf({ ...record }, decision.family)).toEqual(decision.standing);
  // The chain runs on, and the event says who did it.
  expect(events.at(-1)).toBe(decision.event);
  expect(record.version).toBe(before.version + 1);
  // Acknowledged readings are there, by whom they were made.
  for (const [key, { typed, by }] of world.readings) {
    const found = record.readings.find((one) => `${one.phase} ${one.pointId} ${one.place}` === key);
    expect([key, found?.typed, found?.personName]).toEqual([key, typed, by]);
  }
  // A hold point is never signed by the one who did the step.
  for (const step of record.steps) if (step.second) expect(step.second.personId).not.toBe(step.personId);
  // Money is whole, and the parts of a total add up.
  for (const { lines, ...head } of record.quotes) {
    const { netMinor, taxMinor, grossMinor } = totalQuote(lines, head);
    expect([netMinor, taxMinor].every(Number.isSafeInteger)).toBe(true);
    expect(grossMinor).toBe(netMinor + taxMinor);
  }
  // Who declined something critical was asked again, and nothing new is ordered before the shop has said what it does.
  if (decision.event.kind === 'order-parts') expect(unsettledDecline(before)).toBeNull();
  // What an agreed limit approves at this moment does not go beyond it, with all that it approved before.
  const byLimit = record.approvals.filter(({ way }) => way === 'agreed limit').map(({ quoteId }) => quoteId);
  const spent = record.quotes
    .filter(({ id }) => byLimit.includes(id))
    .reduce((sum, one) => sum + totalQuote(one.lines, one).netMinor, 0);
  if (before.approvals.length < record.approvals.length && record.approvals.at(-1)?.way === 'agreed limit')
    expect(spent).toBeLessThanOrEqual(record.agreement?.limitMinor ?? 0);
  assertSupplied(record);
  // Nothing is received that was not ordered.
  for (const line of record.orders.flatMap((order) => order.lines))
    expect(line.received).toBeLessThanOrEqual(line.quantity);
}

const choice = fc.record({
  kind: fc.nat(999),
  picks: fc.array(fc.nat(9999), { minLength: 6, maxLength: 6 }),
  by: fc.nat(2),
});

function play(world: World, { kind, picks, by }: { kind: number; picks: readonly number[]; by: number }): void {
  let next = 0;
  const pick = <T>(items: readonly T[]): T | undefined =>
    items[(picks[next++ % picks.length] ?? 0) % (items.length || 1)];
  const likely = usual[world.record.station];
  const attempt =
    kind % 4 === 0
      ? present(attempts[Math.floor(kind / 4) % attempts.length])
      : present(likely[Math.floor(kind / 4) % likely.length]);
  const tried = attempt(world, pick);
  if (!tried) return;
  const before = world.record;
  const who = present(people[by]);
  const decided = tried.run(who);
  // A refusal changes nothing, and says why.
  if (!decided.ok) {
    expect(world.record).toBe(before);
    expect(decided.refusal.message).not.toBe('');
    return;
  }
  world.take(decided.decision);
  for (const { pointId, place, typed } of tried.readings ?? [])
    world.readings.set(`${pointId} ${place}`, { typed, by: who });
  assertInvariants(world, before, decided.decision);
}

const runs = { numRuns: 60 };

test('any order of commands by any people breaks no invariant, and the events give the record', () => {
  fc.assert(
    fc.property(fc.array(choice, { minLength: 20, maxLength: 120 }), (choices) => {
      const world = open();
      for (const one of choices) play(world, one);
      expect(world.difference()).toBeNull();
    }),
    runs,
  );
});

test.each(Object.keys(usual) as JobRecord['station'][])('the same from %s on', (station) => {
  fc.assert(
    fc.property(fc.array(choice, { minLength: 10, maxLength: 60 }), (choices) => {
      const world = open();
      bringTo(world, station);
      for (const one of choices) play(world, one);
    }),
    { numRuns: 25 },
  );
});
