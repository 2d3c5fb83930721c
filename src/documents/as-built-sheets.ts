import { scopeSources } from '@/core/record';
import type { AsBuilt } from '@/core/report';
import type { Words } from '@/words';
import { heading, paragraph, table, type Paper } from './paper';

interface Asked {
  readonly report: AsBuilt;
  readonly zone: string;
  readonly words: Words;
}

/** Where a part comes from, in a word or two. */
export function sayFrom(source: string, { say, phrase }: Words): string {
  const known = scopeSources.find((one) => one === source);
  return known ? say(`from.${known}`) : phrase(source);
}

/** What stood before the work: a residue, what was begun elsewhere, a warranty return. */
export function writeBefore(paper: Paper, { report, words: { say, phrase, number } }: Asked): void {
  const { begun_elsewhere: begun, residue, warranty_return: warranty } = report;
  if (warranty) {
    const { of: tag, judgement, share_pct, reason, by } = warranty;
    heading(paper, say('report.warranty'));
    const said = { tag, judgement: phrase(judgement), percent: number(share_pct), reason, by };
    paragraph(paper, say('report.warrantySays', said));
  }
  if (residue) {
    const { description, result, allowed_by: by } = residue;
    heading(paper, say('report.residue'));
    const sentences = [`${description}.`, result || say('report.notIdentified'), by && say('report.openedBy', { by })];
    paragraph(paper, sentences.filter(Boolean).join(' '));
  }
  if (begun) {
    heading(paper, say('report.begun'));
    paragraph(paper, `${begun.by}: ${begun.done}.`);
    if (begun.lost.length)
      table(
        paper,
        [
          { title: say('report.lost'), share: 5 },
          { title: say('report.instead'), share: 4 },
        ],
        begun.lost.map(({ what, instead }) => [phrase(what), phrase(instead)]),
      );
  }
}

/** The runs of cleaning, each with its parts. */
export function writeCleaning(paper: Paper, { report, zone, words: { say, phrase, moment } }: Asked): void {
  if (!report.cleaning?.length) return;
  heading(paper, say('report.cleaning'));
  table(
    paper,
    [
      { title: say('report.parts'), share: 4 },
      { title: say('report.how'), share: 5 },
      { title: say('report.seen'), share: 2 },
      { title: say('report.by'), share: 2.4 },
    ],
    report.cleaning.map(({ parts, how, seen, by, at }) => [
      parts.map(phrase).join(', '),
      phrase(how),
      seen.map(phrase).join(', ') || say('report.nothingNew'),
      `${by}, ${moment(at, zone)}`,
    ]),
  );
}

/** Numbers that are not those of the list, and where the parts that were fitted came from. */
export function writeFitted(paper: Paper, { report, zone, words }: Asked): void {
  const { say, phrase, moment } = words;
  if (report.numbers_found?.length) {
    heading(paper, say('report.numbersFound'));
    table(
      paper,
      [
        { title: say('report.part'), share: 3 },
        { title: say('report.numberOnIt'), share: 2 },
        { title: say('report.itIs'), share: 4 },
        { title: say('report.by'), share: 2.4 },
      ],
      report.numbers_found.map(({ part, found, verdict, settled, by, at }) => [
        ...[phrase(part), found, [phrase(verdict), settled].filter(Boolean).join(': ')],
        `${by}, ${moment(at, zone)}`,
      ]),
    );
  }
  if (!report.fitted?.length) return;
  heading(paper, say('report.cameIn'));
  table(
    paper,
    [
      { title: say('report.part'), share: 3 },
      { title: say('report.from'), share: 3 },
      { title: say('report.partNumber'), share: 2 },
      { title: say('report.lot'), share: 1.4 },
      { title: say('report.by'), share: 2.4 },
    ],
    report.fitted.map(({ part, quantity, source, from, number, lot, note, by, at }) => [
      `${quantity} × ${phrase(part)}`,
      [`${sayFrom(source, words)}, ${from}`, note].filter(Boolean).join('; '),
      ...[number, lot, `${by}, ${moment(at, zone)}`],
    ]),
  );
}

type Made = NonNullable<AsBuilt['made_here']>[number];

/** A part that the shop made, with its readings against the sketch. */
function writeOneMade(paper: Paper, made: Made, { zone, words: { say, phrase, moment } }: Asked): void {
  const { part, number, why, material, lot, fitted, by, at, released_by: released, readings } = made;
  heading(paper, say('report.madeHere', { part: phrase(part), number }));
  const sentences = [
    `${phrase(why)}.`,
    `${lot ? say('report.ofLot', { material, lot }) : material}.`,
    released && say('report.released', { by: released }),
    `${phrase(fitted)}.`,
    `${by}, ${moment(at, zone)}`,
  ];
  paragraph(paper, sentences.filter(Boolean).join(' '));
  table(
    paper,
    [
      { title: say('report.dimension'), share: 3 },
      { title: say('report.between'), share: 3 },
      { title: say('report.measured'), share: 2 },
    ],
    readings.map(({ what, min, max, value }) => [
      phrase(what),
      min === max ? phrase(`${min}`) : say('report.fromTo', { min: phrase(`${min}`), max: phrase(`${max}`) }),
      phrase(`${value ?? ''}`),
    ]),
  );
}

/** What the shop made, and what others did. */
export function writeMade(paper: Paper, asked: Asked): void {
  const { report, words } = asked;
  const { say, phrase } = words;
  for (const made of report.made_here ?? []) writeOneMade(paper, made, asked);
  if (!report.work_outside?.length) return;
  heading(paper, say('report.outside'));
  table(
    paper,
    [
      { title: say('report.work'), share: 4 },
      { title: say('report.by'), share: 2.4 },
      { title: say('report.backMeasured'), share: 4 },
      { title: say('report.takenBy'), share: 2.4 },
    ],
    report.work_outside.map(({ number, what, parts, to, back_on, measured, note, by }) => [
      `${number} ${phrase(what)} (${parts.map(phrase).join(', ')})`,
      to,
      [...measured.map((one) => `${phrase(one.what)}: ${phrase(`${one.value ?? ''} ${one.unit}`)}`), note]
        .filter(Boolean)
        .join('; '),
      `${by}, ${back_on}`,
    ]),
  );
}
