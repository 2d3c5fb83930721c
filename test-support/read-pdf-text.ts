import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** Width and height of each page of a PDF, in points of 1/72 inch. */
export async function readPdfSizes(bytes: Buffer): Promise<readonly (readonly [number, number])[]> {
  const pdf = await getDocument({ data: new Uint8Array(bytes), useSystemFonts: false, isEvalSupported: false }).promise;
  const sizes: (readonly [number, number])[] = [];
  for (let i = 1; i <= pdf.numPages; i++) {
    const [left = 0, bottom = 0, right = 0, top = 0] = (await pdf.getPage(i)).view;
    sizes.push([right - left, top - bottom]);
  }
  return sizes;
}

/** The text of a PDF, page by page; for tests, which read a document as a person would. */
export async function readPdfText(bytes: Buffer): Promise<string[]> {
  const pdf = await getDocument({ data: new Uint8Array(bytes), useSystemFonts: false, isEvalSupported: false }).promise;
  const pages: string[] = [];
  for (let i = 1; i <= pdf.numPages; i++) {
    const content = await (await pdf.getPage(i)).getTextContent();
    pages.push(
      content.items
        .map((item) => ('str' in item ? item.str : ''))
        .join(' ')
        .replace(/\s+/g, ' '),
    );
  }
  return pages;
}
