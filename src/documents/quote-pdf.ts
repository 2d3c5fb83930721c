import { asSentence, lineTotalMinor, nameQuote, offeredLines, optionsOf, standsIn, totalQuote } from '@/core/quoting';
import { jobDetails } from '@/core/lifecycle';
import { type JobRecord, type OptionLevel, type Quote, type QuoteLine } from '@/core/record';
import type { Words } from '@/words';
import { wordsOf } from '@/words/every-language';
import {
  closePaper,
  colours,
  heading,
  innerWidth,
  needRoom,
  openPaper,
  writeLetterhead,
  type Letterhead,
  paragraph,
  pictureRows,
  table,
  type Paper,
} from './paper';

interface Asked {
  readonly record: JobRecord;
  readonly quote: Quote;
  readonly shop: Letterhead & { readonly zone: string };
  readonly pictures: readonly { readonly id: string; readonly bytes: Uint8Array; readonly caption: string }[];
  readonly fingerprint: string;
  readonly now: string;
}

/** Why a supplement comes only now. */
function writeReason(paper: Paper, { supplement }: Quote, { say }: Words): void {
  if (supplement) paragraph(paper, say('paper.onlyNow', { why: supplement.whyOnlyNow }));
}

/** Every line with its reason; where options are offered, its price in each or a word for what happens without it. */
function writeLines(paper: Paper, quote: Quote, standing: readonly QuoteLine[], words: Words): void {
  const { say, phrase, number } = words;
  const money = (minor: number) => words.money({ minor, currency: quote.currency });
  const { options } = quote;
  const each = (line: QuoteLine) =>
    `${number(line.quantity)} ${phrase(line.unit)}${line.discountPct ? ` −${number(line.discountPct)} %` : ''}`;
  const columns = options.map((option) => ({ title: say(`option.${option}`), share: 3.3, align: 'right' as const }));
  const ends = options.length ? columns : [{ title: say('paper.total'), share: 2.7, align: 'right' as const }];
  const cells = (line: QuoteLine) =>
    (options.length ? options : [null]).map((option) =>
      standsIn(line, option) ? money(lineTotalMinor(line)) : line.instead || '—',
    );
  table(
    paper,
    [
      { title: say('paper.line'), share: 4.4 },
      { title: say('paper.why'), share: 5.6 },
      { title: say('paper.quantity'), share: 2.2, align: 'right' },
      { title: say('paper.each'), share: 2.7, align: 'right' },
      ...ends,
    ],
    standing.map((line) => [
      line.critical ? say('paper.critical', { line: line.description }) : line.description,
      line.plain,
      each(line),
      money(line.unitPriceMinor),
      ...cells(line),
    ]),
  );
}

/** The sum of an option, or of the whole where there is nothing to choose. */
function writeTotals(paper: Paper, quote: Quote, option: OptionLevel | null, words: Words): void {
  const { say, number } = words;
  const money = (minor: number) => words.money({ minor, currency: quote.currency });
  const totals = totalQuote(offeredLines(quote, option), quote);
  const together =
    option === null
      ? say('paper.together')
      : say(option === quote.advised ? 'paper.advisedTogether' : 'paper.optionTogether', {
          option: say(`option.${option}`),
        });
  const rows: readonly (readonly [string, number])[] = [
    [say('paper.sum'), totals.linesMinor],
    ...(totals.discountMinor
      ? [[say('paper.less', { percent: number(quote.discountPct) }), -totals.discountMinor] as const]
      : []),
    [say('paper.tax', { percent: number(quote.taxPct) }), totals.taxMinor],
    [together, totals.grossMinor],
  ];
  needRoom(paper, 70);
  paper.moveDown(0.6);
  const width = innerWidth(paper);
  for (const [label, value] of rows) {
    const y = paper.y;
    paper
      .font(label === together ? 'bold' : 'text')
      .fontSize(10)
      .fillColor(colours.ink);
    paper.text(label, paper.page.margins.left, y, { width: width - 100, align: 'right' });
    paper.text(money(value), paper.page.margins.left, y, { width, align: 'right' });
  }
}

/** The quote as it is mailed: what was found, in plain words and pictures, then every line and the totals. */
export async function writeQuotePdf({ record, quote, shop, pictures, fingerprint, now }: Asked): Promise<Buffer> {
  const words = wordsOf(quote.language);
  const { say, phrase } = words;
  const named = nameQuote(quote, words);
  const paper = openPaper({ title: `${named}, ${record.tag}`, size: shop.paperSize });
  const standing = quote.lines.filter((line) => line.struckReason === null);
  writeLetterhead(paper, shop, { size: 16, words });
  paper.font('text').fontSize(9).fillColor(colours.quiet);
  paper.text(say('paper.of', { quote: named, tag: record.tag, day: now.slice(0, 10), until: quote.validUntil }));
  paper.moveDown(0.6);
  paper.font('text').fontSize(10).fillColor(colours.ink);
  paper.text(`${record.customer.name}${record.contact ? `, ${record.contact.name}` : ''}`);
  const number = record.intake.equipmentNumber;
  const plate = { pump: jobDetails(record.pump), serial: record.pump.serial, number };
  paper.text(say(number ? 'paper.pumpNumbered' : 'paper.pump', plate));
  if (quote.note) paragraph(paper, quote.note);
  heading(paper, say('paper.found'));
  const offered = new Set<string>(quote.lines.flatMap(({ findingIds }) => findingIds));
  const found = record.findings.filter(
    ({ id, disposition }) => disposition && (quote.kind === 'quote' || offered.has(id)),
  );
  if (!found.length) paragraph(paper, say('paper.nothing'));
  for (const finding of found) paragraph(paper, `•  ${phrase(asSentence(finding.plain))}`);
  const shown = pictures.filter((picture) => record.findings.some((finding) => finding.photoId === picture.id));
  if (shown.length) {
    paper.moveDown(0.5);
    pictureRows(paper, shown.slice(0, 6));
  }
  writeReason(paper, quote, words);
  heading(paper, say('paper.takes'));
  writeLines(paper, quote, standing, words);
  for (const option of optionsOf(quote)) writeTotals(paper, quote, option, words);
  heading(paper, say('paper.note'));
  paragraph(paper, say('paper.terms'), { quiet: true });
  paragraph(paper, say('paper.fingerprint', { fingerprint }), { quiet: true, size: 7 });
  return closePaper(paper, `${shop.name} · ${named}, ${record.tag}`);
}
