import { Worker } from 'node:worker_threads';
import { Thread, threadMemory } from '../sums/thread';
import type { Writers } from './writers';

const limits = {
  ...{ limitMs: 60_000, restMs: 60_000, mostWaiting: 50 },
  words: {
    tooMany: 'Too many documents are being written; ask for this one again in a few seconds.',
    stopped: 'The document could not be written; ask for it again.',
    late: (seconds: number) => `This document took longer than ${seconds} seconds. Ask for it again when less goes on.`,
  },
};

const thread = new Thread(() => {
  const started = new Worker(new URL('./document-worker.ts', import.meta.url), { resourceLimits: threadMemory });
  started.unref();
  return started;
}, limits);

/**
 * Writes a document as PDF, in a thread of its own: pictures and pages do not keep others waiting. Throws SumRefusal
 * where too many wait, and when it takes longer than a minute.
 */
export async function writeDocument<Kind extends keyof Writers>(
  kind: Kind,
  ...given: Parameters<Writers[Kind]>
): Promise<Buffer> {
  // A script that loads the demonstration shop, or a test, answers nobody else meanwhile: it needs no thread.
  if (process.env.NEXT_RUNTIME !== 'nodejs') return (await import('./writers')).writeKnown(kind, given);
  const bytes = (await thread.ask(kind, given)) as Uint8Array;
  return Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
}
