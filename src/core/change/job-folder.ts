import * as z from 'zod';
import { canonical, chainEvent, findBrokenEvent, standingOf, type ChainedEvent, type Standing } from '../lifecycle';
import type { Family } from '../family';
import { headOf, rowKinds, tablesOf, type JobHead, type JobRecord } from '../record';
import { applyPuts, put, type Change } from './change';
import { changesOf, replayRecord } from './replay';

const file = z.string().regex(/^[\w./-]{1,200}$/, 'a path within the folder');
const hash = z.string().regex(/^[\da-f]{64}$/);

/** A job as a folder: its whole chain of events, and what is too heavy to stand in them. */
export const jobFolderSchema = z.object({
  format: z.literal('puddlestone-job'),
  version: z.literal(1),
  tag: z.string().max(20).describe('the tag of the shop that wrote the folder'),
  shop: z.string().max(191),
  writtenAt: z.iso.datetime(),
  headHash: hash.describe('hash of the last event'),
  family: z.object({ id: z.string().max(20), version: z.string().max(400), body: z.unknown() }),
  events: z
    .array(
      z.object({
        ...{ seq: z.number().int().min(1), kind: z.string().max(60), personName: z.string().max(191) },
        ...{ at: z.iso.datetime(), data: z.string(), previousHash: z.string().max(64), hash },
      }),
    )
    .min(1)
    .max(20_000)
    .describe('each bound to the one before by the SHA-256 of its fields, in the order of their numbers'),
  photos: z.array(z.object({ id: z.string().max(36), file, thumb: file })).max(2000),
  reports: z.array(z.object({ id: z.string().max(36), text: z.string(), pdf: file.nullable() })).max(100),
  worked: z
    .array(
      z.object({
        ...{ station: z.string().max(20), personName: z.string().max(191), startedAt: z.iso.datetime() },
        ...{ endedAt: z.iso.datetime(), seconds: z.number().int(), takenSeconds: z.number().int().nullable() },
        ...{ reason: z.string(), correctedBy: z.string().max(191).nullable() },
      }),
    )
    .max(5000),
});
export type JobFolder = z.infer<typeof jobFolderSchema>;

export const jobFolderJsonSchema = (): object => z.toJSONSchema(jobFolderSchema, { target: 'draft-2020-12' });

type Sha256 = (text: string) => string;

/** What is wrong with a folder’s chain; null where it is whole. */
export function folderFault({ events, headHash }: JobFolder, sha256: Sha256): string | null {
  const broken = findBrokenEvent({ events, headHash, sha256 });
  return broken && `its chain is broken at event ${broken.seq}: ${broken.why}`;
}

/** The record that a folder’s events give. Throws RangeError where they give none. */
export function recordOfFolder({ events, headHash }: JobFolder): JobRecord {
  return replayRecord(events, {
    ...{ version: events.length, headHash, earlierVisits: [], lotTerms: null, lotMates: [], likePumps: [] },
  });
}

/** By what a job goes in the shop that takes it in. */
export type Here = Pick<JobHead, 'tag' | 'pump' | 'customer' | 'contact'>;

export interface TakenIn {
  readonly after: JobRecord;
  readonly event: ChainedEvent & { readonly personId: null };
  readonly standing: Standing;
  /** Every row of the record, as new ones. */
  readonly changes: readonly Change[];
  /** The number of the first event that holds its changes. */
  readonly openedSeq: number;
}

interface Asked {
  readonly folder: JobFolder;
  readonly family: Family;
  readonly here: Here;
  readonly personName: string;
  readonly now: string;
  readonly sha256: Sha256;
}

/** The event by which a job is taken in, chained to those that came with it: by what it goes here. */
export function takeIn({ folder, family, here, personName, now, sha256 }: Asked): TakenIn {
  const before = recordOfFolder(folder);
  const { record, changes } = applyPuts(before, [put('job', { ...headOf(before), ...here, lot: null })]);
  const event = chainEvent(
    {
      ...{ seq: before.version + 1, kind: 'take-in-job', personName, at: now, previousHash: before.headHash },
      data: canonical({ from: { shop: folder.shop, tag: folder.tag }, changes }),
    },
    sha256,
  );
  const after: JobRecord = { ...record, version: event.seq, headHash: event.hash };
  const tables = tablesOf(after, new Set(rowKinds));
  const all = rowKinds.flatMap((kind) =>
    [...(tables[kind] as ReadonlyMap<string, object>).values()].map((row) => ({ put: kind, row, was: null })),
  );
  const first = folder.events.find((one) => changesOf(one) !== null);
  return {
    ...{ after, event: { ...event, personId: null }, standing: standingOf(after, family) },
    changes: all as unknown as readonly Change[],
    openedSeq: first?.seq ?? event.seq,
  };
}
