import { cautionFooter, sayAsk, type Family, type StepAction } from '@/core/family';
import type { Words } from '@/words';
import { wordsOf } from '@/words/every-language';
import { present } from '@/core/present';
import { asidesOf, cautionsOf, cover, limitWords, plainVersion, stepHead, type StepShown } from './family-cover';
import {
  closePaper,
  colours,
  heading,
  innerWidth,
  needRoom,
  openPaper,
  paragraph,
  usualPrinting,
  type Paper,
  type Printing,
} from './paper';

/** Widths of what is written at the right, and the least height of a box that a pencil can write in. */
const [answerWidth, gap, leastHeight] = [170, 12, 20];

interface Box {
  readonly label: string;
  /** Its share of the width of all boxes of a line. */
  readonly share?: number;
}

/** Empty boxes side by side from a place on, each with its words small above it. */
function boxesAt(paper: Paper, boxes: readonly Box[], at: { readonly x: number; y: number; width: number }): number {
  const total = boxes.reduce((sum, { share = 1 }) => sum + share, 0);
  const widths = boxes.map(({ share = 1 }) => (share / total) * at.width);
  paper.font('text').fontSize(6.5);
  const labels = boxes.map(({ label }, i) =>
    label ? paper.heightOfString(label, { width: present(widths[i]) - 6 }) : 0,
  );
  const head = Math.max(0, ...labels);
  let { x } = at;
  for (const [i, { label }] of boxes.entries()) {
    const width = present(widths[i]);
    paper
      .font('text')
      .fontSize(6.5)
      .fillColor(colours.quiet)
      .text(label, x, at.y, { width: width - 6 });
    paper
      .rect(x, at.y + head + 1, width - 4, leastHeight - 2)
      .lineWidth(0.7)
      .strokeColor(colours.ink)
      .stroke();
    x += width;
  }
  return head + leastHeight + 2;
}

/** What an action is answered with, as empty boxes: one, or one a pass, a room and a bearing, a row. */
function boxesOf({ answer }: StepAction, { say, phrase }: Words): readonly Box[] {
  switch (answer?.kind) {
    case 'torque':
      return (answer.passes_pct ?? [100]).map((pct) => ({
        label: pct === 100 ? 'N·m' : say('box.torqueAt', { percent: pct }),
      }));
    case 'heat':
      return [{ label: say('box.room') }, { label: say('box.reached') }];
    case 'value':
      return [{ label: phrase(answer.unit) }];
    case 'setting':
      return [{ label: say('box.bySum', { unit: answer.unit }) }, { label: say('box.asLeft', { unit: answer.unit }) }];
    case 'photo':
      return [{ label: say('box.picture') }];
    case 'measure':
      return [{ label: say('box.pointsRead') }];
    default:
      return [{ label: '' }];
  }
}

/** The title of an action where neither its movements nor its question say the same. */
function titleOf({ title = '', do: movements }: StepAction, ask: string | null): string {
  const isSaid = title === movements[0] || (ask ?? '').startsWith(title);
  return title && !isSaid ? `${title}. ` : '';
}

interface Saying {
  /** Cautions that this step has said already. */
  readonly said: Set<string>;
  readonly words: Words;
}

/** An action: its movements at the left, its boxes at the right, never parted by the end of a page. */
function actionLine(paper: Paper, action: StepAction, { said, words: spoken }: Saying): void {
  const { left } = paper.page.margins;
  const width = innerWidth(paper) - answerWidth - gap;
  const ask = sayAsk(action);
  const words = `${titleOf(action, ask)}${action.do.join(' ')}`;
  const small = asidesOf(action, spoken).join(' ');
  const heights = [
    paper.font('text').fontSize(8.5).heightOfString(words, { width }),
    ask ? paper.font('bold').fontSize(8).heightOfString(ask, { width }) : 0,
    small ? paper.font('text').fontSize(7).heightOfString(small, { width }) : 0,
  ];
  const height = heights.reduce((sum, one) => sum + one, 0);
  needRoom(paper, Math.max(height, leastHeight + 12) + 30);
  cautionsOf(paper, action.cautions, said);
  const y = paper.y + 3;
  paper.font('text').fontSize(8.5).fillColor(colours.ink).text(words, left, y, { width });
  if (ask) paper.font('bold').fontSize(8).text(ask, left, paper.y, { width });
  if (small) paper.font('text').fontSize(7).fillColor(colours.quiet).text(small, left, paper.y, { width });
  const isTable = action.answer?.kind === 'record';
  const across = { x: left + width + gap, y, width: answerWidth };
  const drawn = isTable ? 0 : boxesAt(paper, boxesOf(action, spoken), across);
  paper.x = left;
  paper.y = Math.max(y + height, y + drawn) + 2;
  if (isTable) recordRows(paper, action);
  rule(paper);
}

/** A record's rows as a grid of empty boxes, under the titles of its columns. */
function recordRows(paper: Paper, { answer }: StepAction): void {
  if (answer?.kind !== 'record') return;
  const rows =
    answer.rows ?? Array.from({ length: Math.max(answer.least, answer.example.length) }, (_, i) => `${i + 1}`);
  for (const [i, row] of rows.entries()) {
    needRoom(paper, 40);
    const { left } = paper.page.margins;
    const label = 70;
    const boxes = answer.columns.map(({ title, unit }) => ({
      label: i === 0 ? (unit ? `${title}, ${unit}` : title) : '',
    }));
    const { y } = paper;
    const used = boxesAt(paper, boxes, { x: left + label, y, width: innerWidth(paper) - label });
    paper
      .font('text')
      .fontSize(8)
      .fillColor(colours.ink)
      .text(row, left, y + used - 18, { width: label - 6 });
    paper.y = y + used;
  }
}

function rule(paper: Paper): void {
  const { left, right } = paper.page.margins;
  paper
    .moveTo(left, paper.y)
    .lineTo(paper.page.width - right, paper.y)
    .lineWidth(0.3)
    .strokeColor(colours.line)
    .stroke();
}

/** Who did it and when; at a hold point, and who looked. */
function doneBy(paper: Paper, { step, words: { say } }: StepShown): void {
  needRoom(paper, 42);
  const { left } = paper.page.margins;
  const done = { label: say('box.done') };
  const boxes = step.hold_point ? [done, { label: say('box.holdPoint') }] : [done];
  const width = step.hold_point ? innerWidth(paper) : answerWidth;
  const y = paper.y + 4;
  paper.y = y + boxesAt(paper, boxes, { x: left + innerWidth(paper) - width, y, width });
  paper.x = left;
}

function travellerStep(paper: Paper, shown: StepShown): void {
  const said = new Set<string>();
  needRoom(paper, 110);
  stepHead(paper, shown, said);
  for (const action of shown.step.actions) actionLine(paper, action, { said, words: shown.words });
  doneBy(paper, shown);
}

/** A point with a pair of boxes for every place: as found and as left. */
function pointBoxes(paper: Paper, point: Family['points'][number], words: Words): void {
  const { say, phrase } = words;
  const { left } = paper.page.margins;
  const places = point.derived
    ? [say('box.clearance')]
    : point.places.map(({ plane, angle_deg }) => say('box.place', { plane: phrase(plane), angle: angle_deg }));
  const each = 4;
  needRoom(paper, 60);
  const title = point.critical ? say('family.critical', { point: phrase(point.title) }) : phrase(point.title);
  paragraph(paper, `${point.number}. ${title}: ${limitWords(point, words)}`, { size: 8.5 });
  for (let i = 0; i < places.length; i += each) {
    needRoom(paper, 40);
    const some = places.slice(i, i + each);
    const unit = point.derived ? 'µm' : phrase(point.unit);
    const boxes = some.flatMap((place) => [{ label: say('box.sides', { place, unit }) }]);
    const { y } = paper;
    paper.y = y + boxesAt(paper, boxes, { x: left, y, width: (innerWidth(paper) * some.length) / each });
    paper.x = left;
  }
}

/** The family's traveller: the same steps and points with empty boxes, for a bench without a tablet. */
export async function writeTravellerPdf(
  family: Family,
  { paperSize: size, language }: Printing = usualPrinting,
): Promise<Buffer> {
  const words = wordsOf(language);
  const { say, phrase } = words;
  const paper = openPaper({ title: `${say('family.traveller')} ${family.id} ${phrase(family.title)}`, size });
  const { left } = paper.page.margins;
  cover(paper, family, say('family.traveller'), words);
  for (const line of [
    ['box.tag', 'box.serial', 'box.owner'],
    ['box.liquid', 'box.received', 'box.promised'],
  ] as const) {
    needRoom(paper, 40);
    const { y } = paper;
    paper.y =
      y +
      boxesAt(
        paper,
        line.map((key) => ({ label: say(key) })),
        { x: left, y, width: innerWidth(paper) },
      );
  }
  paper.x = left;
  const steps = (all: Family['rebuild']) =>
    all.forEach((step, i) => travellerStep(paper, { step, number: i + 1, words }));
  heading(paper, say('family.teardown'));
  steps(family.teardown);
  heading(paper, say('family.points'));
  for (const point of family.points) pointBoxes(paper, point, words);
  heading(paper, say('family.rebuild'));
  steps(family.rebuild);
  heading(paper, say('family.test'));
  steps(family.test.steps);
  return closePaper(paper, `${family.id} ${plainVersion(family)} · ${phrase(cautionFooter)}`);
}
