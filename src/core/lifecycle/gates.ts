import type { Family } from '../family';
import { judgePoints, type PointState } from '../inspection';
import { awaited, needsOf, toOrder } from '../parts';
import { costingFindings } from '../quoting';
import { currentQuote, rebuildRound, type Finding, type JobRecord, type Station } from '../record';
import { openPreparations, preparationWords } from './next-move';

/** One thing that keeps a gate shut, and the place that opens it. */
export interface Missing {
  readonly words: string;
  readonly station: Station;
  /** Id of the element on the station's sheet. */
  readonly anchor: string;
}

type Gate = (record: JobRecord, family: Family) => readonly Missing[];
const missing = (station: Station, anchor: string, words: string): Missing => ({ station, anchor, words });
const when = (condition: boolean, line: Missing) => (condition ? [line] : []);

const toTeardown: Gate = (record) =>
  openPreparations(record).map((what) => {
    const { words, anchor } = preparationWords[what];
    return missing('receive', anchor, words);
  });

const toClean: Gate = ({ parts, steps, captures }, family) => {
  const done = new Set(steps.filter((step) => step.phase === 'teardown').map((step) => step.stepId));
  const taken = new Set(captures.filter((one) => one.phase === 'teardown').map((one) => one.captureId));
  const accounted = new Set(parts.map((part) => part.ref));
  return [
    ...family.teardown.flatMap((step) => [
      ...step.captures
        .filter((capture) => !taken.has(capture.id))
        .map((capture) => missing('teardown', `capture-${capture.id}`, `${step.title}: ${capture.ask.toLowerCase()}`)),
      ...when(!done.has(step.id), missing('teardown', `step-${step.id}`, `Step “${step.title}” is not done`)),
    ]),
    ...family.parts
      .filter((part) => !accounted.has(part.ref))
      .map((part) => missing('teardown', `part-${part.ref}`, `${part.name} is not accounted for`)),
  ];
};

const toInspect: Gate = ({ steps, parts }, family) => {
  const cleaned = new Set(steps.filter((step) => step.phase === 'clean').map((step) => step.stepId));
  const here = new Set(
    parts.filter((part) => part.state === 'present' || part.state === 'broken').map((part) => part.ref),
  );
  return family.parts
    .filter((part) => !part.soft && here.has(part.ref) && !cleaned.has(part.ref))
    .map((part) => missing('clean', `clean-${part.ref}`, `${part.name} is not cleaned`));
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

const toQuote: Gate = (record, family) => {
  const states = judgePoints({ family, readings: record.readings, phase: 'as-found' });
  return states
    .flatMap((state) => {
      const finding = record.findings.find((one) => one.pointId === state.point.id && one.phase === 'as-found');
      const gone = record.parts.some(
        (part) => (part.ref === state.point.part || part.ref === state.point.mates) && part.state !== 'present',
      );
      const complete = isMeasuredInFull(state, states);
      const verdict = verdictThatHolds(state, finding);
      return [
        ...when(
          state.point.critical && !complete && !finding?.waivedReason && !gone,
          missing(
            'inspect',
            `point-${state.point.id}`,
            `${state.point.title}: ${state.point.derived ? 'follows from two points that are not yet measured in full' : `${state.wanted - state.taken} of ${state.wanted} readings left`}, or waive with a reason`,
          ),
        ),
        ...when(
          isBad(verdict) && !finding?.disposition,
          missing('inspect', `point-${state.point.id}`, `${state.point.title} is ${verdict} and has no disposition`),
        ),
      ];
    })
    .concat(
      record.findings
        .filter((finding) => finding.kind === 'visual' && !finding.disposition)
        .map((finding) =>
          missing('inspect', `finding-${finding.id}`, `“${finding.words.slice(0, 60)}” has no disposition`),
        ),
    );
};

const toApprove: Gate = (record) => {
  const quote = currentQuote(record);
  if (!quote) return [missing('quote', 'lines', 'No quote has been drawn up')];
  const covered = new Set(quote.lines.flatMap((line) => line.findingIds));
  return [
    ...when(
      !quote.lines.some((line) => line.struckReason === null),
      missing('quote', 'lines', 'The quote has no line'),
    ),
    ...when(!record.contact, missing('receive', 'owner', 'The customer has no contact to send it to')),
    ...costingFindings(record.findings)
      .filter((finding) => !covered.has(finding.id))
      .map((finding) =>
        missing('quote', 'lines', `“${finding.words.slice(0, 60)}” costs something and stands on no line`),
      ),
  ];
};

const toRebuild: Gate = (record, family) =>
  toOrder(needsOf(record, family)).map((need) =>
    missing('parts', `need-${need.ref}`, `${need.name}: ${need.quantity - need.ordered} not ordered`),
  );

const toTest: Gate = (record, family) => {
  const round = rebuildRound(record);
  const done = record.steps.filter((step) => step.phase === 'rebuild' && step.round === round);
  const taken = new Set(record.captures.filter((one) => one.phase === 'rebuild').map((one) => one.captureId));
  const asLeft = judgePoints({ family, readings: record.readings, phase: 'as-left' });
  const judged = (state: PointState) =>
    record.findings.find((one) => one.pointId === state.point.id && one.phase === 'as-left');
  return [
    ...awaited(needsOf(record, family)).map((need) =>
      missing('parts', `need-${need.ref}`, `${need.name}: ${need.quantity - need.received} still to arrive`),
    ),
    ...family.rebuild.flatMap((step) => {
      const own = done.find((one) => one.stepId === step.id);
      return [
        ...step.captures
          .filter((capture) => !taken.has(capture.id))
          .map((capture) => missing('rebuild', `capture-${capture.id}`, `${step.title}: ${capture.ask.toLowerCase()}`)),
        ...when(!own, missing('rebuild', `step-${step.id}`, `Step “${step.title}” is not done`)),
        ...when(
          Boolean(own && step.hold_point && !own.second),
          missing('rebuild', `step-${step.id}`, `Hold point “${step.title}” needs a second person`),
        ),
      ];
    }),
    ...asLeft
      .filter((state) => state.point.critical && !isMeasuredInFull(state, asLeft) && !judged(state)?.waivedReason)
      .map((state) =>
        missing(
          'rebuild',
          `point-${state.point.id}`,
          `As left: ${state.point.title} is not measured${state.taken ? ' in full' : ''}`,
        ),
      ),
    ...asLeft
      .filter((state) => state.point.critical && isBad(verdictThatHolds(state, judged(state))))
      .map((state) => missing('rebuild', `point-${state.point.id}`, `As left: ${state.point.title} is ${state.words}`)),
  ];
};

const latestRun = (record: JobRecord) => record.runs.at(-1);
const toReport: Gate = (record, family) => {
  const round = rebuildRound(record);
  const checked = new Set(
    record.steps.filter((step) => step.phase === 'test' && step.round === round).map((step) => step.stepId),
  );
  const run = latestRun(record);
  const open = run && run.decision !== 'failed' ? run : undefined;
  return [
    ...family.test.checks
      .filter((check) => !checked.has(check.id))
      .map((check) => missing('test', `check-${check.id}`, `“${check.title}” is not confirmed`)),
    ...when(!open, missing('test', 'run', 'No run on the stand since the last rebuild')),
    ...when(
      open?.verdict === 'fail' && open.decision !== 'concession',
      missing('test', 'run', 'The run failed: back to rebuild, or a concession with a name'),
    ),
  ];
};

const isRunFailed: Gate = (record) => {
  const run = latestRun(record);
  return when(run?.decision !== 'failed', missing('test', 'run', 'No run has been judged a failure'));
};
const isReportIssued: Gate = (record) =>
  when(!record.reports.length, missing('report', 'issue', 'The report is not issued'));
const isAnswered: Gate = (record) => {
  const quote = currentQuote(record);
  return when(
    !quote || !record.approvals.some((approval) => approval.quoteId === quote.id),
    missing('approve', 'answer', 'The customer has not answered this revision'),
  );
};
const isReleased: Gate = (record) => [
  ...when(
    record.outcome !== 'declined' && !record.reports.length,
    missing('report', 'issue', 'The report is not issued'),
  ),
  ...when(!record.returned, missing('return', 'release', 'The pump is not released')),
  ...when(
    Boolean(record.returned) && !record.returned?.deliveredAt,
    missing('return', 'deliver', 'The delivery is not recorded'),
  ),
];

/** The gate before each event: what is missing, each line with the place that opens it. An event without an entry has no gate. */
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

export function gateFor(event: string, record: JobRecord, family: Family): readonly Missing[] {
  return event in gates ? gates[event as keyof typeof gates](record, family) : [];
}
