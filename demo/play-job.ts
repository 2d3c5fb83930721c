import { inTurn } from '@/core/in-turn';
import { present } from '@/core/present';
import type { InputOf, ResultOf, Verb } from '@/contract';
import {
  actionTitle,
  limitsOf,
  type AnswerKind,
  type Family,
  type FamilyPoint,
  type Step,
  type StepAction,
} from '@/core/family';
import { standingReadings, toolToOffer, workAt, workOf } from '@/core/bench';
import { judgePoints } from '@/core/inspection';
import { needsOf, trayCode } from '@/core/supply';
import { warrantyClaim } from '@/core/warranty';
import {
  currentQuote,
  placeKey,
  sheetsOf,
  stations,
  type Action,
  type BenchPhase,
  type JobRecord,
  type PartState,
  type Phase,
  type PumpCondition,
  type RunDecision,
  type Tool,
} from '@/core/record';
import { loadJobRecord, type Database } from '@/db';
import { simulatedGauge, wearsUp } from '@/stand-ins';
import type { DemoJob } from './jobs';
import type { DemoPerson } from './people';
import { rightAnswer } from './right-answer';
import { rightPacking } from './right-packing';
import { rightRuns } from './right-cleaning';

/** Sends one verb as one person at one moment, through the use cases. */
export type Act = <V extends Verb>(person: DemoPerson['key'], verb: V, input: InputOf<V>) => Promise<ResultOf<V>>;

/** Readings as typed, by point and place. */
export type WornBefore = ReadonlyMap<string, string>;

/** One person types one PIN after the other, however many pumps are played at once. */
const signInTurn = inTurn();

/** What is needed to play a job: who acts how, which pump, and until where. */
export interface Stage {
  readonly act: Act;
  /** The shop's tools, and the day by which they are judged. */
  readonly tools: { readonly tools: readonly Tool[]; readonly day: string };
  readonly job: DemoJob;
  readonly family: Family;
  readonly tag: string;
  readonly load: () => Promise<JobRecord>;
  /** Moves the demonstration's clock on by hours. */
  readonly pass: (hours: number) => void;
  readonly technician: 'ines' | 'odile';
  /** Who signs hold points, by PIN. */
  readonly signer: InputOf<'sign-hold-point'>['signer'];
  /** By which the simulated gauge finds a pump worn; its tag where nothing is said. */
  readonly seed?: string;
  /** What an earlier visit left, by point and place. */
  readonly wornBefore?: WornBefore;
  /** The step of the bench before which it stops, by its id; as far as the job's station says where there is none. */
  readonly stopsBefore?: string;
}

const positions: Readonly<Record<string, string>> = {
  'coupling-position': '2.0',
  'impeller-position': '38.4',
  'seal-setting': '48.2',
  'deflector-gap': '1.5',
};

/** Something hard in a pump that nobody can name: a sample was taken, the laboratory has not answered. */
async function residue({ act, tag }: Pick<Stage, 'act' | 'tag'>): Promise<void> {
  await act('wenna', 'write-residue', {
    ...{ tag, basedOn: 0 },
    residue: {
      ...{ description: 'amber, hard as glass, no smell', place: 'fills the suction eye', quarantine: 'cage 3' },
      ...{ sampleNumber: 'S-104', laboratory: 'Tarnbeck Laboratory', sampledOn: '', result: '', safetySheet: '' },
      ...{ methods: [], waste: '' },
    },
  });
  const protection = 'mask, gloves, one port in the cabinet, wet';
  await act('wenna', 'allow-opening', { tag, basedOn: 1, what: 'sampling', protection });
}

/** What the owner's fitter did before the pump came, and the first look at it. */
async function begun({ act, tag, technician, family }: Pick<Stage, 'act' | 'tag' | 'technician' | 'family'>) {
  const [casing, gasket] = family.parts.map(({ ref }) => ref);
  const [first] = family.teardown.flatMap(({ actions }) => actions.filter(({ answer }) => answer?.kind === 'mark'));
  await act(technician, 'write-begun', {
    ...{ tag, basedOn: 0 },
    begun: {
      ...{ by: 'the ferry’s own fitter', on: '', done: 'casing off, coupling half off' },
      ...{ whyStopped: 'the impeller nut would not turn', fragments: 2 },
      parts: [
        { ref: present(casing), state: 'loose in the bag', note: '' },
        { ref: present(gasket), state: 'broken by them', note: 'torn' },
      ],
      lost: first ? [{ actionId: first.id, instead: 'the casting’s own rib, by a like pump' }] : [],
    },
  });
  await act(technician, 'write-evaluation', {
    ...{ tag, basedOn: 0 },
    evaluation: {
      ...{ turns: 'stiff', binds: 'at the front ring', substance: 'sand and rust scale' },
      causes: ['front ring scored'],
      lost: [{ ref: 'front-ring', reason: 'scored all round' }],
      atRisk: [{ ref: 'shaft', known: 'after measuring' }],
      ...{ outside: [], made: [], hours: { from: 7, to: 10 }, partsMinor: { from: 28000, to: 46000 } },
      ...{ days: { from: 9, to: 14 }, newUnit: { minor: 268000, days: 35 }, advice: 'repair' },
      words: 'The fragments in the bag are of the old gasket alone.',
    },
  });
}

async function receive({ act, job, tag, technician, pass, family }: Stage): Promise<void> {
  await act('wenna', 'take-picture', {
    tag,
    about: 'job:received',
    partRef: family.parts[0]?.ref ?? 'pump',
    caption: 'As received',
  });
  if (job.part === 'residue') return residue({ act, tag });
  if (job.part === 'begun') await begun({ act, tag, technician, family });
  if (job.part === 'undeclared' || job.cameIn === 0) return;
  await act(technician, 'confirm-isolation', { tag, basedOn: 1 });
  for (const caution of ['energy-isolation', 'harmful-liquid'])
    await act(technician, 'acknowledge-caution', { tag, caution });
  pass(20);
}

interface Worked {
  readonly phase: BenchPhase;
  readonly step: Step;
  readonly who: DemoPerson['key'];
}

/** Answers that are reckoned from what was read or answered before them, perhaps in the same step. */
const reckoned: ReadonlySet<string> = new Set<AnswerKind>(['setting', 'heat', 'record']);

/** The part that a picture of an action shows: what lights up, or what the step handles. */
const pictured = ({ family }: Stage, step: Step, action: StepAction) =>
  action.lights[0] ?? step.parts[0] ?? present(family.parts[0]).ref;

/** Answers every action of a step, rightly; positions as this shop's pumps have them. */
async function answerStep(stage: Stage, { phase, step, who }: Worked): Promise<void> {
  const { act, tag, family, job, load, tools } = stage;
  let record = await load();
  for (const action of step.actions) {
    if (action.answer?.kind === 'measure')
      await measure(stage, phase === 'teardown' ? 'as-found' : 'as-left', { only: action.answer.points });
    if (reckoned.has(action.answer?.kind ?? 'tick')) record = await load();
    const { wantsPhoto, typed, ...right } = rightAnswer({ phase, step, action, record, family, ...tools });
    const about = `action:${action.id}`.slice(0, 80);
    const picture = { tag, about, partRef: pictured(stage, step, action), caption: actionTitle(action) };
    const photoId = wantsPhoto ? (await act(who, 'take-picture', picture)).photoId : null;
    const isPosition = phase === 'teardown' && action.answer?.kind === 'value' && action.answer.unit === 'mm';
    const stored = workAt(record, family, { phase, actionId: action.id })?.at.stored;
    await act(who, 'answer-action', {
      ...{ tag, phase, actionId: action.id, photoId, ...right },
      typed: isPosition ? positionOf(action.id, typed, job) : typed,
      cautionsRead: [...step.cautions, ...action.cautions],
      basedOn: stored?.version ?? 0,
    });
  }
}

const positionOf = (id: string, usual: string, { part }: DemoJob): string =>
  part === 'imperial' ? '1/16 in' : (positions[id] ?? usual);

function stepsUntil({ stopsBefore }: Stage, steps: readonly Step[], until: number): readonly Step[] {
  const stop = steps.findIndex((step) => step.id === stopsBefore);
  return steps.slice(0, stop < 0 ? until : stop);
}

/** Answers every action of some steps rightly, and signs their hold points. */
export async function workSteps(stage: Stage, phase: 'teardown' | 'rebuild', steps: readonly Step[]): Promise<void> {
  const { act, family, tag, technician, load, pass, job } = stage;
  for (const step of steps) {
    await answerStep(stage, { phase, step, who: technician });
    if (step.hold_point) {
      if (job.part === 'hold point') return;
      const row = workOf(await load(), family, phase).find((one) => one.step.id === step.id)?.row;
      const signed = { tag, stepId: step.id, basedOn: row?.version ?? 0, signer: stage.signer };
      await signInTurn(() => act('marek', 'sign-hold-point', signed));
    }
    pass(phase === 'teardown' ? 0.4 : 0.5);
  }
}

async function teardown(stage: Stage, until: number): Promise<void> {
  const { act, family, tag, technician } = stage;
  await act(technician, 'advance-job', { tag, event: 'begin-teardown' });
  await workSteps(stage, 'teardown', stepsUntil(stage, family.teardown, until));
}

/** Every part present, the deflector broken. */
export async function account({ act, family, tag, technician }: Stage): Promise<void> {
  // Some part came apart in every construction: the deflector, where there is one.
  const odd = new Map<string, PartState>([['deflector', 'broken']]);
  await act(technician, 'account-parts', {
    tag,
    parts: family.parts.map((part) => ({
      partRef: part.ref,
      state: odd.get(part.ref) ?? 'present',
      note: odd.has(part.ref) ? 'perished, in two pieces' : '',
      basedOn: 0,
    })),
  });
}

/** The parts lie in a labelled tray: beside a like pump they must, and one may come at any time. */
async function layAside({ act, family, tag, technician }: Stage): Promise<void> {
  await act(technician, 'lay-in-tray', { tag, parts: family.parts.map(({ ref }) => ref), tray: '1' });
}

/** Labels are read before the parts go in. */
async function readLabels({ act, tag, technician, load }: Stage): Promise<void> {
  if (sheetsOf(await load(), 'tray').length) await act(technician, 'read-label', { tag, code: trayCode(tag, '1') });
}

/** Cleans a share of the hard parts by the runs that suit them. */
export async function clean({ act, family, tag, technician, pass }: Stage, share = 1): Promise<void> {
  const hard = family.parts.filter((part) => !part.soft && !part.stays);
  for (const run of rightRuns(hard.slice(0, Math.round(hard.length * share)))) {
    await act(technician, 'clean-parts', { tag, cautionRead: true, run });
    pass(1);
  }
  pass(3);
}

const keyOf = (pointId: string, place: string) => `${pointId}/${place}`;

/** The parts that are new or made good: what was bought, what comes with a kit, what was reworked. */
function renewedParts(record: JobRecord, family: Family): ReadonlySet<string> {
  const bought = needsOf(record, family).map(({ ref }) => ref);
  const made = record.findings.filter(({ disposition }) => disposition && disposition.action !== 'reuse as it is');
  const soft = family.parts.filter((part) => part.soft);
  return new Set([...bought, ...made.map(({ partRef }) => partRef), ...soft.map(({ ref }) => ref)]);
}

interface Asked {
  readonly point: FamilyPoint;
  readonly phase: Phase;
  readonly record: JobRecord;
}

/** What a gauge reads cannot be better than before where nobody did anything: not within a visit, not between two. */
function notHealed({ family, wornBefore }: Stage, { point, phase, record }: Asked) {
  const isKept = phase === 'as-left' && !renewedParts(record, family).has(point.part);
  const { asNew, reuse } = limitsOf(point);
  return (place: string, typed: string): string => {
    if (isKept) {
      const found = standingReadings(record, family).find(
        (one) => one.phase === 'as-found' && one.pointId === point.id && one.place === place,
      );
      return found?.typed ?? typed;
    }
    const before = phase === 'as-found' ? wornBefore?.get(keyOf(point.id, place)) : undefined;
    if (before === undefined) return typed;
    const isWorse = wearsUp({ asNew, reuse }) ? Number(typed) >= Number(before) : Number(typed) <= Number(before);
    return isWorse ? typed : before;
  };
}

/** What the shop's sheet says a point is worn by, as typed; null where it says nothing. */
function wornBy({ job }: Stage, { point, phase }: Asked): string | null {
  const by = phase === 'as-found' ? job.worn?.[point.id] : undefined;
  const { asNew, decimals } = limitsOf(point);
  const from = by === undefined ? undefined : by > 0 ? asNew.max : asNew.min;
  return by === undefined || from === undefined ? null : (from + by).toFixed(decimals);
}

async function readingsOf(stage: Stage, asked: Asked) {
  const { tag, tools, seed = tag } = stage;
  const { point, phase } = asked;
  const asWorn = notHealed(stage, asked);
  const { unit, decimals, asNew, reuse } = limitsOf(point);
  const kind = point.instrument === 'none' ? null : point.instrument;
  return Promise.all(
    point.places.map(async (place) => {
      const ask = {
        job: seed,
        phase,
        point: point.id,
        place: placeKey(place),
        digits: decimals,
        ...{ unit, asNew, reuse },
      };
      const { typed: read } = await simulatedGauge.takeReading(ask);
      const typed = asWorn(placeKey(place), wornBy(stage, asked) ?? read);
      return {
        pointId: point.id,
        place: placeKey(place),
        typed,
        instrument: kind
          ? (toolToOffer(tools.tools, kind, { value: Number(typed), unit, day: tools.day })?.code ?? null)
          : null,
        basedOn: 0,
      };
    }),
  );
}

interface Measuring {
  /** How many of the points are measured. */
  readonly share?: number;
  /** Points by their ids; all where none are named. */
  readonly only?: readonly string[];
  /** The record in which everything is measured again. */
  readonly again?: JobRecord;
}

/** Reads points of a phase that were not read yet, or all anew. */
export async function measure(stage: Stage, phase: Phase, { share = 1, only, again }: Measuring = {}): Promise<void> {
  const { act, family, tag, pass, load } = stage;
  const record = again ?? (await load());
  const isRead = (id: string) =>
    standingReadings(record, family).some((one) => one.phase === phase && one.pointId === id);
  const points = family.points
    .filter((point) => point.measured.includes(phase) && point.places.length)
    .filter((point) => !only || only.includes(point.id))
    .filter((point) => again || !isRead(point.id));
  if (!points.length) return;
  const entries = (
    await Promise.all(
      points.slice(0, Math.ceil(points.length * share)).map((point) => readingsOf(stage, { point, phase, record })),
    )
  ).flat();
  const version = (entry: (typeof entries)[number]) =>
    (again ? standingReadings(again, family) : []).find(
      (one) => one.phase === phase && one.pointId === entry.pointId && one.place === entry.place,
    )?.version ?? 0;
  await act('marek', 'record-readings', {
    tag,
    phase,
    entries: entries.map((entry) => ({ ...entry, basedOn: version(entry) })),
  });
  pass(3);
}

const wornAction: Readonly<Record<string, Action>> = { shaft: 'rework', bracket: 'rework', 'seal-cover': 'rework' };

/** Looks at what was not looked at, and decides on what is out. */
export async function judge({ act, job, tag, family, load }: Stage): Promise<void> {
  for (const [partRef, words] of job.visual ?? []) {
    const { photoId } = await act('marek', 'take-picture', { tag, about: `part:${partRef}`, partRef, caption: words });
    const { findingId } = await act('marek', 'record-finding', { tag, partRef, words, plain: '', photoId });
    await act('marek', 'dispose', { tag, target: { findingId }, action: 'replace', reason: 'past use' });
  }
  const record = await load();
  const looked = new Set(record.looks.map(({ ref }) => ref));
  const unseen = family.parts.filter(({ critical, ref }) => critical && !looked.has(ref));
  if (unseen.length)
    await act('marek', 'look-at-parts', { tag, parts: unseen.map(({ ref }) => ({ partRef: ref, basedOn: 0 })) });
  for (const state of judgePoints({ family, readings: record.readings, phase: 'as-found' })) {
    if (state.verdict !== 'out' && state.verdict !== 'tight') continue;
    await act('marek', 'take-picture', {
      tag,
      about: `part:${state.point.part}`,
      partRef: state.point.part,
      caption: state.point.title,
    });
    await act('marek', 'dispose', {
      tag,
      target: { pointId: state.point.id },
      action: wornAction[state.point.part] ?? 'replace',
      reason: state.reason,
    });
  }
}

async function quote({ act, tag, job, load, pass }: Stage, send: boolean): Promise<void> {
  const claim = warrantyClaim(await load());
  if (claim && job.part !== 'came back')
    await act('wenna', 'judge-warranty', {
      ...{ tag, basedOn: 0 },
      warranty: {
        ...{ earlierTag: claim.tag, judgement: 'theirs', sharePct: 0 },
        reason: 'another fault: nothing that was fitted then has failed',
      },
    });
  await act('wenna', 'draw-up-quote', { tag });
  if (send) await act('wenna', 'send-quote', { tag });
  pass(20);
}

async function approve({ act, tag, load, pass, job }: Stage): Promise<void> {
  const record = await load();
  const current = present(currentQuote(record));
  const declined =
    job.part === 'failed once'
      ? current.lines.filter((line) => line.declinable && line.kind === 'freight').map((line) => line.id)
      : [];
  await act('wenna', 'record-approval', {
    tag,
    way: 'telephone',
    name: record.contact?.name ?? 'the works manager',
    reference: 'called back the same day',
    declinedLines: declined,
    declineAll: job.part === 'declined',
    option: current.options.length ? current.advised : null,
  });
  pass(2);
}

/** Orders what is needed and counts it in. */
async function buy(stage: Stage, receiveAll: boolean): Promise<void> {
  const { act, tag, load, pass, family } = stage;
  await act('bram', 'order-parts', { tag });
  if (stage.job.part === 'ordered') return;
  if (stage.job.part !== 'short') pass(120);
  for (let parcel = 0; parcel < 12; parcel++) {
    // One job may have orders with several suppliers; each is counted in by itself.
    const order = (await load()).orders.find(({ lines }) => lines.some((line) => line.received < line.quantity));
    if (!order) break;
    await act('bram', 'take-parcel', { tag, orderNumber: order.number }).catch(() => undefined);
    const sent = (await load()).orders
      .filter(({ number }) => number === order.number)
      .flatMap(({ lines }) => lines.filter((line) => line.sent > line.received));
    // The supplier moved its day: the next parcel brings it.
    if (!sent.length) continue;
    const held = receiveAll ? 0 : 1;
    await act('bram', 'receive-parts', {
      tag,
      orderNumber: order.number,
      counts: sent.map((line, i) => ({
        lineId: line.id,
        counted: Math.max(0, line.sent - line.received - (i === 0 ? held : 0)),
      })),
      note: held ? 'one piece short against the list' : '',
    });
    if (!receiveAll) break;
  }
  if (receiveAll && needsOf(await load(), family).some((need) => need.received < need.quantity))
    throw new Error(`${tag}: parts did not all arrive`);
}

async function rebuild(stage: Stage, until: number): Promise<void> {
  await workSteps(stage, 'rebuild', stepsUntil(stage, stage.family.rebuild, until));
}

/** Answers the steps of the test, runs the pump on the stand and decides. */
export async function test(
  stage: Stage,
  run: number,
  condition: PumpCondition,
  decision: RunDecision | null,
): Promise<void> {
  const { act, tag, pass, family } = stage;
  for (const step of family.test.steps) await answerStep(stage, { phase: 'test', step, who: 'marek' });
  await act('marek', 'run-test', { tag, condition });
  if (decision)
    await act('marek', 'decide-run', {
      tag,
      run,
      decision,
      reason: decision === 'failed' ? 'head too low at every flow: the ring clearance is suspected' : '',
    });
  pass(3);
}

/** Plays one job through the stations to where the demonstration wants it. Gives what it left, by point and place. */
export async function playJob(stage: Stage): Promise<WornBefore> {
  await playStations(stage);
  const left = standingReadings(await stage.load(), stage.family).filter((one) => one.phase === 'as-left');
  return new Map(left.map(({ pointId, place, typed }) => [keyOf(pointId, place), typed]));
}

async function playStations(stage: Stage): Promise<void> {
  const { act, job, tag, technician, load, pass } = stage;
  const goal = job.at === 'closed' ? stations.length : stations.indexOf(job.at);
  const reaches = (station: (typeof stations)[number]) => goal > stations.indexOf(station);
  const isHalf = job.part === 'half';
  await receive(stage);
  if (!reaches('receive')) return;
  await teardown(stage, reaches('teardown') ? 99 : isHalf ? 5 : 2);
  if (!reaches('teardown')) return;
  await account(stage);
  await layAside(stage);
  await act(technician, 'advance-job', { tag, event: 'finish-teardown' });
  await clean(stage, reaches('clean') ? 1 : 0.4);
  if (!reaches('clean')) return;
  await act(technician, 'advance-job', { tag, event: 'finish-cleaning' });
  await measure(stage, 'as-found', { share: reaches('inspect') ? 1 : 0.5 });
  if (reaches('inspect') || job.visual) await judge(stage);
  if (job.part === 'held') await hold(stage);
  if (!reaches('inspect') || job.part === 'held') return;
  await act('marek', 'advance-job', { tag, event: 'finish-inspection' });
  await quote(stage, reaches('quote'));
  if (!reaches('quote') || !reaches('approve')) return;
  await approve(stage);
  if (job.part === 'declined') return;
  if (job.at === 'parts' && !job.part) return;
  await buy(stage, reaches('parts'));
  if (!reaches('parts')) return;
  await act(technician, 'advance-job', { tag, event: 'start-rebuild' });
  await readLabels(stage);
  await rebuild(stage, reaches('rebuild') ? 99 : job.part === 'hold point' ? 99 : 5);
  if (!reaches('rebuild')) return;
  await measure(stage, 'as-left');
  await act(technician, 'advance-job', { tag, event: 'finish-rebuild' });
  let run = 1;
  if (job.part === 'failed once') {
    await test(stage, run++, 'internal leakage', 'failed');
    await rebuild(stage, 99);
    await measure(stage, 'as-left', { again: await load() });
    await act(technician, 'advance-job', { tag, event: 'finish-rebuild' });
  }
  if (!reaches('test') && job.part === 'failed once') return;
  await test(stage, run, 'sound', reaches('test') ? 'passed' : null);
  if (!reaches('test') || !reaches('report')) return;
  await act('wenna', 'issue-report', { tag });
  if (job.part === 'corrected')
    await act('wenna', 'correct-report', {
      tag,
      whatChanged: 'Running hours corrected by the customer; no measured value is touched.',
    });
  if (job.at === 'return' && !job.part) return;
  await act('wenna', 'pack', { tag, basedOn: 0, packing: rightPacking(await load()) });
  await act('wenna', 'release-pump', { tag });
  pass(10);
  if (job.at !== 'closed') return;
  await act('wenna', 'deliver-pump', {
    tag,
    deliveredTo: 'the stores',
    deliveredOn: present((await load()).returned).releasedAt.slice(0, 10),
  });
}

async function hold({ act, tag, job }: Stage): Promise<void> {
  const until = new Date(Date.now() + 9 * 86_400_000).toISOString().slice(0, 10);
  await act('wenna', 'hold-job', {
    tag,
    reason: job.customer.includes('Ferry')
      ? 'the ferry company looks for the maker’s drawing'
      : 'the mill decides whether the line is rebuilt',
    until,
    holder: 'C',
  });
}

export type LoadRecord = (database: Database, tag: string) => Promise<JobRecord>;
export const loadRecord: LoadRecord = async (database, tag) => present(await loadJobRecord(database, tag));
