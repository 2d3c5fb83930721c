import { wordsOf } from '@/words/every-language';
import type { Family } from '@/core/family';
import { sheetsOf, type JobRecord } from '@/core/record';
import { partCode, trayCode } from '@/core/supply';
import { closePaper, colours, openPaper, usualPrinting, type Paper, type Printing } from './paper';
import { codeOf, drawCode } from './scan-code';

interface Label {
  readonly code: string;
  readonly title: string;
  readonly below: string;
}

const columns = 3;
const cell = { width: 174, height: 92 };

function drawLabel(paper: Paper, tag: string, { code, title, below }: Label, i: number): void {
  const { top, bottom } = paper.page.margins;
  const rows = Math.floor((paper.page.height - top - bottom) / cell.height);
  const place = i % (columns * rows);
  if (i > 0 && place === 0) paper.addPage();
  const x = 36 + (place % columns) * cell.width;
  const y = 36 + Math.floor(place / columns) * cell.height;
  drawCode(paper, codeOf('datamatrix', code), { x: x + 4, y: y + 6, width: 52, height: 52 });
  const width = cell.width - 70;
  paper
    .font('bold')
    .fontSize(15)
    .fillColor(colours.ink)
    .text(tag, x + 62, y + 5, { lineBreak: false });
  paper
    .font('bold')
    .fontSize(9)
    .text(title, x + 62, y + 25, { width, height: 22, ellipsis: true });
  paper
    .font('text')
    .fontSize(8)
    .fillColor(colours.quiet)
    .text(below, x + 62, y + 49, { width, height: 11, ellipsis: true });
  paper
    .font('mono')
    .fontSize(7)
    .text(code, x + 4, y + 66, { width: cell.width - 10, height: 10, ellipsis: true });
}

/** Labels for the trays of a pump and for each part that lies in one, with codes for the scanner. */
export async function writeLabelsPdf(
  record: JobRecord,
  family: Family,
  { paperSize: size, language }: Printing = usualPrinting,
): Promise<Buffer> {
  const { say, phrase } = wordsOf(language);
  const { tag, customer, pump } = record;
  const laid = sheetsOf(record, 'tray');
  const trays = [...new Set(laid.map(({ body }) => body.tray))];
  const labels: readonly Label[] = [
    ...trays.map((tray) => ({ code: trayCode(tag, tray), title: say('labels.tray', { tray }), below: customer.name })),
    ...laid.map(({ key, body }) => ({
      code: partCode(tag, key),
      title: phrase(family.parts.find(({ ref }) => ref === key)?.name ?? key),
      below: say('labels.inTray', { tray: body.tray, serial: pump.serial }),
    })),
  ];
  const paper = openPaper({ title: say('labels.title', { tag }), margin: 36, size });
  if (!labels.length) paper.text(say('labels.none'));
  for (const [i, label] of labels.entries()) drawLabel(paper, tag, label, i);
  return closePaper(paper, `${tag} · ${customer.name}`);
}
