import type { Family } from '@/core/family';
import { writeBefore, writeCleaning, writeFitted, writeMade } from './as-built-sheets';
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
  sayMoment,
  table,
  writeLetterhead,
  type Letterhead,
  type Paper,
} from './paper';

interface Asked {
  readonly report: AsBuilt;
  readonly fingerprint: string;
  readonly family: Family;
  readonly pictures: readonly { readonly bytes: Buffer; readonly caption: string; readonly about: string }[];
  readonly zone: string;
  /** The head of the shop's papers now; its name is that of the report. */
  readonly shop: Letterhead;
}

function writeHead(paper: Paper, { report, fingerprint, zone, shop }: Asked): void {
  const { job, pump } = report;
  writeLetterhead(paper, { ...shop, ...report.shop }, 9);
  paper.font('bold').fontSize(18).fillColor(colours.ink).text(`As-built report ${report.number}`);
  paper
    .font('bold')
    .fontSize(10)
    .text(`Revision ${report.revision}, issued ${sayMoment(report.issued.at, zone)} by ${report.issued.by}`);
  if (report.what_changed)
    paper.font('text').fontSize(9).fillColor(colours.jasper).text(`Changed in this revision: ${report.what_changed}`);
  paper.font('text').fontSize(7).fillColor(colours.quiet).text(`Fingerprint of the record (SHA-256): ${fingerprint}`);
  heading(paper, 'Identity');
  const duty = report.duty
    ? `${report.duty.flow_m3h} m³/h at ${report.duty.head_m} m, ${report.duty.speed_rpm} 1/min${report.duty.power_kw ? `, ${report.duty.power_kw} kW` : ''}`
    : 'not stated';
  table(
    paper,
    [
      { title: '', share: 2 },
      { title: '', share: 7 },
    ],
    [
      ['Pump', `${jobDetails(pump)}, serial ${pump.serial}`],
      ['Owner', `${job.customer}${job.equipment_number ? `, their number ${job.equipment_number}` : ''}`],
      ['Our tag', `${job.tag}, received ${sayMoment(job.opened_at, zone)}`],
      ['Construction', `${pump.family} (family version ${pump.family_version})`],
      ['Duty', duty],
      ['Liquid', `${job.liquid} (${job.cleaning})`],
      ['Why it came out', `${job.why_out}${job.running_hours === null ? '' : `, ${job.running_hours} running hours`}`],
      [
        'History',
        report.history.length
          ? report.history
              .map(
                (visit) =>
                  `${visit.tag} of ${visit.opened_at.slice(0, 10)}, ${visit.outcome}${visit.report ? `, ${visit.report}` : ''}`,
              )
              .join('; ')
          : 'first visit',
      ],
    ],
  );
}

const worst = (side: AsBuilt['points'][number]['as_found']) =>
  side.worst_mm === null ? String(side.worst ?? '—') : side.worst_mm.toFixed(3);

function writePoints(paper: Paper, { report, family }: Asked): void {
  heading(paper, 'As found and as left');
  drawSectionOnPaper(paper, family, report.points);
  paper.moveDown(0.5);
  table(
    paper,
    [
      { title: 'Nr', share: 0.7, align: 'right' },
      { title: 'Point', share: 4.4 },
      { title: 'New', share: 3 },
      { title: 'Reuse', share: 2.2 },
      { title: 'As found', share: 1.6, align: 'right', mono: true },
      { title: 'Verdict', share: 1.8 },
      { title: 'As left', share: 1.6, align: 'right', mono: true },
      { title: 'Verdict', share: 1.8 },
    ],
    report.points.map((point) => [
      String(point.number),
      point.title,
      point.new,
      point.reuse,
      worst(point.as_found),
      point.as_found.verdict,
      worst(point.as_left),
      point.as_left.verdict,
    ]),
  );
}

function writeFindings(paper: Paper, { report }: Asked): void {
  heading(paper, 'Findings and dispositions');
  if (!report.findings.length) return paragraph(paper, 'None beyond the points above.');
  table(
    paper,
    [
      { title: 'Part', share: 2 },
      { title: 'Finding', share: 5 },
      { title: 'Disposition', share: 2 },
      { title: 'Reason', share: 3 },
      { title: 'By', share: 1.8 },
    ],
    report.findings.map((finding) => [
      finding.part,
      finding.what,
      finding.disposition ?? '—',
      [
        finding.reason,
        finding.overruled && `Overruled: ${finding.overruled}`,
        finding.waived && `Waived: ${finding.waived}`,
      ]
        .filter(Boolean)
        .join(' '),
      finding.by,
    ]),
  );
}

function writeRebuild(paper: Paper, { report, zone }: Asked): void {
  if (report.conversion) {
    const { came_as, went_back_as, out, in: fitted } = report.conversion;
    const listed = (parts: typeof out) => parts.map(({ name, quantity }) => `${quantity} × ${name.toLowerCase()}`);
    heading(paper, 'Conversion');
    paragraph(paper, `It came as: ${came_as}. It went back as: ${went_back_as}.`);
    paragraph(
      paper,
      `Came out: ${listed(out).join(', ') || 'nothing'}. Went in: ${listed(fitted).join(', ') || 'nothing'}.`,
    );
  }
  const done = (report.scope ?? []).filter(({ action }) => action !== 'work');
  if (done.length) {
    heading(paper, 'What was to be done, and what became of it');
    table(
      paper,
      [
        { title: 'On', share: 3 },
        { title: 'What', share: 2 },
        { title: 'Why', share: 5 },
        { title: 'From', share: 2 },
        { title: 'Stands', share: 1.6 },
      ],
      done.map((one) => [one.what, one.action, one.why, one.source, one.standing]),
    );
  }
  heading(paper, 'Parts fitted');
  if (report.parts_fitted.length)
    table(
      paper,
      [
        { title: 'Part', share: 4 },
        { title: 'Number', share: 2.4, mono: true },
        { title: 'Quantity', share: 1.2, align: 'right' },
        { title: 'Order', share: 2, mono: true },
      ],
      report.parts_fitted.map((part) => [part.name, part.number, String(part.quantity), part.order]),
    );
  heading(paper, 'Marks, positions and counts');
  table(
    paper,
    [
      { title: 'What', share: 4 },
      { title: 'At teardown', share: 3 },
      { title: 'At rebuild', share: 3 },
    ],
    report.positions.map((one) => [one.what, one.teardown, one.rebuild]),
  );
  heading(paper, 'Rebuild steps, torques, temperatures');
  table(
    paper,
    [
      { title: 'Step', share: 3.4 },
      { title: 'Value', share: 3 },
      { title: 'Done by', share: 3 },
      { title: 'Hold point signed by', share: 2 },
    ],
    report.steps.map((step) => [
      step.round > 1 ? `${step.title} (round ${step.round})` : step.title,
      [
        step.torque_nm !== null && `torque ${step.torque_nm} N·m`,
        step.temperature_c !== null && `${step.temperature_c} °C`,
        step.consumable,
      ]
        .filter(Boolean)
        .join(', '),
      `${step.by}, ${sayMoment(step.at, zone)}`,
      step.hold_point_signed_by ?? '',
    ]),
  );
}

function writeWorking(paper: Paper, { report }: Asked): void {
  heading(paper, 'Settings with their working');
  for (const setting of report.settings) {
    paper.moveDown(0.3);
    paper.font('bold').fontSize(8.5).fillColor(colours.ink).text(setting.title);
    for (const step of setting.working)
      paragraph(
        paper,
        `${step.what}: ${[step.formula, step.put].filter(Boolean).join('; ')}${step.formula || step.put ? '  =  ' : ''}${step.outcome}${step.source ? `  [${step.source}]` : ''}`,
        { size: 8 },
      );
  }
}

const figure = (title: string) => ({ title, share: 1, align: 'right', mono: true }) as const;
const pointColumns = ['Flow, m³/h', 'Head, m', 'Power, kW', 'Efficiency, %'].map(figure);
/** What has no curve has no flow and head either. */
const powerColumns = ['Reading', 'Shaft power, kW'].map(figure);

function writeTests(paper: Paper, { report, zone }: Asked): void {
  heading(paper, 'Test on the stand');
  for (const test of report.tests) {
    paper.moveDown(0.3);
    paper
      .font('bold')
      .fontSize(9)
      .fillColor(colours.ink)
      .text(
        `Run ${test.run}, ${test.slip ? 'flow at pressure' : test.power ? 'power taken' : `grade ${test.grade} of ISO 9906`}: ${test.verdict}`,
      );
    paragraph(
      paper,
      `${test.reason} Run by ${test.by}, ${sayMoment(test.at, zone)}. ${test.decision ? `Decision: ${test.decision} by ${test.decided_by}${test.decision_reason ? ` (${test.decision_reason})` : ''}.` : ''}`,
    );
    if (test.slip) drawSlip(paper, test, test.slip);
    else if (!test.power) drawTestCurve(paper, test);
    table(
      paper,
      test.power ? powerColumns : pointColumns,
      test.points.map((point, i) =>
        test.power
          ? [String(i + 1), point.power_kw.toFixed(2)]
          : [
              point.flow_m3h.toFixed(2),
              point.head_m.toFixed(2),
              point.power_kw.toFixed(2),
              point.efficiency_pct.toFixed(1),
            ],
      ),
    );
    for (const step of test.working)
      paragraph(
        paper,
        `${step.what}: ${[step.formula, step.put].filter(Boolean).join('; ')}${step.formula || step.put ? '  =  ' : ''}${step.outcome}${step.source ? `  [${step.source}]` : ''}`,
        { size: 7.5, quiet: true },
      );
  }
}

function writeEnd(paper: Paper, { report, pictures, zone }: Asked): void {
  heading(paper, 'Deviations and concessions');
  if (report.deviations.length) for (const line of report.deviations) paragraph(paper, `•  ${line}`);
  else paragraph(paper, 'None.');
  heading(paper, 'Approvals');
  for (const approval of report.approvals)
    paragraph(
      paper,
      `Revision ${approval.revision}, by ${approval.way}: ${approval.name}, ${sayMoment(approval.at, zone)}. Fingerprint ${approval.fingerprint}`,
      { size: 8 },
    );
  if (report.policies.length) heading(paper, 'Policies in force');
  for (const policy of report.policies) paragraph(paper, `•  ${policy}`, { size: 8 });
  heading(paper, 'Cautions for start-up');
  for (const caution of report.cautions) paragraph(paper, `•  ${caution}`, { size: 8.5 });
  if (pictures.length) {
    heading(paper, 'Photographs');
    pictureRows(paper, pictures);
  }
  heading(paper, 'Signatures');
  table(
    paper,
    [
      { title: 'Role', share: 3 },
      { title: 'Name', share: 3 },
      { title: 'When', share: 3 },
    ],
    report.signatures.map((one) => [one.role, one.name, sayMoment(one.at, zone)]),
  );
  paragraph(
    paper,
    `The record behind this report holds ${report.events.count} events, chained by hash; the last is ${report.events.head_hash}.`,
    { quiet: true, size: 7 },
  );
}

/**
 * The as-built report as it is issued: as found and as left side by side, parts, torques, settings, test, pictures,
 * signatures.
 */
export async function writeAsBuiltPdf(asked: Asked): Promise<Buffer> {
  const { report } = asked;
  const paper = openPaper({
    title: `As-built report ${report.number} revision ${report.revision}`,
    size: asked.shop.paperSize,
  });
  writeHead(paper, asked);
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
  return closePaper(
    paper,
    `${report.number} revision ${report.revision} · ${report.job.tag} · fingerprint ${asked.fingerprint.slice(0, 16)}`,
  );
}
