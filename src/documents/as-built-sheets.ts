import type { AsBuilt } from '@/core/report';
import { heading, paragraph, sayMoment, table, type Paper } from './paper';

interface Asked {
  readonly report: AsBuilt;
  readonly zone: string;
}

/** What stood before the work: a residue, what was begun elsewhere, a warranty return. */
export function writeBefore(paper: Paper, { report }: Asked): void {
  const { begun_elsewhere: begun, residue, warranty_return: warranty } = report;
  if (warranty) {
    heading(paper, 'Warranty return');
    paragraph(
      paper,
      `It came back within the warranty of ${warranty.of}. Judged ${warranty.judgement} by ${warranty.by}; we bear ${warranty.share_pct} %. ${warranty.reason}`,
    );
  }
  if (residue) {
    heading(paper, 'What was in it');
    const allowed = residue.allowed_by ? ` Its opening was allowed by ${residue.allowed_by}.` : '';
    paragraph(paper, `${residue.description}. ${residue.result || 'It was not identified.'}${allowed}`);
  }
  if (begun) {
    heading(paper, 'Begun before it came');
    paragraph(paper, `${begun.by}: ${begun.done}.`);
    if (begun.lost.length)
      table(
        paper,
        [
          { title: 'Could no longer be taken', share: 5 },
          { title: 'Taken instead from', share: 4 },
        ],
        begun.lost.map(({ what, instead }) => [what, instead]),
      );
  }
}

/** The runs of cleaning, each with its parts. */
export function writeCleaning(paper: Paper, { report, zone }: Asked): void {
  if (!report.cleaning?.length) return;
  heading(paper, 'Cleaning');
  table(
    paper,
    [
      { title: 'Parts', share: 4 },
      { title: 'How', share: 5 },
      { title: 'Seen when clean', share: 2 },
      { title: 'By', share: 2.4 },
    ],
    report.cleaning.map(({ parts, how, seen, by, at }) => [
      parts.join(', '),
      how,
      seen.join(', ') || 'nothing new',
      `${by}, ${sayMoment(at, zone)}`,
    ]),
  );
}

/** Numbers that are not those of the list, and where the parts that were fitted came from. */
export function writeFitted(paper: Paper, { report, zone }: Asked): void {
  if (report.numbers_found?.length) {
    heading(paper, 'Numbers found');
    table(
      paper,
      [
        { title: 'Part', share: 3 },
        { title: 'Number on it', share: 2 },
        { title: 'It is', share: 4 },
        { title: 'By', share: 2.4 },
      ],
      report.numbers_found.map(({ part, found, verdict, settled, by, at }) => [
        ...[part, found, [verdict, settled].filter(Boolean).join(': ')],
        `${by}, ${sayMoment(at, zone)}`,
      ]),
    );
  }
  if (!report.fitted?.length) return;
  heading(paper, 'Parts that came in for it');
  table(
    paper,
    [
      { title: 'Part', share: 3 },
      { title: 'From', share: 3 },
      { title: 'Number', share: 2 },
      { title: 'Lot', share: 1.4 },
      { title: 'By', share: 2.4 },
    ],
    report.fitted.map(({ part, quantity, source, from, number, lot, note, by, at }) => [
      ...[`${quantity} × ${part}`, [`${source}, ${from}`, note].filter(Boolean).join('; '), number, lot],
      `${by}, ${sayMoment(at, zone)}`,
    ]),
  );
}

/** What the shop made, with its readings against the sketch, and what others did. */
export function writeMade(paper: Paper, { report, zone }: Asked): void {
  for (const made of report.made_here ?? []) {
    heading(paper, `Made here: ${made.part}, ${made.number}`);
    const released = made.released_by ? ` The sketch was released by ${made.released_by}.` : '';
    const lot = made.lot && `, lot ${made.lot}`;
    paragraph(
      paper,
      `${made.why}. ${made.material}${lot}.${released} ${made.fitted}. ${made.by}, ${sayMoment(made.at, zone)}`,
    );
    table(
      paper,
      [
        { title: 'Dimension', share: 3 },
        { title: 'Between', share: 3 },
        { title: 'Measured', share: 2 },
      ],
      made.readings.map(({ what, min, max, value }) => [
        what,
        min === max ? `${min}` : `${min} to ${max}`,
        `${value ?? ''}`,
      ]),
    );
  }
  if (!report.work_outside?.length) return;
  heading(paper, 'Work outside');
  table(
    paper,
    [
      { title: 'Work', share: 4 },
      { title: 'By', share: 2.4 },
      { title: 'Came back measured', share: 4 },
      { title: 'Taken by', share: 2.4 },
    ],
    report.work_outside.map(({ number, what, parts, to, back_on, measured, note, by }) => [
      `${number} ${what} (${parts.join(', ')})`,
      to,
      [...measured.map((one) => `${one.what}: ${one.value ?? ''} ${one.unit}`), note].filter(Boolean).join('; '),
      `${by}, ${back_on}`,
    ]),
  );
}
