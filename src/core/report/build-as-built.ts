import { standingReadings, stillStands } from '../bench';
import { policiesInForce, sayPolicy } from '../policies';
import { present } from '../present';
import { cautionFooter, cautions, readBuild, sayChoices, sayLimits, type Family } from '../family';
import { judgePoint, type PointState } from '../inspection';
import { approvedLines } from '../supply';
import type { JobRecord, Phase, TestRun } from '../record';
import { judgeRun } from '../testing';
import type { AsBuilt } from './as-built';
import { benchDeviations, positionsOf, stepsOf } from './as-built-bench';
import { disclaimersOf, scopeListed } from './as-built-scope';
import { sheetsIn } from './as-built-sheets';
import { supplyIn } from './as-built-supply';
import { recordsOf, settingsOf } from './as-built-settings';

interface Asked {
  readonly record: JobRecord;
  readonly family: Family;
  readonly shop: { readonly name: string; readonly place: string };
  readonly number: string;
  readonly revision: string;
  readonly whatChanged: string;
  readonly issuedBy: string;
  readonly issuedAt: string;
}

const letters = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';

/**
 * Revisions go A, B … Z, AA, AB …: a report may be corrected as often as it must.
 * @example nextRevision([{ revision: 'A' }]) // 'B'
 */
export function nextRevision(issued: readonly { readonly revision: string }[]): string {
  let number = issued.length + 1;
  let word = '';
  // Counting in letters without a nought: 26 is Z, 27 is AA.
  while (number > 0) {
    const digit = (number - 1) % letters.length;
    word = letters.charAt(digit) + word;
    number = (number - 1 - digit) / letters.length;
  }
  return word;
}

function sideOf({ record, family }: Asked, pointId: string, phase: Phase): AsBuilt['points'][number]['as_found'] {
  const point = present(family.points.find((one) => one.id === pointId));
  const isLength = point.unit === 'mm';
  const readings = standingReadings(record, family);
  const state: PointState = judgePoint(point, { readings, phase });
  const own = readings.filter((reading) => reading.phase === phase && reading.pointId === pointId);
  return {
    readings: own.map((reading) => ({
      place: reading.place,
      ...(isLength ? { value_mm: reading.value } : { value_mm: null, value: reading.value }),
      typed: reading.typed,
      instrument: reading.instrument,
      by: reading.personName,
    })),
    ...(isLength ? { worst_mm: state.worst } : { worst_mm: null, worst: state.worst }),
    verdict: state.verdict === null ? 'not measured' : state.words,
    reason: state.reason,
    working: state.working.map((step) => ({ ...step })),
  };
}

function pointsOf(asked: Asked): AsBuilt['points'] {
  return asked.family.points.map((point) => {
    const { asNew, reuse } = sayLimits(point);
    return {
      number: point.number,
      title: point.title,
      unit: point.unit,
      new: asNew,
      reuse: reuse || 'as new',
      source: point.source,
      critical: point.critical,
      as_found: sideOf(asked, point.id, 'as-found'),
      as_left: sideOf(asked, point.id, 'as-left'),
    };
  });
}

type Slip = NonNullable<ReturnType<typeof judgeRun>['slip']>;
/** The slip of a run, by the names of the as-built record. */
function slipOf(slip: Slip): NonNullable<AsBuilt['tests'][number]['slip']> {
  return {
    theoretical_m3h: slip.theoreticalM3h,
    least_m3h: slip.leastM3h,
    duty_kpa: slip.dutyKpa,
    pressures_kpa: [...slip.pressuresKpa],
    volumetric_pct: slip.volumetricPct,
    line: [...slip.line],
    ...(slip.atJob && {
      at_job: {
        test_mm2_s: slip.atJob.testMm2S,
        job_mm2_s: slip.atJob.jobMm2S,
        slip_m3h: slip.atJob.slipM3h,
        flow_m3h: slip.atJob.flowM3h,
      },
    }),
  };
}

function testOf(family: Family, run: TestRun): AsBuilt['tests'][number] {
  const judged = judgeRun({ family, guarantee: run.guarantee, readings: run.points });
  return {
    run: run.run,
    at: run.at,
    by: run.personName,
    grade: run.grade,
    verdict: run.verdict,
    reason: judged.reason,
    decision: run.decision,
    decision_reason: run.decisionReason,
    decided_by: run.decisionBy,
    points: judged.points.map((point) => ({
      flow_m3h: point.flowM3h,
      head_m: point.headM,
      power_kw: point.powerKw,
      efficiency_pct: point.efficiencyPct,
    })),
    kind: judged.slip ? 'slip' : judged.power ? 'power' : 'curve',
    ...(judged.power && {
      power: {
        mean_kw: judged.power.meanKw,
        rated_kw: judged.power.ratedKw,
        spread_pct: judged.power.spreadPct,
      },
    }),
    ...(judged.acceptance && {
      band: { flow_m3h: judged.acceptance.band.flow_m3h, head_m: judged.acceptance.band.head_m },
    }),
    ...(judged.slip && { slip: slipOf(judged.slip) }),
    guarantee: { flow_m3h: run.guarantee.flowM3h, head_m: run.guarantee.headM },
    curve: [...(judged.acceptance?.curve.coefficients ?? [])],
    working: judged.working.map((step) => ({ ...step })),
  };
}

function partsFitted({ record, family }: Asked): AsBuilt['parts_fitted'] {
  const wanted = new Map<string, number>();
  for (const line of approvedLines(record))
    for (const { ref, qty } of line.parts) wanted.set(ref, (wanted.get(ref) ?? 0) + qty);
  return [...wanted].map(([ref, quantity]) => {
    const part = family.parts.find((one) => one.ref === ref);
    const order = record.orders.find((one) => one.lines.some((line) => line.partRef === ref && line.received > 0));
    return { name: part?.name ?? ref, number: part?.number ?? '', quantity, order: order?.number ?? '' };
  });
}

/** What came out and went in by a conversion; nothing of a pump that went back as it came. */
function conversionOf({ family }: Asked): Pick<AsBuilt, 'conversion'> {
  const { to, ...came } = readBuild(family.version);
  if (!to) return {};
  const changed = Object.keys(to);
  const before = Object.fromEntries(Object.entries(came.axes ?? {}).filter(([axis]) => changed.includes(axis)));
  const moved = (which: 'leaves' | 'comes') =>
    family.parts
      .filter(({ converted }) => converted === which)
      .map(({ name, number, quantity }) => ({ name, number, quantity }));
  const words = (axes: Readonly<Record<string, string>>) => sayChoices(family, axes);
  return {
    conversion: { came_as: words(before), went_back_as: words(to), out: moved('leaves'), in: moved('comes') },
  };
}

function deviationsOf(asked: Asked): string[] {
  const { record, family } = asked;
  return [
    ...disclaimersOf(record),
    ...benchDeviations(record, family),
    ...record.findings.flatMap((finding) =>
      [
        finding.overruledReason &&
          `Verdict overruled by ${finding.personName}: ${finding.words}. ${finding.overruledReason}`,
        finding.waivedReason && `Point waived by ${finding.personName}: ${finding.words}. ${finding.waivedReason}`,
      ].filter((line): line is string => Boolean(line)),
    ),
    ...record.runs
      .filter((run) => run.decision === 'concession')
      .map((run) => `Test run ${run.run} accepted by concession of ${run.decisionBy}: ${run.decisionReason}`),
    ...record.runs
      .filter((run) => run.decision === 'failed')
      .map((run) => `Test run ${run.run} failed and the pump went back to rebuild: ${run.decisionReason}`),
    ...record.approvals
      .filter((approval) => Object.values(approval.decisions).includes('declined'))
      .map((approval) => present(approval.text.split('\n').at(-1))),
  ];
}

function signaturesOf(asked: Asked): AsBuilt['signatures'] {
  const { record } = asked;
  const run = record.runs.at(-1);
  return [
    ...record.steps
      .filter((step) => step.second)
      .map((step) => ({
        role: 'Hold point, second person',
        name: present(step.second).personName,
        at: present(step.second).at,
      })),
    ...(run?.decisionBy ? [{ role: 'Test', name: run.decisionBy, at: run.at }] : []),
    ...record.approvals.map((approval) => ({
      role: `Customer, by ${approval.way}`,
      name: approval.name,
      at: approval.at,
    })),
    { role: 'Issued by', name: asked.issuedBy, at: asked.issuedAt },
  ];
}

function jobOf({ record }: Asked): AsBuilt['job'] {
  const { intake } = record;
  return {
    tag: record.tag,
    opened_at: record.openedAt,
    customer: record.customer.name,
    equipment_number: intake.equipmentNumber,
    why_out: intake.whyOut,
    liquid: intake.liquid,
    cleaning: `${intake.cleaning} ${intake.cleaningReference}`.trim(),
    running_hours: intake.runningHours,
  };
}

function pumpOf({ record, family }: Asked): AsBuilt['pump'] {
  const { maker, model, serial, size } = record.pump;
  return { maker, model, serial, size, family: family.title, family_version: family.version };
}

function dutyOf({ record }: Asked): AsBuilt['duty'] {
  const { duty } = record.intake;
  return (
    duty && {
      flow_m3h: duty.flowM3h,
      head_m: duty.headM,
      power_kw: duty.powerKw ?? null,
      speed_rpm: duty.speedRpm,
    }
  );
}

function findingsOf({ record, family }: Asked): AsBuilt['findings'] {
  return record.findings.filter(stillStands).map((finding) => ({
    what: finding.words,
    part: family.parts.find((part) => part.ref === finding.partRef)?.name ?? finding.partRef,
    proposed: finding.proposed,
    verdict: finding.verdict,
    overruled: finding.overruledReason,
    waived: finding.waivedReason,
    disposition: finding.disposition?.action ?? null,
    reason: finding.disposition?.reason ?? null,
    by: finding.personName,
  }));
}

function approvalsOf({ record }: Asked): AsBuilt['approvals'] {
  const revisionOf = (id: string) => record.quotes.find((quote) => quote.id === id)?.revision ?? 0;
  return record.approvals.map(({ quoteId, way, name, at, text, fingerprint }) => ({
    ...{ revision: revisionOf(quoteId), way, name, at, text, fingerprint },
  }));
}

/** Cautions that go out with every pump. */
const cautionsAlong: ReadonlySet<string> = new Set(['energy-isolation', 'pressure-tests']);

function cautionsOf(): AsBuilt['cautions'] {
  const along = cautions.filter((one) => cautionsAlong.has(one.id)).map((one) => `${one.title}: ${one.text}`);
  return [...along, cautionFooter];
}

/** The as-built record of a job, complete and in open field names. Pure: number, moment and person come in. */
export function buildAsBuilt(asked: Asked): AsBuilt {
  const { record, family, number, revision } = asked;
  return {
    format: 'puddlestone-as-built/1',
    number,
    revision,
    what_changed: asked.whatChanged,
    issued: { by: asked.issuedBy, at: asked.issuedAt },
    shop: { name: asked.shop.name, place: asked.shop.place },
    job: jobOf(asked),
    pump: pumpOf(asked),
    duty: dutyOf(asked),
    history: record.earlierVisits.map(({ tag, openedAt, outcome, reportNumber }) => ({
      ...{ tag, opened_at: openedAt, outcome, report: reportNumber },
    })),
    points: pointsOf(asked),
    findings: findingsOf(asked),
    ...conversionOf(asked),
    ...sheetsIn(record, family),
    ...supplyIn(record, family),
    scope: scopeListed(record, family),
    parts_fitted: partsFitted(asked),
    positions: positionsOf(record, family),
    steps: stepsOf(record, family),
    settings: [...settingsOf(asked.record, asked.family), ...recordsOf(asked.record, asked.family)],
    tests: record.runs.map((run) => testOf(family, run)),
    approvals: approvalsOf(asked),
    deviations: deviationsOf(asked),
    policies: policiesInForce(record).map(sayPolicy),
    cautions: cautionsOf(),
    photos: record.photos.map(({ id, caption, at }) => ({ id, caption, at })),
    signatures: signaturesOf(asked),
    events: { count: record.version, head_hash: record.headHash },
  };
}
