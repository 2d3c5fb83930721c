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
