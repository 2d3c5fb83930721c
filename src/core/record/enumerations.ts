/**
 * The words of the domain that are one of a few, each stated once: browser, server and database take them from here.
 */
export const stations = [
  'receive',
  'teardown',
  'clean',
  'inspect',
  'quote',
  'approve',
  'parts',
  'rebuild',
  'test',
  'report',
  'return',
] as const;
export type Station = (typeof stations)[number];

export const stationNames: Readonly<Record<Station, string>> = {
  receive: 'Receive',
  teardown: 'Teardown',
  clean: 'Clean',
  inspect: 'Inspect',
  quote: 'Quote',
  approve: 'Approve',
  parts: 'Parts',
  rebuild: 'Rebuild',
  test: 'Test',
  report: 'Report',
  return: 'Return',
};

/** Whether a station comes before another on the stream. @example comesBefore('quote', 'parts') // true */
export function comesBefore(one: Station, other: Station): boolean {
  return stations.indexOf(one) < stations.indexOf(other);
}

export const holders = ['U', 'B', 'S', 'C', 'P', 'O'] as const;
export type Holder = (typeof holders)[number];
export const holderNames: Readonly<Record<Holder, string>> = {
  U: 'us',
  B: 'bench',
  S: 'stand',
  C: 'customer',
  P: 'supplier',
  O: 'outside shop',
};

export const roles = ['coordinator', 'technician', 'inspector', 'parts', 'owner'] as const;
export type Role = (typeof roles)[number];

/** `declined`: it goes back as it is. */
export const outcomes = ['open', 'repaired', 'declined', 'reassembled', 'scrapped', 'donor'] as const;
export type Outcome = (typeof outcomes)[number];
export const outcomeNames: Readonly<Record<Outcome, string>> = {
  open: 'open',
  repaired: 'repaired',
  declined: 'returned as it is',
  reassembled: 'returned reassembled',
  scrapped: 'scrapped',
  donor: 'kept as a donor',
};
/** What becomes of a pump that is not repaired. */
export const fates = ['declined', 'reassembled', 'scrapped', 'donor'] as const satisfies readonly Outcome[];

/** Whether anybody can say what the pump handled. */
export const liquidStates = ['named', 'not known', 'foreign substance'] as const;
export type LiquidState = (typeof liquidStates)[number];

/** In which state a pump came in. */
export const arrivals = ['complete', 'partly dismantled', 'in parts'] as const;
export type Arrival = (typeof arrivals)[number];

/** How a part of a pump that was begun elsewhere came. */
export const foundStates = ['on', 'loose in the bag', 'wedged', 'missing', 'broken by them'] as const;
export type FoundState = (typeof foundStates)[number];

/** How the shaft turns by hand. */
export const turnings = ['free', 'stiff', 'solid'] as const;
export type Turning = (typeof turnings)[number];

/** What a shop advises before it quotes. */
export const advices = ['repair', 'one out of two', 'use a donor', 'replace it', 'ask for more'] as const;
export type Advice = (typeof advices)[number];

export const cleaningMethods = [
  'parts washer',
  'solvent by hand',
  'mild acid',
  'blasting',
  'scraping',
  'ultrasonic',
  'polish',
  'wash by hand',
] as const;
export type CleaningMethod = (typeof cleaningMethods)[number];

/** Whose fault it is that a pump comes back within its warranty. */
export const judgements = ['ours', 'theirs', 'shared'] as const;
export type Judgement = (typeof judgements)[number];

/** What becomes of the parts that were taken out. */
export const oldPartsFates = ['return them', 'scrap them', 'keep them as donor parts', 'there are none'] as const;
export type OldPartsFate = (typeof oldPartsFates)[number];

/** In what good shops differ; `core/policies` has the schools of each. */
export const matters = [
  'soft parts',
  'bearing fitting',
  'limits for reuse',
  'near a limit',
  'holding the rotor',
  'assembly lubricant',
  'cleaning seal faces',
  'stuffing box',
  'end clearance',
  'bolt circles',
  'surface rust',
  'not on the shelf',
  'parts before approval',
  'as found',
  'labels',
] as const;
export type Matter = (typeof matters)[number];

/** What came with the pump about the liquid it handled. */
export const cleanings = ['none', 'declaration', 'sheet'] as const;
export type Cleaning = (typeof cleanings)[number];

export const partStates = ['present', 'missing', 'broken', 'not fitted'] as const;
export type PartState = (typeof partStates)[number];

/** What the eye saw on a part. */
export const sights = ['nothing', 'something'] as const;
export type Sight = (typeof sights)[number];

/** A point is judged twice: as the pump came, and as it leaves. */
export const phases = ['as-found', 'as-left'] as const;
export type Phase = (typeof phases)[number];

export const stepPhases = ['teardown', 'clean', 'rebuild', 'test'] as const;
export type StepPhase = (typeof stepPhases)[number];

/** Phases in which the bench works through steps. */
export const benchPhases = ['teardown', 'rebuild', 'test'] as const;
export type BenchPhase = (typeof benchPhases)[number];

/** How an action stands: answered, impossible with a reason, or taken back. */
export const answerStates = ['done', 'not possible', 'undone'] as const;
export type AnswerState = (typeof answerStates)[number];

/** A step that was done may be opened again. */
export const stepStates = ['done', 'open'] as const;
export type StepState = (typeof stepStates)[number];

/** 'bench': an answer at teardown that differs from what it should be: somebody was in here before. */
export const findingKinds = ['point', 'visual', 'bench'] as const;
export type FindingKind = (typeof findingKinds)[number];

/** What a person may say of a point in place of the proposed verdict. */
export const pointDecisions = ['new', 'reuse', 'near', 'out', 'waive'] as const;
export type PointDecision = (typeof pointDecisions)[number];

export const actions = [
  'reuse as it is',
  'clean',
  'rework',
  'replace',
  'make in the shop',
  'take from a donor',
] as const;
export type Action = (typeof actions)[number];

/** What a scope item does to its parts; `work` is the standing work on the whole unit, such as its teardown. */
export const scopeActions = ['replace', 'rework', 'clean', 'make', 'take from a donor', 'keep', 'add', 'work'] as const;
export type ScopeAction = (typeof scopeActions)[number];

/** How far a scope item is, in this order. */
export const scopeStandings = ['proposed', 'offered', 'approved', 'declined', 'supplied', 'done'] as const;
export type ScopeStanding = (typeof scopeStandings)[number];

/** Where work is done. */
export const workCentres = ['bench', 'machines', 'stand', 'desk'] as const;
export type WorkCentre = (typeof workCentres)[number];

/** How much of a repair is offered, from the least to the most. */
export const optionLevels = ['minimum', 'recommended', 'as new'] as const;
export type OptionLevel = (typeof optionLevels)[number];
/** A quote is of the whole repair; a supplement of what was found after it was answered. */
export const quoteKinds = ['quote', 'supplement'] as const;
export type QuoteKind = (typeof quoteKinds)[number];

export const quoteStates = ['draft', 'sent', 'answered', 'superseded'] as const;
export type QuoteState = (typeof quoteStates)[number];

/** A discount has a price below nothing. */
export const lineKinds = ['part', 'labour', 'machining', 'outside', 'made', 'test', 'freight', 'discount'] as const;
export type LineKind = (typeof lineKinds)[number];

/** `not chosen`: the line belongs to an option that the customer did not choose. */
export const lineDecisions = ['approved', 'declined', 'not chosen'] as const;
export type LineDecision = (typeof lineDecisions)[number];

/** What of a job can be put right after it was received. */
export const correctables = ['owner', 'contact', 'nameplate', 'equipment number', 'lot'] as const;
export type Correctable = (typeof correctables)[number];

/** What the shop does after a critical item was declined. */
export const declineDecisions = ['go on', 'return as it is'] as const;
export type DeclineDecision = (typeof declineDecisions)[number];

/** How an answer to a quote came in; those by telephone and purchase order are written down by the coordinator. */
export const recordedWays = ['telephone', 'purchase order'] as const;
/** `agreed limit`: approved by a limit that was agreed before it was found. */
export const approvalWays = ['link', ...recordedWays, 'agreed limit'] as const;
export type ApprovalWay = (typeof approvalWays)[number];

export const runVerdicts = ['pass', 'fail'] as const;
export type RunVerdict = (typeof runVerdicts)[number];

export const runDecisions = ['passed', 'failed', 'concession'] as const;
export type RunDecision = (typeof runDecisions)[number];

/** What a shop measures with: kinds of gauge that a point or a value may ask for. */
export const gaugeKinds = [
  'outside micrometer',
  'bore gauge',
  'dial indicator',
  'vernier caliper',
  'depth gauge',
  'feeler gauge',
  'straight edge',
  'optical flat',
  'spring balance',
  'scale',
  'thermometer',
  'pressure gauge',
  'insulation tester',
  'resistance meter',
  'protractor',
  'stopwatch',
  'vibration meter',
] as const;

/** How a part is drawn where a picture of it is made up. */
export const partPictures = [
  'ring',
  'impeller',
  'shaft',
  'bearing',
  'casing',
  'bracket',
  'seal',
  'plate',
  'gasket',
  'nut',
  'coupling',
] as const;
export type PartPicture = (typeof partPictures)[number];

/** Tools with an identity: gauges, and what tightens, lifts, presses, heats and tests. Each has a day it is due. */
export const instrumentKinds = [
  ...gaugeKinds,
  'torque wrench',
  'press',
  'bearing heater',
  'hoist',
  'assembly frame',
  'leak tester',
  'test stand',
] as const;
export type InstrumentKind = (typeof instrumentKinds)[number];

/** Units in which points, values and tools are given. */
export const measuringUnits = [
  'mm',
  'µm',
  'N',
  'kN',
  'N·m',
  'bar',
  'kPa',
  '°C',
  'MΩ',
  'Ω',
  '%',
  'mL/min',
  'drops/min',
  'g',
  'kg',
  '°',
  'bands',
  'mm/s',
  's',
  'count',
] as const;
export type MeasuringUnit = (typeof measuringUnits)[number];

/** How a shop reads lengths. */
/** Sheets of paper that a shop prints on: 210 × 297 mm, or 8.5 × 11 inches. */
export const paperSizes = ['A4', 'Letter'] as const;
export type PaperSize = (typeof paperSizes)[number];

export const lengthDisplays = ['metric', 'inch'] as const;

/** Which pump a simulated test stand pretends to run. */
export const pumpConditions = ['sound', 'internal leakage', 'air in the suction'] as const;
export type PumpCondition = (typeof pumpConditions)[number];
