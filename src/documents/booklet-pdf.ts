import { cautionFooter, type Family, type Step } from '@/core/family';
import type { PaperSize } from '@/core/record';
import { asidesOf, cautionsOf, cover, limitWords, plainVersion, stepHead } from './family-cover';
import { closePaper, heading, needRoom, openPaper, paragraph, table, type Paper } from './paper';

function bookletStep(paper: Paper, step: Step, number: number): void {
  const said = new Set<string>();
  needRoom(paper, 70);
  stepHead(paper, { step, number }, said);
  for (const action of step.actions) {
    cautionsOf(paper, action.cautions, said);
    paragraph(paper, action.do.map((line) => `– ${line}`).join('\n'));
    const asides = asidesOf(action);
    if (asides.length) paragraph(paper, asides.join(' '), { quiet: true, size: 8 });
  }
}

const partWords = ({ material, elastomer, thread, wears, soft }: Family['parts'][number]) =>
  [
    `${material}${elastomer ? ` (${elastomer})` : ''}`,
    thread && `${thread.size} ${thread.hand} hand`,
    wears && 'wears',
    soft && 'always new',
  ]
    .filter(Boolean)
    .join(', ');

function partsAndPoints(paper: Paper, family: Family): void {
  heading(paper, 'Parts');
  table(
    paper,
    [
      { title: 'Pieces', share: 1, align: 'right' },
      { title: 'Part', share: 5 },
      { title: 'Made of', share: 5 },
      { title: 'Part number', share: 2.6, mono: true },
    ],
    family.parts.map((part) => [String(part.quantity), part.name, partWords(part), part.number]),
  );
  heading(paper, 'Points and limits');
  table(
    paper,
    [
      { title: 'Point', share: 0.8, align: 'right' },
      { title: 'What is measured', share: 4 },
      { title: 'Limits', share: 5 },
      { title: 'Where they are from', share: 4 },
    ],
    family.points.map((point) => [
      String(point.number),
      `${point.title}${point.critical ? ', critical' : ''}`,
      limitWords(point),
      point.source,
    ]),
  );
}

/** The family as a booklet: section, end view, parts, points, both sequences, test plan, damage, kits. */
export async function writeBookletPdf(family: Family, size: PaperSize = 'A4'): Promise<Buffer> {
  const paper = openPaper({ title: `${family.id} ${family.title}`, size });
  cover(paper, family, 'Booklet');
  partsAndPoints(paper, family);
  for (const [title, steps] of [
    ['Teardown', family.teardown],
    ['Rebuild', family.rebuild],
    ['Test', family.test.steps],
  ] as const) {
    heading(paper, title);
    steps.forEach((step, i) => bookletStep(paper, step, i + 1));
  }
  paragraph(paper, `Stop at once when ${family.test.stop_when.join(', or ')}.`);
  heading(paper, 'What usually fails');
  table(
    paper,
    [
      { title: 'What is seen', share: 4 },
      { title: 'What it points to', share: 6 },
    ],
    family.damage.map((one) => [one.seen, one.points_to]),
  );
  heading(paper, 'Kits');
  for (const kit of family.kits)
    paragraph(
      paper,
      `${kit.title}: ${kit.gives.map((one) => `${one.qty} × ${family.parts.find((part) => part.ref === one.part)?.name.toLowerCase()}`).join(', ')}`,
      { size: 8 },
    );
  return closePaper(paper, `${family.id} ${plainVersion(family)} · ${cautionFooter}`);
}
