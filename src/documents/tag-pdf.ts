import type { Language } from '@/words';
import { wordsOf } from '@/words/every-language';
import { jobDetails } from '@/core/lifecycle';
import type { JobRecord } from '@/core/record';
import { closePaper, colours, openPaper } from './paper';
import { codeOf, drawCode } from './scan-code';

/** The shop tag, 100 × 62 mm: code for the scanner, tag, pump, owner, and whether the liquid is declared. */
export async function writeTagPdf(record: JobRecord, language: Language = 'en'): Promise<Buffer> {
  const { say } = wordsOf(language);
  const paper = openPaper({ title: say('tag.title', { tag: record.tag }), size: [283.5, 175.7], margin: 10 });
  drawCode(paper, codeOf('datamatrix', record.tag), { x: 12, y: 14, width: 74, height: 74 });
  paper.font('bold').fontSize(30).fillColor(colours.ink).text(record.tag, 98, 12, { lineBreak: false });
  paper.font('bold').fontSize(9.5).text(jobDetails(record.pump), 98, 50, { width: 176, height: 24, ellipsis: true });
  paper.font('mono').fontSize(9).text(record.pump.serial, 98, 75, { width: 176, height: 12, ellipsis: true });
  paper.font('text').fontSize(9).text(record.customer.name, 12, 94, { width: 262, height: 12, ellipsis: true });
  paper
    .fontSize(8)
    .fillColor(colours.quiet)
    .text(say('tag.in', { day: record.openedAt.slice(0, 10), promised: record.promisedOn }), 12, 107, { width: 262 });
  const declared = record.intake.liquid && record.intake.cleaning !== 'none';
  paper
    .font('bold')
    .fontSize(9)
    .fillColor(declared ? colours.ink : colours.jasper)
    .text(declared ? say('tag.liquid', { liquid: record.intake.liquid }) : say('tag.undeclared'), 12, 119, {
      width: 262,
      height: 12,
      ellipsis: true,
    });
  drawCode(paper, codeOf('code128', record.tag), { x: 12, y: 134, width: 200, height: 24 });
  return closePaper(paper, '');
}
