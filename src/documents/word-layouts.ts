import { LRUCache } from 'lru-cache';
import type PDFDocument from 'pdfkit';

/** How many words of a typeface are kept as they are set. */
const mostWords = 4000;

interface Run {
  readonly glyphs: readonly { readonly id: number; readonly advanceWidth: number; readonly codePoints: unknown }[];
  readonly positions: readonly object[];
  readonly advanceWidth: number;
}

/** Words as a typeface sets them, as the library keeps them for one document: what it reads of a run, and no more. */
function keptWords(): object {
  const words = new LRUCache<string, Run>({ max: mostWords });
  return new Proxy(
    {},
    {
      get: (_, word) => (typeof word === 'string' ? words.get(word) : undefined),
      set: (_, word, run: Run) => {
        const glyphs = run.glyphs.map(({ id, advanceWidth, codePoints }) => ({ id, advanceWidth, codePoints }));
        words.set(String(word), { glyphs, positions: run.positions, advanceWidth: run.advanceWidth });
        return true;
      },
    },
  );
}

const ofFonts = new Map<string, object>();

/**
 * Lets a document set words as other documents did before it: the library finds the shape of each word anew for every
 * document, which took half of the time of a report. Where it keeps none, it goes on by itself.
 */
export function shareWords(paper: PDFKit.PDFDocument, font: string): void {
  paper.font(font);
  const { _font: own } = paper as InstanceType<typeof PDFDocument> & { readonly _font?: { layoutCache?: object } };
  if (!own?.layoutCache) return;
  const words = ofFonts.get(font) ?? keptWords();
  ofFonts.set(font, words);
  own.layoutCache = words;
}
