import { findCaution, sayBuild, sayLimits, type Family, type Step, type StepAction, sayWindow } from '@/core/family';
import type { Words } from '@/words';
import { drawEndOnPaper, drawSectionOnPaper } from './drawings';
import { colours, innerWidth, paragraph, type Paper } from './paper';

/** A version as people say it, without the build behind it. */
export const plainVersion = ({ version }: Pick<Family, 'version'>): string => version.split('+')[0] ?? version;

/** The limits of a point in words; those of a clearance as its design and its limit. */
export function limitWords(point: Family['points'][number], { say, phrase }: Words): string {
  const { derived } = point;
  if (derived) return say('family.designed', { ...derived.design_um, limit: derived.limit_um });
  const limits = sayLimits(point);
  const [asNew, reuse] = [phrase(limits.asNew), phrase(limits.reuse)];
  return reuse ? say('family.limitsReuse', { asNew, reuse }) : say('family.limits', { asNew });
}

/** Title, how it is built, the section, and the end view where it has one. */
export function cover(paper: Paper, family: Family, what: string, words: Words): void {
  const { say, phrase } = words;
  paper
    .font('bold')
    .fontSize(17)
    .fillColor(colours.ink)
    .text(`${family.id} ${phrase(family.title)}`, paper.page.margins.left);
  const duty = [family.principle, family.drive, family.sealing, family.duty].map(phrase).join('; ');
  paragraph(paper, say('family.version', { what, version: plainVersion(family), duty }), { quiet: true });
  const built = sayBuild(family, family.version);
  if (built) paragraph(paper, say('family.built', { build: phrase(built) }));
  paper.moveDown(0.5);
  drawSectionOnPaper(paper, family, null, words);
  drawEndOnPaper(paper, family, words);
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

function torqueWords({ answer }: StepAction, { say }: Words): string {
  if (answer?.kind !== 'torque') return '';
  const { window_nm, bolts, thread, grade, pattern } = answer;
  return say('family.torque', { window: sayWindow(window_nm, 'N·m'), bolts, thread, grade, pattern });
}

/** Why, the usual mistake, tools and torque of an action: what stands small beneath it. */
export function asidesOf(action: StepAction, words: Words): readonly string[] {
  const { say } = words;
  return [
    action.reason && say('family.why', { words: action.reason }),
    action.mistake && say('family.mistake', { words: action.mistake }),
    action.tools.length > 0 && say('family.tools', { words: action.tools.join(', ') }),
    torqueWords(action, words),
  ].filter((words): words is string => Boolean(words));
}

/** A step with its number, in a language. */
export interface StepShown {
  readonly step: Step;
  readonly number: number;
  readonly words: Words;
}

/** The head of a step: its number and title, its cautions, why and the usual mistake. */
export function stepHead(paper: Paper, { step, number, words }: StepShown, said: Set<string>): void {
  const { say, phrase } = words;
  paper.moveDown(0.5);
  paper
    .font('bold')
    .fontSize(9.5)
    .fillColor(colours.ink)
    .text(`${number}. ${phrase(step.title)}`, paper.page.margins.left, paper.y, { width: innerWidth(paper) });
  cautionsOf(paper, step.cautions, said);
  if (step.reason) paragraph(paper, say('family.why', { words: step.reason }), { quiet: true, size: 8 });
  if (step.mistake) paragraph(paper, say('family.mistake', { words: step.mistake }), { quiet: true, size: 8 });
}
