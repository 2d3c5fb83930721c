import { lineTotalMinor, totalQuote } from '@/core/quoting';
import { jobDetails } from '@/core/lifecycle';
import type { JobRecord, Quote } from '@/core/record';
import { formatMoney } from '@/core/units';
import { closePaper, colours, heading, innerWidth, needRoom, openPaper, paragraph, pictureRows, table } from './paper';

interface Asked {
  readonly record: JobRecord;
  readonly quote: Quote;
  readonly shop: { readonly name: string; readonly place: string; readonly zone: string };
  readonly pictures: readonly { readonly id: string; readonly bytes: Buffer; readonly caption: string }[];
  readonly fingerprint: string;
  readonly now: string;
}

/** The quote as it is mailed: what was found, in plain words and pictures, then every line and the totals. */
export async function writeQuotePdf({ record, quote, shop, pictures, fingerprint, now }: Asked): Promise<Buffer> {
  const paper = openPaper({ title: `Quote ${record.tag} revision ${quote.revision}` });
  const money = (minor: number) => formatMoney({ minor, currency: quote.currency });
  const standing = quote.lines.filter((line) => line.struckReason === null);
  const totals = totalQuote(quote.lines, quote);
  paper.font('bold').fontSize(16).text(`${shop.name}, ${shop.place}`);
  paper
    .font('text')
    .fontSize(9)
    .fillColor(colours.quiet)
    .text(
      `Quote for ${record.tag}, revision ${quote.revision}, of ${now.slice(0, 10)}; valid until ${quote.validUntil}`,
    );
  paper.moveDown(0.6);
  paper
    .font('text')
    .fontSize(10)
    .fillColor(colours.ink)
    .text(`${record.customer.name}${record.contact ? `, ${record.contact.name}` : ''}`);
  paper.text(
    `${jobDetails(record.pump)}, serial ${record.pump.serial}${record.intake.equipmentNumber ? `, your number ${record.intake.equipmentNumber}` : ''}`,
  );
  heading(paper, 'What we found');
  const found = record.findings.filter((finding) => finding.disposition);
  if (!found.length) paragraph(paper, 'Nothing beyond ordinary wear; seals and bearings are renewed at every repair.');
  for (const finding of found) paragraph(paper, `•  ${finding.plain}`);
  const shown = pictures.filter((picture) => record.findings.some((finding) => finding.photoId === picture.id));
  if (shown.length) {
    paper.moveDown(0.5);
    pictureRows(paper, shown.slice(0, 6));
  }
  heading(paper, 'What it takes');
  table(
    paper,
    [
      { title: 'Line', share: 5 },
      { title: 'Why', share: 6 },
      { title: 'Quantity', share: 1.6, align: 'right' },
      { title: 'Each', share: 1.8, align: 'right' },
      { title: 'Total', share: 1.9, align: 'right' },
    ],
    standing.map((line) => [
      line.description,
      line.plain,
      `${line.quantity} ${line.unit}`,
      money(line.unitPriceMinor),
      money(lineTotalMinor(line)),
    ]),
  );
  needRoom(paper, 70);
  paper.moveDown(0.6);
  const width = innerWidth(paper);
  for (const [label, value] of [
    ['Sum of the lines', totals.netMinor],
    [`Tax ${quote.taxPct} %`, totals.taxMinor],
    ['Together', totals.grossMinor],
  ] as const) {
    const y = paper.y;
    paper
      .font(label === 'Together' ? 'bold' : 'text')
      .fontSize(10)
      .fillColor(colours.ink);
    paper.text(label, paper.page.margins.left, y, { width: width - 100, align: 'right' });
    paper.text(money(value), paper.page.margins.left, y, { width, align: 'right' });
  }
  heading(paper, 'Please note');
  paragraph(
    paper,
    'Single lines can be declined; what is declined is not covered by this repair. Damage that shows only later makes a supplement, which needs its own approval.',
    { quiet: true },
  );
  paragraph(paper, `Fingerprint of the quoted text: ${fingerprint}`, { quiet: true, size: 7 });
  return closePaper(paper, `${shop.name} · quote ${record.tag} revision ${quote.revision}`);
}
