import { findCaution, sayBuild, sayLimits, type Family, type Step, type StepAction, sayWindow } from '@/core/family';
import { drawEndOnPaper, drawSectionOnPaper } from './drawings';
import { colours, innerWidth, paragraph, type Paper } from './paper';

/** A version as people say it, without the build behind it. */
export const plainVersion = ({ version }: Pick<Family, 'version'>): string => version.split('+')[0] ?? version;

/** The limits of a point in words; those of a clearance as its design and its limit. */
export function limitWords(point: Family['points'][number]): string {
  const { derived } = point;
  if (derived) return `designed ${derived.design_um.min} to ${derived.design_um.max} µm, limit ${derived.limit_um} µm`;
  const { asNew, reuse } = sayLimits(point);
  return `new ${asNew}${reuse && `, reuse ${reuse}`}`;
}

/** Title, how it is built, the section, and the end view where it has one. */
export function cover(paper: Paper, family: Family, what: string): void {
  paper.font('bold').fontSize(17).fillColor(colours.ink).text(`${family.id} ${family.title}`, paper.page.margins.left);
  paragraph(
    paper,
    `${what}, version ${plainVersion(family)}. ${family.principle}; ${family.drive}; ${family.sealing}; ${family.duty}.`,
    { quiet: true },
  );
  const built = sayBuild(family, family.version);
  if (built) paragraph(paper, `Built so: ${built}.`);
  paper.moveDown(0.5);
  drawSectionOnPaper(paper, family, null);
  drawEndOnPaper(paper, family);
}

/** Cautions in the order in which they are met, each once where the same step says it again. */
export function cautionsOf(paper: Paper, ids: readonly string[], said: Set<string>): void {
  for (const id of ids) {
    const caution = findCaution(id);
    if (!caution || said.has(id)) continue;
    said.add(id);
    paper
      .font('bold')
      .fontSize(8)
      .fillColor(colours.jasper)
      .text(`${caution.title}: ${caution.text}`, paper.page.margins.left, paper.y, { width: innerWidth(paper) });
  }
}

function torqueWords({ answer }: StepAction): string {
  if (answer?.kind !== 'torque') return '';
  const { window_nm, bolts, thread, grade, pattern } = answer;
  return `Torque ${sayWindow(window_nm, 'N·m')}, ${bolts} × ${thread} ${grade}, ${pattern}.`;
}

/** Why, the usual mistake, tools and torque of an action: what stands small beneath it. */
export function asidesOf(action: StepAction): readonly string[] {
  return [
    action.reason && `Why: ${action.reason}`,
    action.mistake && `Usual mistake: ${action.mistake}`,
    action.tools.length > 0 && `Tools: ${action.tools.join(', ')}`,
    torqueWords(action),
  ].filter((words): words is string => Boolean(words));
}

/** The head of a step: its number and title, its cautions, why and the usual mistake. */
export function stepHead(paper: Paper, { step, number }: { step: Step; number: number }, said: Set<string>): void {
  paper.moveDown(0.5);
  paper
    .font('bold')
    .fontSize(9.5)
    .fillColor(colours.ink)
    .text(`${number}. ${step.title}`, paper.page.margins.left, paper.y, { width: innerWidth(paper) });
  cautionsOf(paper, step.cautions, said);
  if (step.reason) paragraph(paper, `Why: ${step.reason}`, { quiet: true, size: 8 });
  if (step.mistake) paragraph(paper, `Usual mistake: ${step.mistake}`, { quiet: true, size: 8 });
}
