import { findingAt, standingReadings, workOf } from '../bench';
import { partsOn, type Family } from '../family';
import { judgePoints, type PointState } from '../inspection';
import { awaited, needsOf, readsLabels, toArrange, toOrder } from '../supply';
import { unsettledDecline } from '../quoting';
import { fateOf, leavesHouse } from '../dispatch';
import { isShutByResidue } from '../residue';
import { isWarrantyUnjudged } from '../warranty';
import { costingFindings, findingsThatStay } from '../scope';
import {
  currentQuote,
  openSupplements,
  sheetsOf,
  supplementsOf,
  type BenchPhase,
  type Finding,
  type JobRecord,
  type Station,
} from '../record';
import { remembered } from '../remembered';
import type { Missing, MissingArguments, MissingCode } from './missing';
import { openPreparations, preparationWords } from './next-move';

type Gate = (record: JobRecord, family: Family) => readonly Missing[];
/** What is missing: where it is put right, which thing it is, and what it is about. */
const missing = <Code extends MissingCode>(
  station: Station,
  anchor: string,
  code: Code,
  ...[about]: MissingArguments<Code> extends undefined ? [] : [MissingArguments<Code>]
) => ({ station, anchor, code, about }) as Missing;
const when = (condition: boolean, line: Missing) => (condition ? [line] : []);

const toTeardown: Gate = (record) =>
  openPreparations(record).map((what) => missing('receive', preparationWords[what].anchor, 'preparation', { what }));

/** Steps of a phase that are not done, and hold points that nobody signed. */
function stepsOpen(record: JobRecord, family: Family, phase: BenchPhase): readonly Missing[] {
  return workOf(record, family, phase).flatMap(({ step, actions, isDone, isHeld }) => {
    const left = actions.filter((one) => !one.answer).length;
    const about = { step: step.title, left, of: actions.length };
    return [
      ...when(!isDone, missing(phase, `step-${step.id}`, 'step', about)),
      ...when(isHeld, missing(phase, `step-${step.id}`, 'hold-point', { step: step.title })),
    ];
  });
}

/** Parts that lie in no labelled tray though their labels are to be read. */
function unlaid(record: JobRecord, family: Family): readonly Missing[] {
  if (!readsLabels(record)) return [];
  const laid = new Set(sheetsOf(record, 'tray').map(({ key }) => key));
  const here = new Set(record.parts.filter(({ state }) => state === 'present').map(({ ref }) => ref));
  const left = partsOn(family.parts, 'came').filter(({ ref, stays }) => here.has(ref) && !stays && !laid.has(ref));
  return when(left.length > 0, missing('teardown', 'trays', 'unlaid', { count: left.length }));
}

const toClean: Gate = (record, family) => {
  const accounted = new Set(record.parts.map((part) => part.ref));
  return [
    ...when(isShutByResidue(record), missing('receive', 'residue', 'preparation', { what: 'residue' })),
    ...stepsOpen(record, family, 'teardown'),
    ...partsOn(family.parts, 'came')
      .filter((part) => !accounted.has(part.ref))
      .map((part) => missing('teardown', `part-${part.ref}`, 'unaccounted', { part: part.name })),
    ...unlaid(record, family),
  ];
};

const toInspect: Gate = ({ steps, parts }, family) => {
  const cleaned = new Set(steps.filter((step) => step.phase === 'clean').map((step) => step.stepId));
  const here = new Set(
    parts.filter((part) => part.state === 'present' || part.state === 'broken').map((part) => part.ref),
  );
  return partsOn(family.parts, 'goes back')
    .filter((part) => !part.soft && !part.stays && here.has(part.ref) && !cleaned.has(part.ref))
    .map((part) => missing('clean', `clean-${part.ref}`, 'uncleaned', { part: part.name }));
};

/** All readings of a point are there; of a derived one, all of both points that it follows from. */
function isMeasuredInFull({ point, verdict, taken, wanted }: PointState, states: readonly PointState[]): boolean {
  const { derived } = point;
  if (!derived) return taken >= wanted;
  return (
    verdict !== null &&
    states
      .filter((one) => one.point.id === derived.bore || one.point.id === derived.journal)
      .every((one) => one.taken >= one.wanted)
  );
}

/** The verdict of the sum, unless a named person overruled it. */
const verdictThatHolds = (state: PointState, finding: Finding | undefined) =>
  finding?.overruledReason ? finding.verdict : state.verdict;
const isBad = (verdict: string | null) => verdict === 'out' || verdict === 'tight';

const unmeasured = ({ point, taken, wanted }: PointState): Missing =>
  point.derived
    ? missing('inspect', `point-${point.id}`, 'derived', { point: point.title })
    : missing('inspect', `point-${point.id}`, 'readings', { point: point.title, left: wanted - taken, of: wanted });

/** Critical parts that came and that nobody has looked at. */
function unlooked({ parts, looks }: JobRecord, family: Family): readonly Missing[] {
  const here = new Set(parts.filter(({ state }) => state === 'present' || state === 'broken').map(({ ref }) => ref));
  const seen = new Set(looks.map(({ ref }) => ref));
  return family.parts
    .filter(({ ref, critical }) => critical && here.has(ref) && !seen.has(ref))
    .map(({ ref, name }) => missing('inspect', `look-${ref}`, 'unlooked', { part: name }));
}

const toQuote: Gate = (record, family) => {
  const states = judgePoints({ family, readings: record.readings, phase: 'as-found' });
  // Nothing more is decided about what leaves by a conversion, or is not there.
  const staying = new Set(partsOn(family.parts, 'goes back').map(({ ref }) => ref));
  return states
    .filter(({ point }) => staying.has(point.part))
    .flatMap((state) => {
      const finding = record.findings.find((one) => one.pointId === state.point.id && one.phase === 'as-found');
      const gone = record.parts.some(
        (part) => (part.ref === state.point.part || part.ref === state.point.mates) && part.state !== 'present',
      );
      const complete = isMeasuredInFull(state, states);
      const verdict = verdictThatHolds(state, finding);
      return [
        ...when(state.point.critical && !complete && !finding?.waivedReason && !gone, unmeasured(state)),
        ...when(
          isBad(verdict) && !finding?.disposition,
          missing('inspect', `point-${state.point.id}`, 'undisposed', {
            point: state.point.title,
            verdict: verdict ?? '',
          }),
        ),
      ];
    })
    .concat(unlooked(record, family))
    .concat(
      findingsThatStay(record.findings, family)
        .filter(({ kind, disposition }) => kind === 'visual' && !disposition)
        .map((finding) =>
          missing('inspect', `finding-${finding.id}`, 'finding-undisposed', { finding: finding.words }),
        ),
    );
};

const toApprove: Gate = (record, family) => {
  const quote = currentQuote(record);
  if (!quote) return [missing('quote', 'lines', 'no-quote')];
  const covered = new Set(
    [quote, ...supplementsOf(record)].flatMap(({ lines }) => lines.flatMap((line) => line.findingIds)),
  );
  return [
    ...when(!quote.lines.some((line) => line.struckReason === null), missing('quote', 'lines', 'no-line')),
    ...when(!record.contact, missing('receive', 'owner', 'no-contact')),
    ...sheetsOf(record, 'number')
      .filter(({ body }) => body.verdict === 'question' && !body.settled)
      .map(({ key, body }) =>
        missing('teardown', `part-${key}`, 'number-open', {
          part: family.parts.find(({ ref }) => ref === key)?.name ?? key,
          found: body.found,
        }),
      ),
    ...when(isWarrantyUnjudged(record), missing('inspect', 'warranty', 'warranty-unjudged')),
    ...costingFindings(record.findings, family)
      .filter((finding) => !covered.has(finding.id))
      .map((finding) => missing('quote', 'lines', 'finding-unquoted', { finding: finding.words })),
  ];
};

/** What was declined though the pump may fail without it, and about which the shop has not said what it does. */
function unsettled(record: JobRecord): readonly Missing[] {
  const open = unsettledDecline(record);
  const lines = open?.lines.map(({ description }) => description).join('; ') ?? '';
  return when(open !== null, missing('approve', 'settle', 'decline-unsettled', { lines }));
}

/** Supplements that nobody has answered. */
const unanswered = (record: JobRecord): readonly Missing[] =>
  openSupplements(record).map(({ revision, state }) =>
    missing('approve', `supplement-${revision}`, 'supplement', { number: revision, state }),
  );

const toRebuild: Gate = (record, family) => [
  ...unsettled(record),
  ...toOrder(needsOf(record, family)).map((need) =>
    missing('parts', `need-${need.ref}`, 'unordered', { part: need.name, count: need.quantity - need.ordered }),
  ),
  ...toArrange(needsOf(record, family)).map((need) =>
    missing('parts', `need-${need.ref}`, 'unarranged', { part: need.name, source: need.source }),
  ),
];

const toTest: Gate = (record, family) => {
  const asLeft = judgePoints({ family, readings: standingReadings(record, family), phase: 'as-left' });
  const judged = (state: PointState) => findingAt(record, family, { pointId: state.point.id, phase: 'as-left' });
  return [
    ...unsettled(record),
    ...unanswered(record),
    ...awaited(needsOf(record, family)).map((need) =>
      missing('parts', `need-${need.ref}`, 'awaited', { part: need.name, count: need.quantity - need.received }),
    ),
    ...stepsOpen(record, family, 'rebuild'),
    ...asLeft
      .filter((state) => state.point.critical && !isMeasuredInFull(state, asLeft) && !judged(state)?.waivedReason)
      .map((state) =>
        missing('rebuild', `point-${state.point.id}`, 'left-unmeasured', {
          point: state.point.title,
          taken: state.taken,
        }),
      ),
    ...asLeft
      .filter((state) => state.point.critical && isBad(verdictThatHolds(state, judged(state))))
      .map((state) =>
        missing('rebuild', `point-${state.point.id}`, 'left-bad', { point: state.point.title, verdict: state.words }),
      ),
  ];
};

const latestRun = (record: JobRecord) => record.runs.at(-1);
const toReport: Gate = (record, family) => {
  const run = latestRun(record);
  const open = run && run.decision !== 'failed' ? run : undefined;
  return [
    ...unsettled(record),
    ...unanswered(record),
    ...stepsOpen(record, family, 'test'),
    ...when(!open, missing('test', 'run', 'no-run')),
    ...when(open?.verdict === 'fail' && open.decision !== 'concession', missing('test', 'run', 'run-failed')),
  ];
};

const isRunFailed: Gate = (record) => {
  const run = latestRun(record);
  return when(run?.decision !== 'failed', missing('test', 'run', 'no-failed-run'));
};
const isReportIssued: Gate = (record) => when(!record.reports.length, missing('report', 'issue', 'no-report'));
const isAnswered: Gate = (record) => {
  const quote = currentQuote(record);
  return when(
    !quote || !record.approvals.some((approval) => approval.quoteId === quote.id),
    missing('approve', 'answer', 'unanswered'),
  );
};
const isReleased: Gate = (record) => [
  ...(leavesHouse(record) ? isDelivered(record) : when(!fateOf(record), missing('return', 'fate', 'fate-unsaid'))),
];

/** A pump that is repaired, or still to be: not one that its owner has declined. */
const isRepair = ({ outcome }: JobRecord) => outcome === 'open' || outcome === 'repaired';
const isDelivered = (record: JobRecord): readonly Missing[] => [
  ...when(isRepair(record) && !record.reports.length, missing('report', 'issue', 'no-report')),
  ...when(!record.returned, missing('return', 'release', 'unreleased')),
  ...when(Boolean(record.returned) && !record.returned?.deliveredAt, missing('return', 'deliver', 'undelivered')),
];

/**
 * The gate before each event: what is missing, each line with the place that opens it. An event without an entry has no
 * gate.
 */
export const gates = {
  'begin-teardown': toTeardown,
  'finish-teardown': toClean,
  'finish-cleaning': toInspect,
  'finish-inspection': toQuote,
  'send-quote': toApprove,
  'accept-quote': isAnswered,
  'decline-quote': isAnswered,
  'start-rebuild': toRebuild,
  'finish-rebuild': toTest,
  'pass-test': toReport,
  'fail-test': isRunFailed,
  'finish-report': isReportIssued,
  close: isReleased,
} as const satisfies Record<string, Gate>;

const missingFor = remembered((record: JobRecord, family: Family, event: keyof typeof gates) =>
  gates[event](record, family),
);

export function gateFor(event: string, record: JobRecord, family: Family): readonly Missing[] {
  return event in gates ? missingFor(record, family, event as keyof typeof gates) : [];
}
