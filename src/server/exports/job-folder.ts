import type JSZip from 'jszip';
import * as z from 'zod';
import { folderFault, jobFolderSchema, recordOfFolder, takeIn, type JobFolder } from '@/core/change';
import { tagField } from '@/core/change/inputs';
import { DomainError } from '@/core/errors';
import type { Family } from '@/core/family';
import { searchTextOf, writeTag } from '@/core/lifecycle';
import { asId, type JobRecord, type PhotoId, type Tag } from '@/core/record';
import {
  addWorked,
  findArchived,
  findPhoto,
  findReport,
  listEvents,
  listWorked,
  loadFamilyBody,
  loadJobRecord,
  findTagById,
  persistTakenIn,
  readShop,
  saveReportPdf,
  storeFamily,
  takeNumber,
  sha256,
  type Connection,
} from '@/db';
import type { Context } from '../context';
import { familyOfJob, findVersion } from '../families';
import { findStoredRecord } from '../find-job';
import { readQuotePdf } from '../read/read-documents';
import { ensureContact, ensureCustomer, ensurePump } from '../receive-pump';
import { noteAudit } from '../people/audit';
import { defineUseCase, perform, runTranslated } from '../use-case';

const folderName = 'job.json';

/** Pictures with their bytes, put into a zip. */
async function packPhotos(zip: JSZip, { database }: Context, record: JobRecord): Promise<JobFolder['photos']> {
  const packed: JobFolder['photos'] = [];
  for (const { id } of record.photos) {
    const [full, thumb] = [await findPhoto(database, id, 'full'), await findPhoto(database, id, 'thumb')];
    if (!full || !thumb) continue;
    const entry = { id, file: `photos/${id}.jpg`, thumb: `photos/${id}-small.jpg` };
    zip.file(entry.file, full.bytes);
    zip.file(entry.thumb, thumb.bytes);
    packed.push(entry);
  }
  return packed;
}

/** Reports with their frozen texts and papers, put into a zip. */
async function packReports(zip: JSZip, { database }: Context, record: JobRecord): Promise<JobFolder['reports']> {
  const packed: JobFolder['reports'] = [];
  for (const { id, number, revision } of record.reports) {
    const report = await findReport(database, number, revision);
    if (!report) continue;
    const pdf = report.pdf ? `papers/${number}-${revision}.pdf` : null;
    if (pdf && report.pdf) zip.file(pdf, report.pdf);
    packed.push({ id, text: report.record, pdf });
  }
  return packed;
}

async function packQuotes(zip: JSZip, context: Context, { tag, quotes }: JobRecord): Promise<void> {
  for (const { revision, kind, state } of quotes) {
    if (kind !== 'quote' || state === 'draft') continue;
    const { bytes, name } = await perform(readQuotePdf, context, { tag, revision });
    zip.file(`papers/${name}`, bytes);
  }
}

/** A job as a folder in a zip: job.json with its whole chain of events, pictures, papers. Another shop can take it in. */
export const readJobFolder = defineUseCase({
  verb: 'read-job-folder',
  audience: ['coordinator'],
  input: z.strictObject({ tag: tagField }),
  async run(context, { tag }) {
    const { database, now } = context;
    const record = await findStoredRecord(database, tag);
    const [events, shop, worked] = await Promise.all([
      listEvents(database, record.id),
      readShop(database),
      listWorked(database, tag),
    ]);
    const { default: Zip } = await import('jszip');
    const zip = new Zip();
    const [photos, reports] = [await packPhotos(zip, context, record), await packReports(zip, context, record)];
    await packQuotes(zip, context, record);
    const { familyId: id, familyVersion: version } = record;
    const folder: JobFolder = {
      ...{ format: 'puddlestone-job', version: 1, tag, shop: shop?.name ?? '', writtenAt: now().toISOString() },
      ...{ headHash: record.headHash, family: { id, version, body: await loadFamilyBody(database, id, version) } },
      ...{ events, photos, reports },
      worked: worked.map(({ startedAt, endedAt, station, personName, seconds, takenSeconds, reason, correctedBy }) => ({
        ...{ station, personName, seconds, takenSeconds, reason, correctedBy },
        ...{ startedAt: startedAt.toISOString(), endedAt: endedAt.toISOString() },
      })),
    };
    zip.file(folderName, `${JSON.stringify(folder, null, 1)}\n`);
    const bytes = await zip.generateAsync({ type: 'nodebuffer', compression: 'DEFLATE' });
    await noteAudit(context, { kind: 'exported', words: `the job ${tag} as a folder` });
    return { name: `${tag}.zip`, bytes };
  },
});

const refused = (what: string) => new DomainError('bad-input', { what });

/** The folder in a zip, checked: its form, its chain. Throws DomainError naming what is wrong. */
async function unpack(bytes: Buffer): Promise<{ readonly zip: JSZip; readonly folder: JobFolder }> {
  const { default: Zip } = await import('jszip');
  const zip = await Zip.loadAsync(bytes).catch(() => {
    throw refused('This file is no zip.');
  });
  const text = await zip.file(folderName)?.async('string');
  if (text === undefined) throw refused(`There is no ${folderName} in this zip.`);
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    throw refused(`${folderName} is no JSON.`);
  }
  const read = jobFolderSchema.safeParse(raw);
  if (!read.success) {
    const [first] = read.error.issues;
    throw refused(`${folderName} does not fit: ${first?.path.join('.')}: ${first?.message}.`);
  }
  const fault = folderFault(read.data, sha256);
  if (fault) throw refused(`${folderName} was changed after it was written: ${fault}.`);
  return { zip, folder: read.data };
}

/** The job's family in its version: as it ships or is stored here, or as the folder brings it. */
async function familyFor(connection: Connection, folder: JobFolder, record: JobRecord): Promise<Family> {
  const { id, version, body } = folder.family;
  const isKnown =
    (await loadFamilyBody(connection, id, version)) !== null || (await findVersion(connection, id, version)) !== null;
  if (!isKnown && body) await storeFamily(connection, { id, version, body });
  else if (!isKnown) throw refused(`The family ${id} ${version} is not known here, and the folder does not bring it.`);
  return familyOfJob(connection, record);
}

async function bytesOf(zip: JSZip, path: string): Promise<Buffer> {
  const entry = zip.file(path);
  if (!entry) throw refused(`${path} is missing in this zip.`);
  return entry.async('nodebuffer');
}

type Pictures = Record<string, { readonly bytes: Buffer; readonly thumb: Buffer }>;

/** Pictures of the folder whose bytes are those that were recorded. */
async function picturesOf(zip: JSZip, { photos }: JobFolder, record: JobRecord): Promise<Pictures> {
  const pictures: Pictures = {};
  for (const { id, file, thumb } of photos) {
    const bytes = await bytesOf(zip, file);
    const known = record.photos.find((photo) => photo.id === asId<PhotoId>(id));
    if (!known || known.fingerprint !== sha256(bytes)) throw refused(`${file} is not the picture that was recorded.`);
    pictures[id] = { bytes, thumb: await bytesOf(zip, thumb) };
  }
  const missing = record.photos.find(({ id }) => !pictures[id]);
  if (missing) throw refused(`The picture ${missing.id} is missing in this zip.`);
  return pictures;
}

/** The tag under which a job goes here: its own where that is free, else the next one. */
async function tagFor(connection: Connection, asked: string): Promise<Tag> {
  const isTaken = (await loadJobRecord(connection, asked)) ?? (await findArchived(connection, asked));
  if (!isTaken) return asId<Tag>(asked);
  return asId<Tag>(writeTag(await takeNumber(connection, 'nextTag')));
}

/**
 * Takes a job in from a folder that another shop wrote. Its customer, contact and pump become those of the same name here;
 * an event at the end of its chain says so. Gives its tag here. Throws DomainError for what does not fit.
 */
export async function importJobFolder(context: Context, bytes: Buffer): Promise<Tag> {
  const { zip, folder } = await unpack(bytes);
  const record = recordOfFolder(folder);
  const pictures = await picturesOf(zip, folder, record);
  const papers = new Map<string, Buffer>();
  for (const { id, pdf } of folder.reports) if (pdf) papers.set(id, await bytesOf(zip, pdf));
  return runTranslated(() =>
    context.database.transaction(async (connection) => {
      const there = await findTagById(connection, record.id);
      if (there) throw refused(`This job is here already, as ${there}.`);
      const family = await familyFor(connection, folder, record);
      const customer = await ensureCustomer(context, connection, record.customer.name);
      const { contact: given } = record;
      const { maker, model, serial, size } = record.pump;
      const { name = '', email = '', phone = '' } = given ?? {};
      const contact =
        given && (await ensureContact(context, connection, { customerId: customer.id, name, email, phone }));
      const plate = { maker, model, serial, size };
      const pump = await ensurePump(context, connection, { pump: plate, familyId: record.familyId });
      const here = { tag: await tagFor(connection, folder.tag), customer, contact, pump };
      const now = context.now().toISOString();
      const personName = context.actor.kind === 'person' ? context.actor.name : 'Puddlestone';
      const taken = takeIn({ folder, family, here, personName, now, sha256 });
      const texts = Object.fromEntries(folder.reports.map(({ id, text }) => [id, text]));
      const searchText = searchTextOf(taken.after, family.title);
      await persistTakenIn(
        connection,
        { ...taken, events: [...folder.events.map((one) => ({ ...one, personId: null })), taken.event], texts },
        { searchText, pictures, newId: context.newId },
      );
      for (const { id } of taken.after.reports) {
        const pdf = papers.get(id);
        if (pdf) await saveReportPdf(connection, id, pdf);
      }
      for (const { startedAt, endedAt, ...row } of folder.worked) {
        const moment = { startedAt: new Date(startedAt), endedAt: new Date(endedAt) };
        await addWorked(connection, { ...row, ...moment, id: context.newId(), tag: here.tag, personId: 'elsewhere' });
      }
      return here.tag;
    }),
  );
}
