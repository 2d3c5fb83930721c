import { orderOfAll } from './order-facts';
import { createHash } from 'node:crypto';
import { standingReadings, workAt, workOf } from '@/core/bench';
import { heatFor } from '@/core/bench/heat';
import { bench, decide, inspection, lifecycle, supply, quote, receive, report, test as stand } from '@/core/change';
import { verifyJob, type Decider, type Decision } from '@/core/change';
import {
  actionTitle,
  limitsOf,
  buildFamily,
  partsOn,
  type Build,
  type Family,
  type FamilyFile,
  type Step,
  type StepAction,
} from '@/core/family';
import type { ChainedEvent, PersonalMove } from '@/core/lifecycle';
import { underPolicies } from '@/core/policies';
import { present } from '@/core/present';
import {
  asId,
  placeKey,
  rebuildRound,
  stations,
  type Station,
  type Duty,
  type JobId,
  type JobRecord,
  type MadeId,
  type Tool,
} from '@/core/record';
import type { Action, BenchPhase, Matter, PersonId, PhotoId, Phase, Tag } from '@/core/record';
import { exampleRecord } from '@/core/record/example-record';
import { reckonBearingHeat } from '@/core/sums';
import { asBuiltSchema, type AsBuilt } from '@/core/report';
import { flowSharesOf } from '@/core/testing';
import { simulatedTestStand } from '@/stand-ins';
import { rightAnswer } from '../demo/right-answer';
import { rightRuns } from '../demo/right-cleaning';

const sha256 = (text: string) => createHash('sha256').update(text).digest('hex');
export const shop = { name: 'Kettlewick Pump Works', place: 'Harrowmere' };
export const terms = {
  ...{ currency: 'EUR', taxPct: 20, taxes: [], quoteValidDays: 30, basis: null, language: 'en' as const },
  rates: {
    ...{ labourMinorPerHour: 6800, machiningMinorPerHour: 8400, testMinor: 24000, freightMinor: 9500 },
    partsMarkupPct: 18,
    wageMinorPerHour: 3900,
  },
};
export const instruments: readonly Tool[] = [
  {
    ...{ code: 'M-07', kind: 'outside micrometer', unit: 'mm', uncertainty: 0.001 },
    ...{ rangeLow: null, rangeHigh: null, dueOn: '2027-06-01' },
  },
];
export const toolFacts = { tools: instruments, zone: 'UTC' };
/** Pieces of a delivery with which nothing is wrong, but for their count. */
export const rightPieces = {
  ...{ wrong: 0, what: '', number: '', elastomer: '', variant: '', lot: '', photoId: null, accept: false },
};
export type Person = 'Ines' | 'Odile' | 'Marek' | 'Bram';

/** What is different in one job; everything else is as a pump that nothing ails. */
export interface JobScript {
  readonly build?: Build;
  readonly duty: Duty;
  /** The liquid as it is pumped, and the elastomer that is chosen for it. */
  readonly pumpedAt?: { readonly temperatureC: number; readonly viscosityMm2S: number };
  readonly elastomer?: string;
  /** Readings at all places of a point, as typed; every other point reads its least new size. */
  readonly found: Readonly<Record<string, string>>;
  /** The same as left; every other point reads its largest new size. */
  readonly left?: Readonly<Record<string, string>>;
  /** What is done about points, by their id: action and reason. */
  readonly dispose: Readonly<Record<string, readonly [action: Action, reason: string]>>;
  /** What was seen: the part, words, and what is done about it. */
  readonly seen?: readonly [part: string, words: string, action: Action, reason: string];
  /** Answers at teardown that are not the usual ones, by the id of their action; rebuild says the same. */
  readonly captures?: Readonly<Record<string, string>>;
  /** Lines of the quote that the customer declines, by a word in them. */
  readonly declines?: string;
  /** Schools that the shop follows where they are not the usual ones. */
  readonly policies?: Readonly<Partial<Record<Matter, string>>>;
}

/** An overhung pump whose front ring is worn out and renewed. */
export const wornRing = {
  duty: { flowM3h: 25, headM: 32, speedRpm: 2900 },
  found: { 'ring-bore': '100.70' },
  dispose: { 'ring-bore': ['replace', 'worn'] },
} as const satisfies JobScript;

/** What a pump that nothing ails answers at teardown, where it is not the first choice. */
function plain({ answer }: StepAction): string | undefined {
  if (answer?.kind === 'mark') return 'one line';
  return answer?.kind === 'choice' && answer.about === 'thread hand' && answer.should === undefined
    ? answer.choices.at(-1)
    : undefined;
}

/** At rebuild the least that is right: the lower end of a torque, the degree that a bearing needs. */
function plainly({ answer }: StepAction, job: Pick<CoreJob, 'record' | 'family'>): string | undefined {
  if (answer?.kind === 'torque') return String(answer.window_nm.min);
  if (answer?.kind !== 'heat') return undefined;
  return String(Math.ceil(reckonBearingHeat(heatFor(answer, job, 20)).result.temperature_c));
}

/** The PIN is proved outside core; the rule is told who it proves. */
export const noPin = { personId: asId<PersonId>(''), pin: '' };
export const signerOf = (personName: Person) => ({
  signer: { personName, personId: asId<PersonId>(`id-${personName}`) },
});

/** A whole job played through the same rules as people’s commands, without server or database. */
export class CoreJob {
  record: JobRecord;
  family: Family;
  readonly events: ChainedEvent[] = [];
  private clock = Date.parse('2026-11-20T08:00:00.000Z');
  ids = 0;
  private texts: Readonly<Record<string, string>> = {};

  constructor(
    family: FamilyFile,
    readonly script: JobScript,
  ) {
    this.family = buildFamily(family, script.build ?? {});
    const { intake } = exampleRecord();
    const { version: _version, isolation: _isolation, ...body } = intake;
    const { customer, contact, pump } = exampleRecord();
    const command = {
      ...{ customer: customer.name, contact: null, familyId: family.id, promisedOn: '2026-12-10', lot: null },
      pump: { ...pump, nameplate: {} },
      intake: {
        ...{ ...body, elastomer: script.elastomer ?? '', cameWith: [], shims: [], duty: script.duty },
        liquidTemperatureC: script.pumpedAt?.temperatureC ?? null,
        viscosityMm2S: script.pumpedAt?.viscosityMm2S ?? null,
      },
    };
    const facts = {
      ...{ jobId: asId<JobId>('job'), tag: asId<Tag>('P-0417'), family: this.family, earlierVisits: [] },
      ...{ zone: 'UTC', lot: null, policies: script.policies ?? {}, agreed: null },
    };
    const who = this.signed('Ines');
    const decision = receive.openJob(
      { who, now: who.at, sha256, facts: { ...facts, pump, customer, contact } },
      command,
    );
    this.record = decision.after;
    this.family = underPolicies(this.family, this.record);
    this.events.push(decision.event);
  }

  private signed(personName: Person) {
    this.clock += 60_000;
    return { personName, personId: asId<PersonId>(`id-${personName}`), at: new Date(this.clock).toISOString() };
  }

  id<Id extends MadeId>(): Id {
    return asId<Id>(`id-${String(++this.ids).padStart(4, '0')}`);
  }

  /** Decides one command, and changes nothing yet. */
  decide<Command, Result, Facts>(
    by: Person,
    [verb, decider]: readonly [string, Decider<Command, Result, Facts>],
    facts: Facts,
    command: Command,
  ) {
    const who = this.signed(by);
    const { record, family } = this;
    const given = { record, family, who, now: who.at, newId: <Id extends MadeId>() => this.id<Id>(), sha256, facts };
    return decide(verb, decider, given, command);
  }

  /** Decides one command and takes it; throws what refuses it. */
  act<Command, Result, Facts>(
    by: Person,
    rule: readonly [string, Decider<Command, Result, Facts>],
    facts: Facts,
    command: Command,
  ): Result {
    const decided = this.decide(by, rule, facts, command);
    if (!decided.ok) throw decided.refusal;
    this.take(decided.decision);
    return decided.decision.result;
  }

  take({ event, after, texts, family }: Decision<unknown>): void {
    this.family = underPolicies(family, after);
    this.events.push(event);
    this.record = after;
    this.texts = { ...this.texts, ...texts };
  }

  move(by: Person, event: PersonalMove): void {
    this.act(by, ['advance-job', lifecycle.advanceJob], null, { tag: this.record.tag, event, reason: '' });
  }

  /** Receiving: cautions read, isolation confirmed. */
  receive(): void {
    const { tag } = this.record;
    const { version } = this.record.intake;
    for (const caution of ['energy-isolation', 'harmful-liquid'])
      this.act('Odile', ['acknowledge-caution', receive.acknowledgeCaution], null, { tag, caution });
    this.act('Odile', ['confirm-isolation', receive.confirmIsolation], null, { tag, basedOn: version });
    this.move('Ines', 'begin-teardown');
  }

  private photo(caption: string): PhotoId {
    const facts = { photoId: this.id<PhotoId>(), width: 640, height: 480, fingerprint: 'f' };
    const command = { about: 'action', caption };
    return this.act('Odile', ['add-photo', receive.addPhoto], facts, command).photoId;
  }

  /** Answers one action, rightly or as the script says. */
  answer(phase: BenchPhase, step: Step, action: StepAction): void {
    const { record, family } = this;
    const right = rightAnswer({ phase, step, action, record, family, tools: toolFacts.tools, day: '2026-11-20' });
    if (action.answer?.kind === 'measure')
      this.measure(phase === 'teardown' ? 'as-found' : 'as-left', action.answer.points);
    const { typed, passes, rows, ambientC, consumable = '', tool = '', wantsPhoto } = right;
    const own = phase === 'teardown' ? (this.script.captures?.[action.id] ?? plain(action)) : plainly(action, this);
    const stored = workAt(record, family, { phase, actionId: action.id })?.at.stored;
    this.act('Odile', ['answer-action', bench.answerAction], toolFacts, {
      ...{ tag: record.tag, phase, actionId: action.id, typed: own ?? typed, consumable, tool, reason: '' },
      photoId: wantsPhoto ? this.photo(actionTitle(action)) : null,
      ...(passes && { passes }),
      ...(rows && { rows }),
      ...(ambientC !== undefined && { ambientC }),
      notPossible: false,
      cautionsRead: [...step.cautions, ...action.cautions],
      basedOn: stored?.version ?? 0,
    });
  }

  /** Every action of every step of a phase, hold points signed by somebody else. */
  workThrough(phase: BenchPhase, steps: readonly Step[]): void {
    for (const step of steps) {
      for (const action of step.actions) this.answer(phase, step, action);
      const { tag } = this.record;
      const row = workOf(this.record, this.family, phase).find((one) => one.step.id === step.id)?.row;
      if (step.hold_point)
        this.act('Odile', ['sign-hold-point', bench.signHoldPoint], signerOf('Marek'), {
          ...{ tag, stepId: step.id, basedOn: row?.version ?? 0, signer: noPin },
        });
    }
  }

  teardown(): void {
    const { tag } = this.record;
    this.workThrough('teardown', this.family.teardown);
    const rows = partsOn(this.family.parts, 'came').map(({ ref }) => ({
      partRef: ref,
      state: 'present' as const,
      note: '',
      basedOn: 0,
    }));
    this.act('Odile', ['account-parts', bench.accountParts], null, { tag, parts: rows });
    this.move('Odile', 'finish-teardown');
  }

  clean(): void {
    const hard = partsOn(this.family.parts, 'came').filter((part) => !part.soft && !part.stays);
    for (const run of rightRuns(hard)) {
      const command = { tag: this.record.tag, cautionRead: true as const, run, damage: {} };
      this.act('Odile', ['clean-parts', bench.cleanParts], null, command);
    }
    this.move('Odile', 'finish-cleaning');
  }

  /** Reads every point of a phase at all its places, or those named; what was read in this phase stays. */
  measure(phase: Phase, only?: readonly string[]): void {
    const { tag } = this.record;
    const { found, left = {} } = this.script;
    const [own, end] = phase === 'as-found' ? [found, 'min' as const] : [left, 'max' as const];
    for (const point of this.family.points) {
      const { id, measured, derived, places } = point;
      if (derived || !measured.includes(phase) || (only && !only.includes(id))) continue;
      if (standingReadings(this.record, this.family).some((one) => one.phase === phase && one.pointId === id)) continue;
      const { min, max } = limitsOf(point).asNew;
      const typed = own[id] ?? String((end === 'min' ? (min ?? max) : (max ?? min)) ?? 0);
      const entries = places.map((place) => ({
        ...{ pointId: id, place: placeKey(place), typed, basedOn: 0 },
        instrument: point.unit === 'mm' ? 'M-07' : null,
      }));
      this.act('Odile', ['record-readings', inspection.recordReadings], toolFacts, { tag, phase, entries });
    }
  }

  inspect(): void {
    const { tag } = this.record;
    const { dispose, seen } = this.script;
    this.measure('as-found');
    const looked = this.family.parts.filter(({ critical, ref }) => critical && ref !== seen?.[0]);
    if (looked.length) {
      const rows = looked.map(({ ref }) => ({ partRef: ref, basedOn: 0 }));
      this.act('Odile', ['look-at-parts', inspection.lookAtParts], null, { tag, parts: rows });
    }
    for (const [pointId, [action, reason]] of Object.entries(dispose))
      this.act('Marek', ['dispose', inspection.dispose], null, {
        ...{ tag, target: { pointId }, action, reason, basedOn: 0 },
      });
    if (seen) {
      const [partRef, words, action, reason] = seen;
      const command = { tag, partRef, words, plain: '', photoId: null };
      const { findingId } = this.act('Odile', ['record-finding', inspection.recordFinding], null, command);
      this.act('Marek', ['dispose', inspection.dispose], null, {
        ...{ tag, target: { findingId }, action, reason, basedOn: 0 },
      });
    }
    this.move('Marek', 'finish-inspection');
  }

  /** Draws the quote up, sends it, and takes the customer’s answer by telephone. */
  quote(): void {
    const { tag } = this.record;
    this.act('Ines', ['draw-up-quote', quote.drawUpQuote], terms, null);
    this.act('Ines', ['send-quote', quote.sendQuote], { linkId: this.id(), token: 'token', origin: 'o' }, null);
    const { declines } = this.script;
    const { lines, options, advised } = present(this.record.quotes.at(-1));
    const declinedLines = lines
      .filter((line) => declines !== undefined && line.description.includes(declines))
      .map((line) => line.id);
    const answer = {
      ...{ tag, quoteId: null, way: 'telephone' as const, name: 'Fern Okonjo', reference: 'at ten', declinedLines },
      ...{ option: options.length ? advised : null, criticalConfirmed: true },
    };
    const facts = { approvalId: this.id<never>() };
    this.act('Ines', ['record-approval', quote.recordApproval], facts, { ...answer, declineAll: false });
  }

  /** Orders what is needed and counts it in, whole. */
  parts(): void {
    const { tag } = this.record;
    this.act('Bram', ['order-parts', supply.orderParts], orderOfAll(this), { tag, atRisk: null });
    const { lines } = present(this.record.orders[0]);
    const orderNumber = 'PO-0001';
    const acknowledged = { tag, orderNumber, reference: 'A-1', dueOn: '2026-11-30', lines: [] };
    this.act('Bram', ['acknowledge-order', supply.acknowledgeOrder], undefined, acknowledged);
    const sent = lines.map((line) => ({ lineId: line.partRef, quantity: line.quantity }));
    const parcel = { lines: sent, restOn: null, sentBefore: {} };
    this.act('Bram', ['take-parcel', supply.takeParcel], parcel, { tag, orderNumber });
    const counts = lines.map((line) => ({ lineId: line.id, ...rightPieces, counted: line.quantity }));
    const receiptIds = counts.map(() => this.id<never>());
    this.act(
      'Bram',
      ['receive-parts', supply.receiveParts],
      { receiptIds, crossing: {}, variants: {} },
      { tag, orderNumber, counts, note: '' },
    );
    this.move('Ines', 'start-rebuild');
  }

  rebuild(): void {
    this.workThrough('rebuild', this.family.rebuild);
    this.measure('as-left');
    this.move('Odile', 'finish-rebuild');
  }

  /** One run of a sound pump on the simulated stand, passed. */
  async test(): Promise<void> {
    const { tag, intake } = this.record;
    const { test } = this.family;
    this.workThrough('test', test.steps);
    const duty = present(intake.duty);
    const points = await simulatedTestStand.run({
      ...{ seed: 'golden', condition: 'sound', pipeMm: test.pipe_mm, flowShares: flowSharesOf(test) },
      rated: { ...duty, efficiencyPct: duty.efficiencyPct ?? 68 },
      ...(test.displacement_cm3 !== undefined && {
        slip: { displacementCm3: test.displacement_cm3, pressureShares: test.pressure_shares },
      }),
    });
    const run = rebuildRound(this.record);
    const facts = { runId: this.id<never>(), run, points, stand: null, zone: 'UTC' };
    this.act('Marek', ['run-test', stand.runTest], facts, { tag, condition: 'sound' });
    const decided = { tag, run, decision: 'passed' as const, reason: '', reopenFrom: null };
    this.act('Marek', ['decide-run', stand.decideRun], null, decided);
  }

  /** Issues the report; gives it as it is frozen. */
  report(): AsBuilt {
    this.act('Ines', ['issue-report', report.issueReport], { shop, number: 'R-2026-0001' }, null);
    const { id } = present(this.record.reports[0]);
    return asBuiltSchema.parse(JSON.parse(present(this.texts[id])));
  }

  /** Plays on until the job stands at a station. */
  playTo(station: Exclude<Station, 'report' | 'return'>): this {
    const parts = [this.receive, this.teardown, this.clean, this.inspect, this.quote, null, this.parts, this.rebuild];
    parts.slice(stations.indexOf(this.record.station), stations.indexOf(station)).forEach((part) => part?.call(this));
    return this;
  }

  /** From the closed door to the issued report. */
  async play(): Promise<AsBuilt> {
    this.playTo('test');
    await this.test();
    return this.report();
  }

  /** The first place where the events do not give the record; null where they do. */
  difference() {
    return verifyJob({ record: this.record, events: this.events, sha256 });
  }
}
