import {
  cautionFooter,
  findCaution,
  sayAsk,
  sayLimits,
  sayWindow,
  type Family,
  type Step,
  type StepAction,
} from '@/core/family';
import { drawSectionOnPaper } from './drawings';
import { closePaper, colours, heading, innerWidth, needRoom, openPaper, paragraph, type Paper } from './paper';

const limitWords = (point: Family['points'][number]) => {
  const { derived } = point;
  if (derived) return `designed ${derived.design_um.min} to ${derived.design_um.max} µm, limit ${derived.limit_um} µm`;
  const { asNew, reuse } = sayLimits(point);
  return `new ${asNew}${reuse && `, reuse ${reuse}`}`;
};

function cover(paper: Paper, family: Family, what: string): void {
  paper.font('bold').fontSize(17).fillColor(colours.ink).text(`${family.id} ${family.title}`, paper.page.margins.left);
  paragraph(
    paper,
    `${what}, version ${family.version}. ${family.principle}; ${family.drive}; ${family.sealing}; ${family.duty}.`,
    { quiet: true },
  );
  paper.moveDown(0.5);
  drawSectionOnPaper(paper, family, []);
}

function cautionsOf(paper: Paper, ids: readonly string[]): void {
  for (const id of ids) {
    const caution = findCaution(id);
    if (caution)
      paper
        .font('bold')
        .fontSize(8)
        .fillColor(colours.jasper)
        .text(`${caution.title}: ${caution.text}`, { width: innerWidth(paper) });
  }
}

function torqueWords({ answer }: StepAction): string {
  if (answer?.kind !== 'torque') return '';
  const { window_nm, bolts, thread, grade, pattern } = answer;
  return `Torque ${sayWindow(window_nm, 'N·m')}, ${bolts} × ${thread} ${grade}, ${pattern}.`;
}

/** One action in words: its movements, why, the usual mistake, what it must reach. */
function actionWords(paper: Paper, action: StepAction): void {
  cautionsOf(paper, action.cautions);
  paragraph(paper, action.do.map((line) => `– ${line}`).join('\n'));
  const asides = [
    action.reason && `Why: ${action.reason}`,
    action.mistake && `Usual mistake: ${action.mistake}`,
    action.tools.length > 0 && `Tools: ${action.tools.join(', ')}`,
    torqueWords(action),
  ].filter(Boolean);
  for (const words of asides) paragraph(paper, String(words), { quiet: true, size: 8 });
}

function stepWords(paper: Paper, step: Step, number: number): void {
  needRoom(paper, 70);
  paper.moveDown(0.4);
  paper
    .font('bold')
    .fontSize(9.5)
    .fillColor(colours.ink)
    .text(`${number}. ${step.title}`, paper.page.margins.left, paper.y, { width: innerWidth(paper) });
  cautionsOf(paper, step.cautions);
  if (step.reason) paragraph(paper, `Why: ${step.reason}`, { quiet: true, size: 8 });
  if (step.mistake) paragraph(paper, `Usual mistake: ${step.mistake}`, { quiet: true, size: 8 });
}

function bookletStep(paper: Paper, step: Step, number: number): void {
  stepWords(paper, step, number);
  for (const action of step.actions) actionWords(paper, action);
}

/** A step with an empty box for every action. */
function travellerStep(paper: Paper, step: Step, number: number): void {
  stepWords(paper, step, number);
  for (const action of step.actions) {
    actionWords(paper, action);
    box(paper, sayAsk(action) ?? 'done');
  }
  const width = step.hold_point ? 260 : 120;
  box(paper, step.hold_point ? 'Done by, on — second person, on' : 'Done by, on', width);
}

/** The family as a booklet: section, parts, points, both sequences, test plan, damage, kits. */
export async function writeBookletPdf(family: Family): Promise<Buffer> {
  const paper = openPaper({ title: `${family.id} ${family.title}` });
  cover(paper, family, 'Booklet');
  heading(paper, 'Parts');
  for (const part of family.parts)
    paragraph(
      paper,
      `${part.quantity} × ${part.name}, ${part.material}${part.elastomer ? ` (${part.elastomer})` : ''}${part.thread ? `, ${part.thread.size} ${part.thread.hand} hand` : ''} — ${part.number}${part.wears ? ', wears' : ''}${part.soft ? ', always new' : ''}`,
      { size: 8 },
    );
  heading(paper, 'Points and limits');
  for (const point of family.points)
    paragraph(
      paper,
      `${point.number}. ${point.title}: ${limitWords(point)}. ${point.source}${point.critical ? ' — critical' : ''}`,
      { size: 8 },
    );
  heading(paper, 'Teardown');
  family.teardown.forEach((step, i) => bookletStep(paper, step, i + 1));
  heading(paper, 'Rebuild');
  family.rebuild.forEach((step, i) => bookletStep(paper, step, i + 1));
  heading(paper, 'Test');
  family.test.steps.forEach((step, i) => bookletStep(paper, step, i + 1));
  paragraph(paper, `Stop at once when ${family.test.stop_when.join(', or ')}.`);
  heading(paper, 'What usually fails');
  for (const one of family.damage) paragraph(paper, `${one.seen}: ${one.points_to}`, { size: 8 });
  heading(paper, 'Kits');
  for (const kit of family.kits)
    paragraph(
      paper,
      `${kit.title}: ${kit.gives.map((one) => `${one.qty} × ${family.parts.find((part) => part.ref === one.part)?.name.toLowerCase()}`).join(', ')}`,
      { size: 8 },
    );
  return closePaper(paper, `${family.id} ${family.version} · ${cautionFooter}`);
}

/** An empty box with its words, as a traveller on paper has them. */
function box(paper: Paper, words: string, width = 120): void {
  needRoom(paper, 26);
  const { left } = paper.page.margins;
  const y = paper.y;
  paper
    .font('text')
    .fontSize(8.5)
    .fillColor(colours.ink)
    .text(words, left + 10, y + 5, { width: innerWidth(paper) - width - 30, height: 20, ellipsis: true });
  paper
    .rect(left + innerWidth(paper) - width, y, width, 19)
    .lineWidth(0.7)
    .strokeColor(colours.ink)
    .stroke();
  paper.x = left;
  paper.y = y + 22;
}

/** The family's traveller: the same steps and points with empty boxes, for a bench without a tablet. */
export async function writeTravellerPdf(family: Family): Promise<Buffer> {
  const paper = openPaper({ title: `Traveller ${family.id} ${family.title}` });
  cover(paper, family, 'Traveller');
  for (const words of ['Tag', 'Serial number', 'Owner', 'Liquid and declaration', 'Received by, on'])
    box(paper, words, 260);
  heading(paper, 'Teardown');
  family.teardown.forEach((step, i) => travellerStep(paper, step, i + 1));
  heading(paper, 'Points');
  for (const point of family.points) {
    paragraph(paper, `${point.number}. ${point.title}: ${limitWords(point)}`, { size: 8.5 });
    if (point.derived) box(paper, 'clearance as found / as left, mm', 160);
    for (const place of point.places)
      box(paper, `plane ${place.plane}, ${place.angle_deg}°: as found / as left, mm`, 160);
  }
  heading(paper, 'Rebuild');
  family.rebuild.forEach((step, i) => travellerStep(paper, step, i + 1));
  heading(paper, 'Test');
  family.test.steps.forEach((step, i) => travellerStep(paper, step, i + 1));
  return closePaper(paper, `${family.id} ${family.version} · ${cautionFooter}`);
}
