import {
  writeAsBuiltPdf,
  writeBookletPdf,
  writeLabelsPdf,
  writeOrderPdf,
  writeQuotePdf,
  writeTagPdf,
  writeTravellerPdf,
} from '@/documents';

/** Documents as PDF, by their names; what each is given is plain data, for it goes from thread to thread. */
export const writers = {
  'as-built': writeAsBuiltPdf,
  booklet: writeBookletPdf,
  labels: writeLabelsPdf,
  order: writeOrderPdf,
  quote: writeQuotePdf,
  tag: writeTagPdf,
  traveller: writeTravellerPdf,
} as const;
export type Writers = typeof writers;

/** Writes one document. `given` is what its writer takes. */
export function writeKnown(id: string, given: unknown): Promise<Buffer> {
  // Whoever sends these is this program: what is sent is what the writer of that name takes.
  const write = writers[id as keyof Writers] as (...all: readonly unknown[]) => Promise<Buffer>;
  return write(...(given as readonly unknown[]));
}
