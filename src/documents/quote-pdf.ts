import { asSentence, lineTotalMinor, nameQuote, offeredLines, optionsOf, standsIn, totalQuote } from '@/core/quoting';
import { jobDetails } from '@/core/lifecycle';
import { optionNames, type JobRecord, type OptionLevel, type Quote, type QuoteLine } from '@/core/record';
import { formatMoney } from '@/core/units';
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
  readonly pictures: readonly { readonly id: string; readonly bytes: Buffer; readonly caption: string }[];
  readonly fingerprint: string;
  readonly now: string;
}

/** Why a supplement comes only now. */
function writeReason(paper: Paper, { supplement }: Quote): void {
  if (supplement) paragraph(paper, `Why only now: ${supplement.whyOnlyNow}`);
}

/** Every line with its reason; where options are offered, its price in each or a word for what happens without it. */
function writeLines(paper: Paper, quote: Quote, standing: readonly QuoteLine[]): void {
  const money = (minor: number) => formatMoney({ minor, currency: quote.currency });
  const { options } = quote;
  const each = (line: QuoteLine) => `${line.quantity} ${line.unit}${line.discountPct ? ` −${line.discountPct} %` : ''}`;
  const columns = options.map((option) => ({ title: optionNames[option], share: 3.3, align: 'right' as const }));
  const ends = options.length ? columns : [{ title: 'Total', share: 2.7, align: 'right' as const }];
  const cells = (line: QuoteLine) =>
    (options.length ? options : [null]).map((option) =>
      standsIn(line, option) ? money(lineTotalMinor(line)) : line.instead || '—',
    );
  table(
    paper,
    [
      { title: 'Line', share: 4.4 },
      { title: 'Why', share: 5.6 },
      { title: 'Quantity', share: 2.2, align: 'right' },
      { title: 'Each', share: 2.7, align: 'right' },
      ...ends,
    ],
    standing.map((line) => [
      line.critical ? `${line.description} (the pump may fail without it)` : line.description,
      line.plain,
      each(line),
      money(line.unitPriceMinor),
      ...cells(line),
    ]),
  );
}

/** The sum of an option, or of the whole where there is nothing to choose. */
function writeTotals(paper: Paper, quote: Quote, option: OptionLevel | null): void {
  const money = (minor: number) => formatMoney({ minor, currency: quote.currency });
  const totals = totalQuote(offeredLines(quote, option), quote);
  const advised = option === quote.advised ? ', which we advise' : '';
  const together = option === null ? 'Together' : `${optionNames[option]}${advised}, together`;
  const rows: readonly (readonly [string, number])[] = [
    ['Sum of the lines', totals.linesMinor],
    ...(totals.discountMinor ? [[`Less ${quote.discountPct} %`, -totals.discountMinor] as const] : []),
    [`Tax ${quote.taxPct} %`, totals.taxMinor],
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
  const paper = openPaper({ title: `${nameQuote(quote)}, ${record.tag}`, size: shop.paperSize });
  const standing = quote.lines.filter((line) => line.struckReason === null);
  writeLetterhead(paper, shop, 16);
  paper
    .font('text')
    .fontSize(9)
    .fillColor(colours.quiet)
    .text(`${nameQuote(quote)} for ${record.tag}, of ${now.slice(0, 10)}; valid until ${quote.validUntil}`);
  paper.moveDown(0.6);
  paper
    .font('text')
    .fontSize(10)
    .fillColor(colours.ink)
    .text(`${record.customer.name}${record.contact ? `, ${record.contact.name}` : ''}`);
  paper.text(
    `${jobDetails(record.pump)}, serial ${record.pump.serial}${record.intake.equipmentNumber ? `, your number ${record.intake.equipmentNumber}` : ''}`,
  );
  if (quote.note) paragraph(paper, quote.note);
  heading(paper, 'What we found');
  const named = new Set<string>(quote.lines.flatMap(({ findingIds }) => findingIds));
  const found = record.findings.filter(
    ({ id, disposition }) => disposition && (quote.kind === 'quote' || named.has(id)),
  );
  if (!found.length) paragraph(paper, 'Nothing beyond ordinary wear; seals and bearings are renewed at every repair.');
  for (const finding of found) paragraph(paper, `•  ${asSentence(finding.plain)}`);
  const shown = pictures.filter((picture) => record.findings.some((finding) => finding.photoId === picture.id));
  if (shown.length) {
    paper.moveDown(0.5);
    pictureRows(paper, shown.slice(0, 6));
  }
  writeReason(paper, quote);
  heading(paper, 'What it takes');
  writeLines(paper, quote, standing);
  for (const option of optionsOf(quote)) writeTotals(paper, quote, option);
  heading(paper, 'Please note');
  paragraph(
    paper,
    'Single lines can be declined; what is declined is not covered by this repair. Damage that shows only later makes a supplement, which needs its own approval.',
    { quiet: true },
  );
  paragraph(paper, `Fingerprint of the quoted text: ${fingerprint}`, { quiet: true, size: 7 });
  return closePaper(paper, `${shop.name} · ${nameQuote(quote)}, ${record.tag}`);
}
