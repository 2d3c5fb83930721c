import { cautionFooter, type Family } from '@/core/family';
import type { Words } from '@/words';
import { wordsOf } from '@/words/every-language';
import { asidesOf, cautionsOf, cover, limitWords, plainVersion, stepHead, type StepShown } from './family-cover';
import {
  closePaper,
  heading,
  needRoom,
  openPaper,
  paragraph,
  table,
  usualPrinting,
  type Paper,
  type Printing,
} from './paper';

function bookletStep(paper: Paper, shown: StepShown): void {
  const said = new Set<string>();
  needRoom(paper, 70);
  stepHead(paper, shown, said);
  for (const action of shown.step.actions) {
    cautionsOf(paper, action.cautions, said);
    paragraph(paper, action.do.map((line) => `– ${line}`).join('\n'));
    const asides = asidesOf(action, shown.words);
    if (asides.length) paragraph(paper, asides.join(' '), { quiet: true, size: 8 });
  }
}

const partWords = ({ material, elastomer, thread, wears, soft }: Family['parts'][number], { say, phrase }: Words) =>
  [
    `${phrase(material)}${elastomer ? ` (${elastomer})` : ''}`,
    thread && say('family.hand', { size: thread.size, hand: phrase(thread.hand) }),
    wears && say('family.wears'),
    soft && say('family.alwaysNew'),
  ]
    .filter(Boolean)
    .join(', ');

function partsAndPoints(paper: Paper, family: Family, words: Words): void {
  const { say, phrase } = words;
  heading(paper, say('family.parts'));
  table(
    paper,
    [
      { title: say('family.pieces'), share: 1, align: 'right' },
      { title: say('family.part'), share: 5 },
      { title: say('family.madeOf'), share: 5 },
      { title: say('family.partNumber'), share: 2.6, mono: true },
    ],
    family.parts.map((part) => [String(part.quantity), phrase(part.name), partWords(part, words), part.number]),
  );
  heading(paper, say('family.pointsAndLimits'));
  table(
    paper,
    [
      { title: say('family.point'), share: 0.8, align: 'right' },
      { title: say('family.measured'), share: 4 },
      { title: say('family.limitsTitle'), share: 5 },
      { title: say('family.source'), share: 4 },
    ],
    family.points.map((point) => [
      String(point.number),
      point.critical ? say('family.critical', { point: phrase(point.title) }) : phrase(point.title),
      limitWords(point, words),
      phrase(point.source),
    ]),
  );
}

/** The family as a booklet: section, end view, parts, points, both sequences, test plan, damage, kits. */
export async function writeBookletPdf(
  family: Family,
  { paperSize: size, language }: Printing = usualPrinting,
): Promise<Buffer> {
  const words = wordsOf(language);
  const { say, phrase, within } = words;
  const paper = openPaper({ title: `${family.id} ${family.title}`, size });
  cover(paper, family, say('family.booklet'), words);
  partsAndPoints(paper, family, words);
  for (const [title, steps] of [
    [say('family.teardown'), family.teardown],
    [say('family.rebuild'), family.rebuild],
    [say('family.test'), family.test.steps],
  ] as const) {
    heading(paper, title);
    steps.forEach((step, i) => bookletStep(paper, { step, number: i + 1, words }));
  }
  paragraph(paper, say('family.stop', { signs: family.test.stop_when.join(say('family.or')) }));
  heading(paper, say('family.fails'));
  table(
    paper,
    [
      { title: say('family.seen'), share: 4 },
      { title: say('family.pointsTo'), share: 6 },
    ],
    family.damage.map((one) => [phrase(one.seen), phrase(one.points_to)]),
  );
  heading(paper, say('family.kits'));
  const nameOf = (ref: string) => family.parts.find((part) => part.ref === ref)?.name ?? ref;
  for (const kit of family.kits)
    paragraph(
      paper,
      `${phrase(kit.title)}: ${kit.gives.map(({ part, qty }) => `${qty} × ${within(phrase(nameOf(part)))}`).join(', ')}`,
      { size: 8 },
    );
  return closePaper(paper, `${family.id} ${plainVersion(family)} · ${phrase(cautionFooter)}`);
}
