import { present } from '@/core/present';
import { drawEnd, drawSection, halvesOf, type Family } from '@/core/family';
import type { AsBuilt } from '@/core/report';
import type { Words } from '@/words';
import { evaluate } from '@/core/sums';
import { colours, innerWidth, needRoom, type Paper } from './paper';

const fills: Readonly<Record<string, string>> = { hatched: '#E9E3D6', open: '#FFFFFF', solid: '#B9B2A2' };

/**
 * The pump's section with its numbered points, coloured by what was found; drawn from the family alone.
 * @param points of an as-built record; null where nothing was measured, as in a booklet
 */
export function drawSectionOnPaper(
  paper: Paper,
  family: Family,
  points: AsBuilt['points'] | null,
  { say }: Words,
): void {
  const drawing = drawSection(family);
  const [left, top, width, height] = drawing.viewBox;
  // An upright pump may not be taller than half a page.
  const scale = Math.min(innerWidth(paper) / width, drawing.isVertical ? 380 / height : Infinity);
  needRoom(paper, height * scale + 10);
  const y0 = paper.y;
  const aside = (innerWidth(paper) - width * scale) / 2;
  paper
    .save()
    .translate(paper.page.margins.left + aside - left * scale, y0 - top * scale)
    .scale(scale);
  paper.save();
  if (drawing.isVertical) paper.translate(0, height).rotate(-90);
  for (const shape of drawing.shapes)
    for (const mirror of halvesOf(shape)) {
      const { d, fill, line } = shape;
      paper.save().translate(0, line).scale(1, mirror).lineWidth(0.9).strokeColor(colours.ink);
      if (fill === 'line') paper.path(d).stroke();
      else paper.path(d).fillAndStroke(present(fills[fill]), colours.ink);
      paper.restore();
    }
  for (const axis of drawing.axes)
    paper
      .moveTo(axis.from, axis.y)
      .lineTo(axis.to, axis.y)
      .lineWidth(0.6)
      .dash(12, { space: 4 })
      .strokeColor(colours.ink)
      .stroke()
      .undash();
  for (const {
    x: [from, to],
    words,
  } of drawing.breaks) {
    paper.rect(from, -family.section.radius, to - from, 2 * family.section.radius).fill('#FFFFFF');
    paper
      .font('bold')
      .fontSize(9)
      .fillColor(colours.ink)
      .text(words, from - 20, -family.section.radius - 12, {
        width: to - from + 40,
        align: 'center',
        lineBreak: false,
      });
  }
  paper.restore();
  const verdictOf = new Map((points ?? []).map((point) => [point.number, point.as_found.verdict]));
  for (const pin of drawing.pins) {
    const verdict = points === null ? 'not measured' : verdictOf.get(pin.number);
    const isOut = verdict === 'out' || verdict === 'tight';
    paper.moveTo(pin.x, pin.y).lineTo(pin.labelX, pin.labelY).lineWidth(0.6).strokeColor(colours.ink).stroke();
    if (isOut) paper.rect(pin.labelX - 10, pin.labelY - 10, 20, 20).fillAndStroke(colours.jasper, colours.ink);
    else
      paper
        .circle(pin.labelX, pin.labelY, 10)
        .fillAndStroke(
          verdict === 'near limit' ? colours.ochre : verdict === 'not measured' ? '#FFFFFF' : colours.slate,
          colours.ink,
        );
    paper
      .font('bold')
      .fontSize(10)
      .fillColor(verdict === 'not measured' ? colours.ink : '#FFFFFF')
      .text(String(pin.number), pin.labelX - 10, pin.labelY - 5, { width: 20, align: 'center', lineBreak: false });
  }
  paper.restore();
  paper.x = paper.page.margins.left;
  paper.y = y0 + height * scale + 4;
  if (points === null) return;
  paper.font('text').fontSize(7).fillColor(colours.quiet).text(say('drawing.key'));
}

/** How tall an end view is on paper, in points. */
const endHeight = 130;

/** The end view of a family that has one, with its words beside it. */
export function drawEndOnPaper(paper: Paper, family: Family, { say, phrase }: Words): void {
  const end = drawEnd(family);
  if (!end) return;
  const scale = endHeight / (2 * end.radius);
  needRoom(paper, endHeight + 24);
  const y0 = paper.y + 6;
  const middle = paper.page.margins.left + innerWidth(paper) / 2;
  paper
    .save()
    .translate(middle, y0 + endHeight / 2)
    .scale(scale);
  for (const { d } of end.shapes)
    paper.path(d).lineWidth(1.2).fillAndStroke(present(fills.hatched), colours.ink, 'even-odd');
  paper.restore();
  paper.font('text').fontSize(8).fillColor(colours.ink);
  for (const { words, x, y } of end.labels) {
    const isAside = Math.abs(x) > end.radius / 2;
    const width = 110;
    const at = isAside ? (x < 0 ? -endHeight / 2 - width - 6 : endHeight / 2 + 6) : -width / 2;
    paper.text(phrase(words), middle + at, y0 + endHeight / 2 + y * scale - 5, {
      width,
      align: isAside ? (x < 0 ? 'right' : 'left') : 'center',
      lineBreak: false,
    });
  }
  paper.x = paper.page.margins.left;
  paper.y = y0 + endHeight + 4;
  paper
    .font('text')
    .fontSize(7)
    .fillColor(colours.quiet)
    .text(say('drawing.seenFrom', { place: phrase(end.seenFrom) }), { width: innerWidth(paper), align: 'center' });
  paper.moveDown(0.4);
}

/** Head over flow of one run, with the fitted curve and the cross of tolerances. */
export function drawTestCurve(paper: Paper, test: AsBuilt['tests'][number], { say }: Words): void {
  const width = innerWidth(paper);
  const height = 190;
  needRoom(paper, height + 20);
  const [x0, y0] = [paper.page.margins.left + 34, paper.y + 6];
  const [w, h] = [width - 50, height - 34];
  const { guarantee: g, band } = test;
  if (!band) return;
  const maxFlow = 1.1 * Math.max(...test.points.map((point) => point.flow_m3h), band.flow_m3h.max);
  const maxHead = 1.12 * Math.max(...test.points.map((point) => point.head_m), band.head_m.max);
  const x = (flow: number) => x0 + (flow / maxFlow) * w;
  const y = (head: number) => y0 + h - (head / maxHead) * h;
  paper.rect(x0, y0, w, h).lineWidth(0.5).strokeColor(colours.line).stroke();
  paper.font('mono').fontSize(6.5).fillColor(colours.quiet);
  for (let i = 0; i <= 4; i++) {
    paper.text(((maxHead * i) / 4).toFixed(0), x0 - 30, y((maxHead * i) / 4) - 3, {
      width: 26,
      align: 'right',
      lineBreak: false,
    });
    paper.text(((maxFlow * i) / 4).toFixed(1), x((maxFlow * i) / 4) - 15, y0 + h + 4, {
      width: 30,
      align: 'center',
      lineBreak: false,
    });
  }
  paper.text(say('drawing.flow'), x0, y0 + h + 14, { width: w, align: 'center', lineBreak: false });
  paper.text(say('drawing.head'), x0 + 4, y0 + 4, { lineBreak: false });
  const last = Math.max(...test.points.map((point) => point.flow_m3h));
  for (let i = 0; i <= 60; i++) {
    const flow = (last * i) / 60;
    if (i === 0) paper.moveTo(x(flow), y(evaluate(test.curve, flow)));
    else paper.lineTo(x(flow), y(evaluate(test.curve, flow)));
  }
  paper.lineWidth(1.4).strokeColor(colours.lake).stroke();
  for (const point of test.points) paper.circle(x(point.flow_m3h), y(point.head_m), 2.2).fill(colours.ink);
  paper.lineWidth(1.6).strokeColor(test.verdict === 'pass' ? colours.moss : colours.jasper);
  paper.moveTo(x(band.flow_m3h.min), y(g.head_m)).lineTo(x(band.flow_m3h.max), y(g.head_m)).stroke();
  paper.moveTo(x(g.flow_m3h), y(band.head_m.min)).lineTo(x(g.flow_m3h), y(band.head_m.max)).stroke();
  paper.x = paper.page.margins.left;
  paper.y = y0 + height;
}

/**
 * Flow over pressure of a displacement pump: what the turns move, the line through the points, and the least that is
 * asked for.
 */
export function drawSlip(
  paper: Paper,
  test: AsBuilt['tests'][number],
  slip: NonNullable<AsBuilt['tests'][number]['slip']>,
  { say }: Words,
): void {
  const height = 170;
  needRoom(paper, height + 20);
  const [x0, y0] = [paper.page.margins.left + 34, paper.y + 6];
  const [w, h] = [innerWidth(paper) - 50, height - 34];
  const most = 1.1 * Math.max(...slip.pressures_kpa, slip.duty_kpa);
  const top = 1.15 * Math.max(slip.theoretical_m3h, ...test.points.map((point) => point.flow_m3h));
  const x = (kpa: number) => x0 + (kpa / most) * w;
  const y = (flow: number) => y0 + h - (flow / top) * h;
  const [zero, slope] = slip.line as [number, number];
  paper.rect(x0, y0, w, h).lineWidth(0.5).strokeColor(colours.line).stroke();
  paper.font('mono').fontSize(6.5).fillColor(colours.quiet);
  for (let i = 0; i <= 4; i++) {
    paper.text(((top * i) / 4).toFixed(1), x0 - 30, y((top * i) / 4) - 3, {
      width: 26,
      align: 'right',
      lineBreak: false,
    });
    paper.text(((most * i) / 4).toFixed(0), x((most * i) / 4) - 15, y0 + h + 4, {
      width: 30,
      align: 'center',
      lineBreak: false,
    });
  }
  paper.text(say('drawing.pressure'), x0, y0 + h + 14, { width: w, align: 'center', lineBreak: false });
  paper.text(say('drawing.slip'), x0 + 4, y0 + 4, { lineBreak: false });
  paper
    .moveTo(x(0), y(slip.theoretical_m3h))
    .lineTo(x(most), y(slip.theoretical_m3h))
    .lineWidth(0.8)
    .dash(5, { space: 3 })
    .strokeColor(colours.ink)
    .stroke()
    .undash();
  paper
    .moveTo(x(0), y(zero))
    .lineTo(x(most), y(zero + slope * most))
    .lineWidth(1.4)
    .strokeColor(colours.lake)
    .stroke();
  for (const [i, kpa] of slip.pressures_kpa.entries())
    paper.circle(x(kpa), y(test.points[i]?.flow_m3h ?? 0), 2.2).fill(colours.ink);
  paper
    .moveTo(x(slip.duty_kpa), y(slip.least_m3h))
    .lineTo(x(slip.duty_kpa), y(slip.theoretical_m3h))
    .lineWidth(1.8)
    .strokeColor(test.verdict === 'pass' ? colours.moss : colours.jasper)
    .stroke();
  paper.x = paper.page.margins.left;
  paper.y = y0 + height;
}
