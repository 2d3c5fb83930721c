import {
  asId,
  type Answer,
  type Finding,
  type JobRecord,
  type Phase,
  type Quote,
  type QuoteLine,
  type Reading,
  type StepDone,
} from '.';

const exampleIntake: NonNullable<JobRecord['intake']> = {
  version: 1,
  equipmentNumber: 'lily house',
  duty: { flowM3h: 25, headM: 32, powerKw: 3.3, efficiencyPct: 66, speedRpm: 2900 },
  liquid: 'pond water',
  cleaning: 'sheet',
  cleaningReference: 'S-1',
  whyOut: 'noise',
  runningHours: 100,
  cameWith: [],
  shims: [],
  hazards: '',
  shippingDamage: '',
  elastomer: 'EPDM',
  isolation: { personId: null, personName: 'Ines', at: '2026-11-20T09:00:00.000Z' },
};

/** A fresh job for tests: received, everything still to do. Invented throughout. */
export function exampleRecord(change: Partial<JobRecord> = {}): JobRecord {
  return {
    id: asId('job-1'),
    tag: asId('P-0417'),
    station: 'receive',
    holder: 'U',
    holderSince: '2026-11-20T08:00:00.000Z',
    hold: null,
    outcome: 'open',
    promisedOn: '2026-12-10',
    openedAt: '2026-11-20T08:00:00.000Z',
    closedAt: null,
    version: 1,
    headHash: 'h',
    familyId: 'F1',
    familyVersion: '1.0.0',
    pump: { id: 'pump-1', maker: 'Quillmere', model: 'QB 50-160', serial: 'QB-22871', size: '50-160' },
    customer: { id: 'customer-1', name: 'Harrowmere Botanical Garden' },
    contact: { id: 'contact-1', name: 'Fern Okonjo', email: 'fern@garden.example', phone: '' },
    ...{ earlierVisits: [], lot: null, lotTerms: null, lotMates: [], likePumps: [], sheets: [] },
    intake: exampleIntake,
    acknowledgements: ['energy-isolation', 'harmful-liquid'].map((caution) => ({
      caution,
      personId: null,
      personName: 'Ines',
      at: '2026-11-20T09:00:00.000Z',
    })),
    ...{ looks: [], promises: [], corrections: [], parts: [], steps: [], answers: [], readings: [], findings: [] },
    quotes: [],
    links: [],
    approvals: [],
    ...{ questions: [], agreement: null, declines: [], reminders: [] },
    orders: [],
    receipts: [],
    runs: [],
    reports: [],
    photos: [],
    returned: null,
    ...change,
  };
}

export function exampleReading(
  pointId: string,
  place: string,
  value: number,
  phase: Phase = 'as-found',
  uncertainty: number | null = null,
): Reading {
  return {
    phase,
    pointId,
    place: asId(place),
    round: phase === 'as-found' ? 1 : 0,
    value,
    unit: 'mm',
    typed: String(value),
    typedUnit: 'mm',
    typedDigits: 3,
    instrument: uncertainty === null ? null : 'M-07',
    uncertainty,
    conceded: null,
    version: 1,
    personId: null,
    personName: 'Marek',
    at: '2026-11-21T08:00:00.000Z',
  };
}

/** An answer at teardown that is right. */
export const exampleAnswer = (change: Partial<Answer> = {}): Answer => ({
  ...{ phase: 'teardown', round: 1, actionId: 'action', state: 'done', typed: '', value: null, unit: '' },
  ...{ photoId: null, data: {}, conceded: false, version: 1 },
  ...{ personId: null, personName: 'Odile', at: '2026-11-21T08:00:00.000Z' },
  ...change,
});

/** A rebuild step that is done and not signed. */
export const exampleStep = (change: Partial<StepDone> = {}): StepDone => ({
  ...{ phase: 'rebuild', round: 1, stepId: 'step', state: 'done', data: {}, second: null, version: 1 },
  ...{ personId: null, personName: 'Ines', at: '2026-11-22T08:00:00.000Z' },
  ...change,
});

/** What the examples share: who did it, and when. */
const signed = { personId: null, personName: 'Marek', at: '2026-11-21T08:00:00.000Z' };

export const exampleDisposition = (action: NonNullable<Finding['disposition']>['action'], reason = 'worn') => ({
  action,
  reason,
  version: 1,
  ...signed,
});

/** A visual finding as found, with no verdict and no disposition yet. */
export function exampleFinding(change: Partial<Finding> = {}): Finding {
  return {
    id: asId('finding-1'),
    kind: 'visual',
    phase: 'as-found',
    round: 1,
    pointId: null,
    actionId: null,
    partRef: 'impeller',
    words: 'pitted',
    plain: 'pitted',
    proposed: null,
    verdict: null,
    overruledReason: null,
    waivedReason: null,
    photoId: null,
    version: 1,
    disposition: null,
    ...signed,
    ...change,
  };
}

type Run = JobRecord['runs'][number];

/** A first run on the stand that passed; its guarantee and points are the caller's. */
export const exampleRun = (change: Pick<Run, 'guarantee' | 'points'> & Partial<Run>): Run => ({
  id: 'r',
  run: 1,
  grade: '2B',
  verdict: 'pass',
  decision: 'passed',
  decisionReason: '',
  decisionBy: 'Marek',
  decisionAt: null,
  ...signed,
  ...change,
});

export function exampleLine(change: Partial<QuoteLine> = {}): QuoteLine {
  return {
    id: asId('line-1'),
    key: 'replace:front-ring',
    itemKeys: ['replace:front-ring'],
    kind: 'part',
    description: 'Wear ring',
    plain: 'A new ring.',
    quantity: 1,
    unit: 'pc',
    unitPriceMinor: 10000,
    findingIds: [],
    parts: [{ ref: 'front-ring', qty: 1 }],
    declinable: true,
    struckReason: null,
    ...{ options: [], instead: '', critical: false, byHand: false, proposed: null, proposalMoved: false },
    ...{ discountPct: 0, unitCostMinor: null },
    ...change,
  };
}

export function exampleQuote(lines: readonly QuoteLine[], change: Partial<Quote> = {}): Quote {
  return {
    id: asId('quote-1'),
    kind: 'quote',
    revision: 1,
    state: 'sent',
    currency: 'EUR',
    taxPct: 20,
    validUntil: '2026-12-24',
    sentAt: '2026-11-22T08:00:00.000Z',
    text: 'text',
    fingerprint: 'f',
    version: 1,
    ...{ options: [], advised: 'recommended', note: '', recipients: [], labourMinorPerHour: null, discountPct: 0 },
    ...{ basis: null, supplement: null, language: 'en' },
    lines,
    ...change,
  };
}
