import type { Family } from '@/core/family';
import type { Words } from '@/words';
import { wordsOf } from '@/words/every-language';
import { sayFrom, writeBefore, writeCleaning, writeFitted, writeMade } from './as-built-sheets';
import { jobDetails } from '@/core/lifecycle';
import type { AsBuilt } from '@/core/report';
import { drawSectionOnPaper, drawSlip, drawTestCurve } from './drawings';
import {
  closePaper,
  colours,
  heading,
  openPaper,
  paragraph,
  pictureRows,
  table,
  writeLetterhead,
  type Letterhead,
  type Paper,
} from './paper';

interface Asked {
  readonly report: AsBuilt;
  readonly fingerprint: string;
  readonly family: Family;
  readonly pictures: readonly { readonly bytes: Uint8Array; readonly caption: string; readonly about: string }[];
  readonly zone: string;
  /** The head of the shop's papers now; its name is that of the report. */
  readonly shop: Letterhead;
}
/** What is asked, with the language that it is written in. */
interface Spoken extends Asked {
  readonly words: Words;
}

function writeHead(paper: Paper, { report, fingerprint, zone, shop, words }: Spoken): void {
  const { say, moment } = words;
  const { number, revision, issued, what_changed: what } = report;
  writeLetterhead(paper, { ...shop, ...report.shop }, { size: 9, words });
  paper.font('bold').fontSize(18).fillColor(colours.ink).text(say('report.title', { number }));
  const at = moment(issued.at, zone);
  paper
    .font('bold')
    .fontSize(10)
    .text(say('report.revision', { revision, at, by: issued.by }));
  if (what) paper.font('text').fontSize(9).fillColor(colours.jasper).text(say('report.changed', { what }));
  paper.font('text').fontSize(7).fillColor(colours.quiet).text(say('report.fingerprint', { fingerprint }));
}

function dutyWords({ duty }: AsBuilt, { say, number }: Words): string {
  if (!duty) return say('report.notStated');
  const { flow_m3h, head_m, speed_rpm, power_kw } = duty;
  const said = { flow: number(flow_m3h), head: number(head_m), speed: number(speed_rpm) };
  return power_kw ? say('report.dutyPower', { ...said, power: number(power_kw) }) : say('report.dutySays', said);
}

function historyWords({ history }: AsBuilt, { say, phrase }: Words): string {
  const visits = history.map(({ tag, opened_at, outcome, report }) => {
    const said = say('report.visit', { tag, day: opened_at.slice(0, 10), outcome: phrase(outcome) });
    return report ? `${said}, ${report}` : said;
  });
  return visits.join('; ') || say('report.firstVisit');
}

function writeIdentity(paper: Paper, { report, zone, words }: Spoken): void {
  const { job, pump } = report;
  const { say, phrase, number, moment } = words;
  const { customer, equipment_number: own, running_hours: hours } = job;
  heading(paper, say('report.identity'));
  table(
    paper,
    [
      { title: '', share: 2 },
      { title: '', share: 7 },
    ],
    [
      [say('report.pump'), say('report.pumpSays', { pump: jobDetails(pump), serial: pump.serial })],
      [say('report.owner'), own ? say('report.ownerNumbered', { customer, number: own }) : customer],
      [say('report.tag'), say('report.tagSays', { tag: job.tag, at: moment(job.opened_at, zone) })],
      [
        say('report.construction'),
        say('report.constructionSays', { family: phrase(pump.family), version: pump.family_version }),
      ],
      [say('report.duty'), dutyWords(report, words)],
      [say('report.liquid'), `${job.liquid} (${phrase(job.cleaning)})`],
      [
        say('report.whyOut'),
        hours === null ? job.why_out : say('report.hours', { why: job.why_out, hours: number(hours) }),
      ],
      [say('report.history'), historyWords(report, words)],
    ],
  );
}

const worst = ({ worst_mm, worst: other }: AsBuilt['points'][number]['as_found'], { phrase }: Words) =>
  phrase(worst_mm === null ? String(other ?? '—') : worst_mm.toFixed(3));

function writePoints(paper: Paper, { report, family, words }: Spoken): void {
  const { say, phrase } = words;
  heading(paper, say('report.points'));
  drawSectionOnPaper(paper, family, report.points, words);
  paper.moveDown(0.5);
  table(
    paper,
    [
      { title: say('report.number'), share: 0.7, align: 'right' },
      { title: say('report.point'), share: 4.4 },
      { title: say('report.new'), share: 3 },
      { title: say('report.reuse'), share: 2.2 },
      { title: say('report.asFound'), share: 1.6, align: 'right', mono: true },
      { title: say('report.verdict'), share: 1.8 },
      { title: say('report.asLeft'), share: 1.6, align: 'right', mono: true },
      { title: say('report.verdict'), share: 1.8 },
    ],
    report.points.map((point) => [
      String(point.number),
      phrase(point.title),
      phrase(point.new),
      phrase(point.reuse),
      worst(point.as_found, words),
      phrase(point.as_found.verdict),
      worst(point.as_left, words),
      phrase(point.as_left.verdict),
    ]),
  );
}

function writeFindings(paper: Paper, { report, words }: Spoken): void {
  const { say, phrase } = words;
  heading(paper, say('report.findings'));
  if (!report.findings.length) return paragraph(paper, say('report.noFindings'));
  table(
    paper,
    [
      { title: say('report.part'), share: 2 },
      { title: say('report.finding'), share: 5 },
      { title: say('report.disposition'), share: 2 },
      { title: say('report.reason'), share: 3 },
      { title: say('report.by'), share: 1.8 },
    ],
    report.findings.map(({ part, what, disposition, reason, overruled, waived, by }) => [
      phrase(part),
      phrase(what),
      disposition ? phrase(disposition) : '—',
      [
        reason && phrase(reason),
        overruled && say('report.overruled', { why: overruled }),
        waived && say('report.waived', { why: waived }),
      ]
        .filter(Boolean)
        .join(' '),
      by,
    ]),
  );
}

function writeConversion(paper: Paper, { report: { conversion }, words }: Spoken): void {
  if (!conversion) return;
  const { say, phrase, within } = words;
  const { came_as: came, went_back_as: went, out, in: fitted } = conversion;
  const listed = (parts: typeof out) =>
    parts.map(({ name, quantity }) => `${quantity} × ${within(phrase(name))}`).join(', ') || say('report.nothing');
  heading(paper, say('report.conversion'));
  paragraph(paper, say('report.cameAs', { came: phrase(came), went: phrase(went) }));
  paragraph(paper, say('report.outAndIn', { out: listed(out), fitted: listed(fitted) }));
}

function writeScope(paper: Paper, { report, words }: Spoken): void {
  const { say, phrase } = words;
  const done = (report.scope ?? []).filter(({ action }) => action !== 'work');
  if (!done.length) return;
  heading(paper, say('report.scope'));
  table(
    paper,
    [
      { title: say('report.on'), share: 3 },
      { title: say('report.what'), share: 2 },
      { title: say('report.why'), share: 5 },
      { title: say('report.from'), share: 2 },
      { title: say('report.stands'), share: 1.6 },
    ],
    done.map(({ what, action, why, source, standing }) => [
      ...[what, action, why].map(phrase),
      ...[sayFrom(source, words), phrase(standing)],
    ]),
  );
}

function writeSteps(paper: Paper, { report, zone, words }: Spoken): void {
  const { say, phrase, number, moment } = words;
  heading(paper, say('report.steps'));
  table(
    paper,
    [
      { title: say('report.step'), share: 3.4 },
      { title: say('report.value'), share: 3 },
      { title: say('report.doneBy'), share: 3 },
      { title: say('report.holdPoint'), share: 2 },
    ],
    report.steps.map((step) => [
      step.round > 1 ? say('report.round', { step: phrase(step.title), round: step.round }) : phrase(step.title),
      [
        step.torque_nm !== null && say('report.torque', { value: number(step.torque_nm) }),
        step.temperature_c !== null && `${number(step.temperature_c)} °C`,
        step.consumable && phrase(step.consumable),
      ]
        .filter(Boolean)
        .join(', '),
      `${step.by}, ${moment(step.at, zone)}`,
      step.hold_point_signed_by ?? '',
    ]),
  );
}

function writeRebuild(paper: Paper, asked: Spoken): void {
  const { report, words } = asked;
  const { say, phrase } = words;
  writeConversion(paper, asked);
  writeScope(paper, asked);
  heading(paper, say('report.partsFitted'));
  if (report.parts_fitted.length)
    table(
      paper,
      [
        { title: say('report.part'), share: 4 },
        { title: say('report.partNumber'), share: 2.4, mono: true },
        { title: say('report.quantity'), share: 1.2, align: 'right' },
        { title: say('report.order'), share: 2, mono: true },
      ],
      report.parts_fitted.map((part) => [phrase(part.name), part.number, String(part.quantity), part.order]),
    );
  heading(paper, say('report.positions'));
  table(
    paper,
    [
      { title: say('report.what'), share: 4 },
      { title: say('report.atTeardown'), share: 3 },
      { title: say('report.atRebuild'), share: 3 },
    ],
    report.positions.map((one) => [one.what, one.teardown, one.rebuild].map(phrase)),
  );
  writeSteps(paper, asked);
}

type WorkingShown = AsBuilt['settings'][number]['working'][number];

/** A line of working: what, by which formula, with which figures, what comes out, and from where. */
function workingWords({ what, formula, put, outcome, source }: WorkingShown, { phrase }: Words): string {
  const how = [formula, put].filter(Boolean).join('; ');
  return `${phrase(what)}: ${how}${how && '  =  '}${phrase(outcome)}${source ? `  [${phrase(source)}]` : ''}`;
}

function writeWorking(paper: Paper, { report, words }: Spoken): void {
  heading(paper, words.say('report.settings'));
  for (const setting of report.settings) {
    paper.moveDown(0.3);
    paper.font('bold').fontSize(8.5).fillColor(colours.ink).text(words.phrase(setting.title));
    for (const step of setting.working) paragraph(paper, workingWords(step, words), { size: 8 });
  }
}

const figure = (title: string) => ({ title, share: 1, align: 'right', mono: true }) as const;

type Test = AsBuilt['tests'][number];

/** Readings of a run; what has no curve has no flow and head either. */
function writeReadings(paper: Paper, { power, points }: Test, { say, phrase }: Words): void {
  const columns = power
    ? [say('report.reading'), say('report.shaftPower')]
    : [say('report.flow'), say('report.head'), say('report.power'), say('report.efficiency')];
  table(
    paper,
    columns.map(figure),
    points.map(({ flow_m3h, head_m, power_kw, efficiency_pct }, i) =>
      (power
        ? [String(i + 1), power_kw.toFixed(2)]
        : [flow_m3h.toFixed(2), head_m.toFixed(2), power_kw.toFixed(2), efficiency_pct.toFixed(1)]
      ).map(phrase),
    ),
  );
}

function runWords({ run, grade, slip, power, verdict: said }: Test, { say, phrase }: Words): string {
  const verdict = phrase(said);
  if (slip) return say('report.runSlip', { run, verdict });
  return power ? say('report.runPower', { run, verdict }) : say('report.runCurve', { run, grade, verdict });
}

function decisionWords({ decision, decided_by: by, decision_reason: why }: Test, { say, phrase }: Words): string {
  if (!decision) return '';
  const said = { decision: phrase(decision), by: by ?? '' };
  return why ? say('report.decisionWhy', { ...said, why }) : say('report.decision', said);
}

function writeTests(paper: Paper, { report, zone, words }: Spoken): void {
  const { say, phrase, moment } = words;
  heading(paper, say('report.tests'));
  for (const test of report.tests) {
    paper.moveDown(0.3);
    paper.font('bold').fontSize(9).fillColor(colours.ink).text(runWords(test, words));
    const by = say('report.runBy', { reason: phrase(test.reason), by: test.by, at: moment(test.at, zone) });
    paragraph(paper, `${by} ${decisionWords(test, words)}`);
    if (test.slip) drawSlip(paper, test, test.slip, words);
    else if (!test.power) drawTestCurve(paper, test, words);
    writeReadings(paper, test, words);
    for (const step of test.working) paragraph(paper, workingWords(step, words), { size: 7.5, quiet: true });
  }
}

function writeSignatures(paper: Paper, { report, zone, words }: Spoken): void {
  const { say, phrase, moment } = words;
  heading(paper, say('report.signatures'));
  table(
    paper,
    [
      { title: say('report.role'), share: 3 },
      { title: say('report.name'), share: 3 },
      { title: say('report.when'), share: 3 },
    ],
    report.signatures.map((one) => [phrase(one.role), one.name, moment(one.at, zone)]),
  );
  const { count, head_hash: hash } = report.events;
  paragraph(paper, say('report.events', { count, hash }), { quiet: true, size: 7 });
}

function writeEnd(paper: Paper, asked: Spoken): void {
  const { report, pictures, zone, words } = asked;
  const { say, phrase, moment } = words;
  const dot = (line: string) => `•  ${phrase(line)}`;
  heading(paper, say('report.deviations'));
  if (report.deviations.length) for (const line of report.deviations) paragraph(paper, dot(line));
  else paragraph(paper, say('report.none'));
  heading(paper, say('report.approvals'));
  for (const { revision, way, name, at, fingerprint } of report.approvals) {
    const said = { revision, way: phrase(way), name, at: moment(at, zone), fingerprint };
    paragraph(paper, say('report.approval', said), { size: 8 });
  }
  if (report.policies.length) heading(paper, say('report.policies'));
  for (const policy of report.policies) paragraph(paper, dot(policy), { size: 8 });
  heading(paper, say('report.cautions'));
  for (const caution of report.cautions) paragraph(paper, dot(caution), { size: 8.5 });
  if (pictures.length) {
    heading(paper, say('report.photographs'));
    pictureRows(paper, pictures);
  }
  writeSignatures(paper, asked);
}

/**
 * The as-built report as it is issued: as found and as left side by side, parts, torques, settings, test, pictures,
 * signatures.
 */
export async function writeAsBuiltPdf(given: Asked): Promise<Buffer> {
  const asked: Spoken = { ...given, words: wordsOf(given.shop.language) };
  const { report, words, fingerprint, shop } = asked;
  const { number, revision } = report;
  const paper = openPaper({ title: words.say('report.pdfTitle', { number, revision }), size: shop.paperSize });
  writeHead(paper, asked);
  writeIdentity(paper, asked);
  writeBefore(paper, asked);
  writePoints(paper, asked);
  writeFindings(paper, asked);
  writeCleaning(paper, asked);
  writeFitted(paper, asked);
  writeMade(paper, asked);
  writeRebuild(paper, asked);
  writeWorking(paper, asked);
  writeTests(paper, asked);
  writeEnd(paper, asked);
  const foot = { number, revision, tag: report.job.tag, fingerprint: fingerprint.slice(0, 16) };
  return closePaper(paper, words.say('report.foot', foot));
}
