import { standingOf, totalOf, type ShopOrder, type ShopOrderLine } from '@/core/purchasing';
import type { Words } from '@/words';
import { wordsOf } from '@/words/every-language';
import type { OrderParties } from './order-ubl';
import { closePaper, colours, openPaper, writeLetterhead, type Letterhead, type Paper } from './paper';

const left = 48;
const columns = { position: 48, code: 72, title: 190, count: 372, price: 412, sum: 480 } as const;
const right = 547;

function row(paper: Paper, y: number, cells: Readonly<Partial<Record<keyof typeof columns, string>>>): number {
  const widths = { position: 20, code: 112, title: 176, count: 34, price: 62, sum: right - columns.sum };
  let height = 12;
  for (const key of Object.keys(columns) as (keyof typeof columns)[]) {
    const text = cells[key];
    if (text === undefined) continue;
    const isFigure = key === 'count' || key === 'price' || key === 'sum';
    const options = { width: widths[key], align: isFigure ? ('right' as const) : ('left' as const) };
    paper.text(text, columns[key], y, options);
    height = Math.max(height, paper.heightOfString(text, options));
  }
  return y + height + 4;
}

const joined = (names: readonly string[], say: Words['say']) =>
  names.reduce((one, other) => say('order.and', { one, other }));

function lineCells(line: ShopOrderLine, currency: string, words: Words) {
  const { say, phrase } = words;
  const { position, code, title, priceMinor, saidPriceMinor, pieces, kind } = line;
  const quantity = standingOf(line);
  const price = saidPriceMinor ?? priceMinor;
  const money = (minor: number) => words.money({ minor, currency });
  const rubbers = [...new Set(pieces.map(({ elastomer }) => elastomer).filter(Boolean))];
  const kit =
    kind === 'kit'
      ? `\n${say('order.holds', { parts: pieces.map((piece) => `${piece.quantity - piece.struck} × ${piece.number}`).join(', ') })}`
      : '';
  return {
    ...{
      position: String(position),
      code,
      title: `${phrase(title)}${rubbers.length ? `, ${joined(rubbers, say)}` : ''}${kit}`,
    },
    ...{ count: String(quantity), price: price === null ? say('order.pleaseSay') : money(price) },
    sum: price === null ? '' : money(price * quantity),
  };
}

/** An order on paper: to whom, what by their codes, for when, and what it comes to. */
export async function writeOrderPdf(
  order: ShopOrder,
  { shop, supplier }: OrderParties & { readonly shop: Letterhead },
): Promise<Buffer> {
  const words = wordsOf(shop.language);
  const { say } = words;
  const { number, placedOn, personName } = order;
  const paper = openPaper({ title: say('order.title', { number }), size: shop.paperSize });
  const foot = paper.page.height - 102;
  const money = (minor: number) => words.money({ minor, currency: order.currency });
  writeLetterhead(paper, shop, { size: 11, words });
  paper.moveDown(0.8).font('bold').fontSize(16).fillColor(colours.ink).text(say('order.title', { number }), left);
  paper.font('text').fontSize(9).fillColor(colours.quiet);
  paper.text(say('order.placed', { day: placedOn, person: personName }), left);
  paper.moveDown(0.8).fillColor(colours.ink).font('bold').text(supplier.name, left);
  paper.font('text').text([supplier.contact, supplier.email, supplier.telephone].filter(Boolean).join(', '), left);
  let y = paper.y + 14;
  paper.font('bold').fontSize(8);
  y = row(paper, y, {
    ...{ position: '', code: say('order.yourNumber'), title: say('order.what'), count: say('order.count') },
    ...{ price: say('order.price'), sum: say('order.sum') },
  });
  paper.font('text').fontSize(9);
  for (const line of order.lines) {
    if (y > foot) {
      paper.addPage();
      y = 48;
    }
    paper
      .moveTo(left, y - 2)
      .lineTo(right, y - 2)
      .lineWidth(0.5)
      .strokeColor(colours.line)
      .stroke();
    y = row(paper, y + 2, lineCells(line, order.currency, words));
    if (line.dueOn) {
      paper
        .fillColor(colours.quiet)
        .fontSize(8)
        .text(say('order.acknowledged', { day: line.dueOn }), columns.title, y - 4);
      paper.fillColor(colours.ink).fontSize(9);
      y += 9;
    }
  }
  const { goodsMinor, freightMinor, totalMinor } = totalOf(order);
  y += 8;
  y = row(paper, y, { title: say('order.goods'), sum: money(goodsMinor) });
  y = row(paper, y, { title: say('order.freight'), sum: money(freightMinor) });
  paper.font('bold');
  row(paper, y, { title: say('order.together'), sum: money(totalMinor) });
  return closePaper(paper, say('order.foot', { shop: shop.name, place: shop.place, number }));
}
