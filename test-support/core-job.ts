import { createHash } from 'node:crypto';
import { bench, decide, inspection, lifecycle, parts, quote, receive, report, test as stand } from '@/core/change';
import { verifyJob, type Decider, type Decision } from '@/core/change';
import { buildFamily, type Build, type Capture, type Family, type FamilyFile } from '@/core/family';
import type { ChainedEvent, PersonalMove } from '@/core/lifecycle';
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
} from '@/core/record';
import type { Action, CapturePhase, PersonId, PhotoId, Phase, Tag } from '@/core/record';
import { exampleRecord } from '@/core/record/example-record';
import { reckonBearingHeat } from '@/core/sums';
import { asBuiltSchema, type AsBuilt } from '@/core/report';
import { simulatedTestStand } from '@/stand-ins';

const sha256 = (text: string) => createHash('sha256').update(text).digest('hex');
export const shop = { name: 'Kettlewick Pump Works', place: 'Harrowmere' };
export const terms = {
  ...{ currency: 'EUR', taxPct: 20, quoteValidDays: 30 },
  rates: {
    ...{ labourMinorPerHour: 6800, machiningMinorPerHour: 8400, testMinor: 24000, freightMinor: 9500 },
    partsMarkupPct: 18,
  },
};
export const instruments = [{ code: 'M-07', uncertaintyUm: 1 }];
export type Person = 'Ines' | 'Odile' | 'Marek' | 'Bram';

/** What is different in one job; everything else is as a pump that nothing ails. */
export interface JobScript {
  readonly build?: Build;
  readonly duty: Duty;
  /** Readings at all places of a point, as typed; every other point reads its least new size. */
  readonly found: Readonly<Record<string, string>>;
  /** The same as left; every other point reads its largest new size. */
  readonly left?: Readonly<Record<string, string>>;
  /** What is done about points, by their id: action and reason. */
  readonly dispose: Readonly<Record<string, readonly [action: Action, reason: string]>>;
  /** What was seen: the part, words, and what is done about it. */
  readonly seen?: readonly [part: string, words: string, action: Action, reason: string];
  /** Captures that are not the first choice, by their id at teardown; rebuild says the same. */
  readonly captures?: Readonly<Record<string, string>>;
  /** Lines of the quote that the customer declines, by a word in them. */
  readonly declines?: string;
}

/** A whole job played through the same rules as people’s commands, without server or database. */
export class CoreJob {
  record: JobRecord;
  readonly family: Family;
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
      ...{ customer: customer.name, contact: null, familyId: family.id, promisedOn: '2026-12-10' },
      pump: { ...pump, nameplate: {} },
      intake: { ...body, elastomer: '', cameWith: [], shims: [], duty: script.duty },
    };
    const facts = { jobId: asId<JobId>('job'), tag: asId<Tag>('P-0417'), family: this.family, earlierVisits: [] };
    const who = this.signed('Ines');
    const decision = receive.openJob(
      { who, now: who.at, sha256, facts: { ...facts, pump, customer, contact } },
      command,
    );
    this.record = decision.after;
    this.events.push(decision.event);
  }

  private signed(personName: Person) {
    this.clock += 60_000;
    return { personName, personId: asId<PersonId>(`id-${personName}`), at: new Date(this.clock).toISOString() };
  }

  private id<Id extends MadeId>(): Id {
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

  take({ event, after, texts }: Decision<unknown>): void {
    this.events.push(event);
    this.record = after;
    this.texts = { ...this.texts, ...texts };
  }

  move(by: Person, event: PersonalMove): void {
    this.act(by, ['advance-job', lifecycle.advanceJob], null, { tag: this.record.tag, event });
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

  private typedFor(capture: Capture): string {
    const own = this.script.captures?.[capture.id];
    if (own !== undefined) return own;
    const usual: Readonly<Record<Capture['kind'], string>> = {
      ...{ photo: '', position: '12.0', count: String(capture.expect ?? 2), orientation: capture.choices?.[0] ?? '' },
      ...{ 'match-mark': 'one line', 'thread-hand': String(capture.expect ?? capture.choices?.at(-1)), value: '150' },
    };
    return usual[capture.kind];
  }

  private capture(phase: CapturePhase, capture: Capture): void {
    const { tag } = this.record;
    const before = this.record.captures.find((one) => one.captureId === capture.agrees_with);
    const typed = before?.typed ?? this.typedFor(capture);
    const photoId =
      capture.kind === 'photo'
        ? this.act(
            'Odile',
            ['add-photo', receive.addPhoto],
            { photoId: this.id<PhotoId>(), width: 640, height: 480, fingerprint: 'f' },
            { about: `capture:${capture.id}`, caption: capture.ask },
          ).photoId
        : null;
    const command = { tag, phase, captureId: capture.id, typed, photoId, reason: '', basedOn: 0 };
    this.act('Odile', ['record-capture', bench.recordCapture], null, command);
  }

  teardown(): void {
    const { tag } = this.record;
    for (const step of this.family.teardown) {
      for (const capture of step.captures) this.capture('teardown', capture);
      const command = { tag, phase: 'teardown' as const, stepId: step.id, note: '', basedOn: 0 };
      const cautionsRead = [...step.cautions];
      this.act('Odile', ['finish-step', bench.finishStep], null, { ...command, cautionsRead });
    }
    const rows = this.family.parts.map(({ ref }) => ({
      partRef: ref,
      state: 'present' as const,
      note: '',
      basedOn: 0,
    }));
    this.act('Odile', ['account-parts', bench.accountParts], null, { tag, parts: rows });
    this.move('Odile', 'finish-teardown');
  }

  clean(): void {
    const hard = this.family.parts.filter((part) => !part.soft);
    const rows = hard.map(({ ref }) => ({ partRef: ref, method: 'washed', masked: true }));
    const command = { tag: this.record.tag, cautionRead: true as const, parts: rows };
    this.act('Odile', ['clean-parts', bench.cleanParts], null, command);
    this.move('Odile', 'finish-cleaning');
  }

  /** Reads every point of a phase at all its places. */
  measure(phase: Phase): void {
    const { tag } = this.record;
    const { found, left = {} } = this.script;
    const [own, end] = phase === 'as-found' ? [found, 'min' as const] : [left, 'max' as const];
    for (const { id, measured, new_mm, places } of this.family.points) {
      if (!new_mm || !measured.includes(phase)) continue;
      const typed = own[id] ?? String(new_mm[end]);
      const entries = places.map((place) => ({
        ...{ pointId: id, place: placeKey(place), typed, instrument: 'M-07', basedOn: 0 },
      }));
      this.act('Odile', ['record-readings', inspection.recordReadings], { instruments }, { tag, phase, entries });
    }
  }

  inspect(): void {
    const { tag } = this.record;
    const { dispose, seen } = this.script;
    this.measure('as-found');
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
    const lines = present(this.record.quotes.at(-1)).lines;
    const declinedLines = lines
      .filter((line) => declines !== undefined && line.description.includes(declines))
      .map((line) => line.id);
    const answer = { tag, way: 'telephone' as const, name: 'Fern Okonjo', reference: 'at ten', declinedLines };
    const facts = { approvalId: this.id<never>() };
    this.act('Ines', ['record-approval', quote.recordApproval], facts, { ...answer, declineAll: false });
  }

  /** Orders what is needed and counts it in, whole. */
  parts(): void {
    const { tag } = this.record;
    this.act('Bram', ['order-parts', parts.orderParts], { number: 'PO-0001', supplier: 'Sillwater' }, null);
    const { lines } = present(this.record.orders[0]);
    const orderNumber = 'PO-0001';
    const acknowledged = { tag, orderNumber, reference: 'A-1', dueOn: '2026-11-30' };
    this.act('Bram', ['acknowledge-order', parts.acknowledgeOrder], undefined, acknowledged);
    const sent = lines.map((line) => ({ lineId: line.partRef, quantity: line.quantity }));
    const parcel = { lines: sent, restOn: null, sentBefore: {} };
    this.act('Bram', ['take-parcel', parts.takeParcel], parcel, { tag, orderNumber });
    const counts = lines.map((line) => ({ lineId: line.id, counted: line.quantity }));
    const receiptIds = counts.map(() => this.id<never>());
    this.act('Bram', ['receive-parts', parts.receiveParts], { receiptIds }, { tag, orderNumber, counts, note: '' });
    this.move('Ines', 'start-rebuild');
  }

  rebuild(): void {
    const { tag } = this.record;
    for (const step of this.family.rebuild) {
      for (const capture of step.captures) this.capture('rebuild', capture);
      const reached =
        step.heat && reckonBearingHeat({ ...step.heat, ambient_c: 20, school: 'computed' }).result.temperature_c;
      this.act('Odile', ['finish-step', bench.finishStep], null, {
        ...{ tag, phase: 'rebuild' as const, stepId: step.id, cautionsRead: [...step.cautions], note: '', basedOn: 0 },
        ...(step.torque && { torqueNm: step.torque.window_nm.min }),
        ...(reached !== undefined && { temperatureC: Math.ceil(reached), ambientC: 20 }),
        ...(step.consumables[0] && { consumable: step.consumables[0].what }),
      });
      if (step.hold_point)
        this.act('Marek', ['sign-hold-point', bench.signHoldPoint], null, { tag, stepId: step.id, basedOn: 1 });
    }
    this.measure('as-left');
    this.move('Odile', 'finish-rebuild');
  }

  /** One run of a sound pump on the simulated stand, passed. */
  async test(): Promise<void> {
    const { tag, intake } = this.record;
    const { test } = this.family;
    for (const check of test.checks)
      this.act('Marek', ['finish-step', bench.finishStep], null, {
        ...{ tag, phase: 'test' as const, stepId: check.id, cautionsRead: [...check.cautions], note: '', basedOn: 0 },
      });
    const duty = present(intake.duty);
    const points = await simulatedTestStand.run({
      ...{ seed: 'golden', condition: 'sound', pipeMm: test.pipe_mm, flowShares: test.flow_shares },
      rated: { ...duty, efficiencyPct: duty.efficiencyPct ?? 68 },
      ...(test.displacement_cm3 !== undefined && {
        slip: { displacementCm3: test.displacement_cm3, pressureShares: test.pressure_shares },
      }),
    });
    const run = rebuildRound(this.record);
    const facts = { runId: this.id<never>(), run, points };
    this.act('Marek', ['run-test', stand.runTest], facts, { tag, condition: 'sound' });
    const decided = { tag, run, decision: 'passed' as const, reason: '' };
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
