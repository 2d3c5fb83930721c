import { present } from '@/core/present';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Language, Words } from '@/words';
import type { PaperSize } from '@/core/record';
import PDFDocument from 'pdfkit';
import { shareWords } from './word-layouts';

export const colours = {
  ink: '#20262B',
  quiet: '#5B6259',
  line: '#CFC6B4',
  slate: '#43566A',
  jasper: '#A33B2A',
  ochre: '#8A5B08',
  moss: '#4B6A3F',
  sand: '#E9E3D6',
  lake: '#2F6F8F',
} as const;

const fontFolder = join(process.cwd(), 'node_modules', 'dejavu-fonts-ttf', 'ttf');
let fonts: Record<'text' | 'bold' | 'mono', Buffer> | undefined;

/** One full typeface: it has every glyph that the trade needs (° ± µ − × Ø ≤ ≥ η). */
function readFonts() {
  return (fonts ??= {
    text: readFileSync(join(fontFolder, 'DejaVuSans.ttf')),
    bold: readFileSync(join(fontFolder, 'DejaVuSans-Bold.ttf')),
    mono: readFileSync(join(fontFolder, 'DejaVuSansMono.ttf')),
  });
}

export type Paper = PDFKit.PDFDocument;

/** The same bytes as the library takes them: what came from another thread is no buffer any more. */
const asBuffer = ({ buffer, byteOffset, byteLength }: Uint8Array) => Buffer.from(buffer, byteOffset, byteLength);

/** What stands at the head of whatever a shop hands out, and the sheet that it is printed on. */
export interface Letterhead {
  readonly name: string;
  readonly place: string;
  /** Lines of its address below its name; empty where the place says enough. */
  readonly address: string;
  readonly telephone: string;
  readonly paperSize: PaperSize;
  /** The language of the shop's papers. */
  readonly language: Language;
  /** The shop's mark as PNG, with its size in pixels. */
  readonly mark?: { readonly bytes: Uint8Array; readonly width: number; readonly height: number } | null;
}

/** How papers of a shop are printed that have no head. */
export type Printing = Pick<Letterhead, 'paperSize' | 'language'>;
export const usualPrinting: Printing = { paperSize: 'A4', language: 'en' };

export interface PaperOptions {
  readonly title: string;
  readonly size?: PaperSize | [number, number];
  readonly margin?: number;
}

/** A fresh document with our fonts; figures that lie in its bottom margin are written at the end. */
export function openPaper({ title, size = 'A4', margin = 48 }: PaperOptions): Paper {
  const paper = new PDFDocument({
    size: size === 'Letter' ? 'LETTER' : size,
    margin,
    bufferPages: true,
    info: { Title: title, Creator: 'Puddlestone', Producer: 'Puddlestone' },
  });
  const { text, bold, mono } = readFonts();
  paper.registerFont('text', text).registerFont('bold', bold).registerFont('mono', mono);
  for (const font of ['mono', 'bold', 'text']) shareWords(paper, font);
  return paper.font('text').fontSize(9).fillColor(colours.ink);
}

/** Writes page numbers and the foot line, closes the document and gives its bytes. */
export function closePaper(paper: Paper, foot: string): Promise<Buffer> {
  const { count } = paper.bufferedPageRange();
  for (let page = 0; page < count; page++) {
    paper.switchToPage(page);
    const { bottom } = paper.page.margins;
    paper.page.margins.bottom = 0;
    const y = paper.page.height - 30;
    paper.font('text').fontSize(7).fillColor(colours.quiet);
    paper.text(foot, paper.page.margins.left, y, { width: innerWidth(paper) - 50, height: 9, ellipsis: true });
    if (foot)
      paper.text(`${page + 1} / ${count}`, paper.page.width - 90, y, { width: 42, align: 'right', lineBreak: false });
    paper.page.margins.bottom = bottom;
  }
  const chunks: Buffer[] = [];
  return new Promise((resolve, reject) => {
    paper.on('data', (chunk: Buffer) => chunks.push(chunk));
    paper.on('end', () => resolve(Buffer.concat(chunks)));
    paper.on('error', reject);
    paper.end();
  });
}

export const innerWidth = (paper: Paper) => paper.page.width - paper.page.margins.left - paper.page.margins.right;
const roomLeft = (paper: Paper) => paper.page.height - paper.page.margins.bottom - paper.y;

/** The most that a mark takes at the head of a paper, in points. */
const [markWidth, markHeight] = [120, 34];

/** The shop with its address and telephone, small, at the head of the first page. */
export function writeLetterhead(
  paper: Paper,
  { name, place, address, telephone, mark }: Letterhead,
  { size, words }: { readonly size: number; readonly words: Words },
): void {
  const { left, right } = paper.page.margins;
  if (mark) {
    // In the corner, no higher than the lines beside it would be.
    const height = Math.min(markHeight, (mark.height * markWidth) / mark.width);
    const width = (mark.width * height) / mark.height;
    paper.image(asBuffer(mark.bytes), paper.page.width - right - width, paper.y - 4, { width, height });
  }
  paper
    .font('bold')
    .fontSize(size)
    .fillColor(colours.ink)
    .text(address ? name : `${name}, ${place}`, left);
  const lines = [
    ...address.split('\n').map((line) => line.trim()),
    telephone && words.say('head.telephone', { telephone }),
  ];
  const said = lines.filter(Boolean).join(' · ');
  if (said)
    paper
      .font('text')
      .fontSize(8)
      .fillColor(colours.quiet)
      .text(said, left, paper.y, { width: innerWidth(paper) });
}

export function needRoom(paper: Paper, height: number): void {
  if (roomLeft(paper) < height) paper.addPage();
}

export function heading(paper: Paper, text: string): void {
  needRoom(paper, 60);
  paper.moveDown(0.9);
  paper.font('bold').fontSize(11).fillColor(colours.slate).text(text, paper.page.margins.left);
  const y = paper.y + 2;
  paper
    .moveTo(paper.page.margins.left, y)
    .lineTo(paper.page.width - paper.page.margins.right, y)
    .lineWidth(0.6)
    .strokeColor(colours.line)
    .stroke();
  paper.y = y + 5;
  paper.font('text').fontSize(9).fillColor(colours.ink);
}

export function paragraph(
  paper: Paper,
  text: string,
  { quiet = false, size = 9 }: { readonly quiet?: boolean; readonly size?: number } = {},
): void {
  paper
    .font('text')
    .fontSize(size)
    .fillColor(quiet ? colours.quiet : colours.ink)
    .text(text, paper.page.margins.left, paper.y, { width: innerWidth(paper), lineGap: 1.5 });
}

export interface Column {
  readonly title: string;
  readonly share: number;
  readonly align?: 'left' | 'right';
  readonly mono?: boolean;
}

function rowHeight(paper: Paper, cells: readonly string[], widths: readonly number[]): number {
  return (
    Math.max(
      ...cells.map((cell, i) => paper.heightOfString(cell || ' ', { width: present(widths[i]) - 8, lineGap: 1 })),
    ) + 6
  );
}

/** A table with hairlines; rows never break over a page. */
export function table(paper: Paper, columns: readonly Column[], rows: readonly (readonly string[])[]): void {
  const total = columns.reduce((sum, column) => sum + column.share, 0);
  const widths = columns.map((column) => (column.share / total) * innerWidth(paper));
  const line = (cells: readonly string[], isHead: boolean) => {
    paper.font(isHead ? 'bold' : 'text').fontSize(isHead ? 7.5 : 8);
    const height = rowHeight(paper, cells, widths);
    needRoom(paper, height + 2);
    const y = paper.y;
    let x = paper.page.margins.left;
    cells.forEach((cell, i) => {
      paper
        .font(isHead ? 'bold' : present(columns[i]).mono ? 'mono' : 'text')
        .fontSize(isHead ? 7.5 : present(columns[i]).mono ? 7.5 : 8)
        .fillColor(isHead ? colours.quiet : colours.ink);
      paper.text(cell, x + 2, y + 3, {
        width: present(widths[i]) - 8,
        align: present(columns[i]).align ?? 'left',
        lineGap: 1,
      });
      x += present(widths[i]);
    });
    paper
      .moveTo(paper.page.margins.left, y + height)
      .lineTo(paper.page.width - paper.page.margins.right, y + height)
      .lineWidth(0.4)
      .strokeColor(colours.line)
      .stroke();
    paper.y = y + height;
    paper.x = paper.page.margins.left;
  };
  line(
    columns.map((column) => column.title),
    true,
  );
  for (const row of rows) line(row, false);
}

/** Pictures in rows of three with their captions. */
export function pictureRows(
  paper: Paper,
  pictures: readonly { readonly bytes: Uint8Array; readonly caption: string }[],
): void {
  const gap = 8;
  const width = (innerWidth(paper) - 2 * gap) / 3;
  const height = width * 0.75;
  for (let i = 0; i < pictures.length; i += 3) {
    needRoom(paper, height + 26);
    const y = paper.y;
    pictures.slice(i, i + 3).forEach((picture, k) => {
      const x = paper.page.margins.left + k * (width + gap);
      paper.image(asBuffer(picture.bytes), x, y, { cover: [width, height], align: 'center', valign: 'center' });
      paper
        .font('text')
        .fontSize(7)
        .fillColor(colours.quiet)
        .text(picture.caption, x, y + height + 3, { width, height: 18, ellipsis: true });
    });
    paper.y = y + height + 24;
    paper.x = paper.page.margins.left;
  }
}
