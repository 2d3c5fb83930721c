import { present } from '@/core/present';
import * as z from 'zod';
import { DomainError } from '@/core/errors';
import type { JobRecord, Quote } from '@/core/record';
import { findMailAttachment, findPhoto, findReport, listPhotoBytes, loadJobRecord, readShop } from '@/db';
import { findPart } from '@/core/family';
import { madeOf } from '@/core/supply';
import { writeSketchDxf } from '@/documents';
import { writeDocument } from '../documents/write-document';
import { findJob } from '../find-job';
import { loadOwnQuote } from './own-quote';
import { tagField } from '@/core/change/inputs';
import type { Context } from '../context';
import { letterheadOf } from '../letterhead';
import { defineUseCase } from '../use-case';

const staff = ['coordinator', 'technician', 'inspector', 'parts'] as const;

/** A picture, for the staff or for the customer of that very job. */
export const readPhoto = defineUseCase({
  verb: 'read-photo',
  audience: [...staff, 'customer'],
  input: z.strictObject({ photoId: z.string().max(36), size: z.enum(['full', 'thumb']) }),
  async run(context, { photoId, size }) {
    const photo = await findPhoto(context.database, photoId, size);
    const isForeign = context.actor.kind === 'customer' && photo?.jobId !== context.actor.jobId;
    if (!photo || isForeign) throw new DomainError('not-found', { what: 'There is no such picture.' });
    return { bytes: photo.bytes };
  },
});

export const readTagPdf = defineUseCase({
  verb: 'read-tag',
  audience: staff,
  input: z.strictObject({ tag: tagField }),
  async run(context, { tag }) {
    const record = await loadJobRecord(context.database, tag);
    if (!record) throw new DomainError('not-found', { what: `There is no job ${tag}.` });
    const shop = await readShop(context.database);
    return { bytes: await writeDocument('tag', record, shop?.settings.language), name: `${tag}.pdf` };
  },
});

/** Labels for the trays and parts of a pump. */
export const readLabelsPdf = defineUseCase({
  verb: 'read-labels',
  audience: staff,
  input: z.strictObject({ tag: tagField }),
  async run(context, { tag }) {
    const { record, family } = await findJob(context.database, tag);
    const shop = await readShop(context.database);
    return { bytes: await writeDocument('labels', record, family, shop?.settings), name: `${tag}-labels.pdf` };
  },
});

/** The drawing of a part that the shop makes. */
export const readSketch = defineUseCase({
  verb: 'read-sketch',
  audience: staff,
  input: z.strictObject({ tag: tagField, partRef: z.string().max(60) }),
  async run(context, { tag, partRef }) {
    const { record, family } = await findJob(context.database, tag);
    const made = madeOf(record, partRef)?.body;
    if (!made) throw new DomainError('not-found', { what: `${tag} makes no part ${partRef}.` });
    const title = findPart(family, partRef)?.name ?? partRef;
    return { bytes: Buffer.from(await writeSketchDxf(made, title)), name: `${made.number}.dxf` };
  },
});

/** A quote's PDF, with the job's first pictures and its fingerprint once it was sent. */
async function quoteFile(context: Context, record: JobRecord, quote: Quote) {
  const [shop, pictures] = await Promise.all([
    readShop(context.database),
    listPhotoBytes(context.database, record.id, 24),
  ]);
  return {
    bytes: await writeDocument('quote', {
      record,
      quote,
      shop: { ...(await letterheadOf(context.database, present(shop))), zone: present(shop).zone },
      pictures,
      fingerprint: quote.fingerprint ?? 'draft',
      now: quote.sentAt ?? context.now().toISOString(),
    }),
    name: `${record.tag}-quote-${quote.revision}.pdf`,
  };
}

export const readQuotePdf = defineUseCase({
  verb: 'read-quote',
  audience: ['coordinator', 'parts', 'inspector'],
  input: z.strictObject({ tag: tagField, revision: z.number().int().min(1) }),
  async run(context, { tag, revision }) {
    const record = await loadJobRecord(context.database, tag);
    const quote = record?.quotes.find((one) => one.revision === revision);
    if (!record || !quote) throw new DomainError('not-found', { what: `${tag} has no quote revision ${revision}.` });
    return quoteFile(context, record, quote);
  },
});

/** The quote of a customer's own link, as the PDF that was mailed. */
export const readOwnQuotePdf = defineUseCase({
  verb: 'read-own-quote',
  audience: ['customer'],
  input: z.strictObject({}),
  async run(context) {
    const { record, quote } = await loadOwnQuote(context);
    return quoteFile(context, record, quote);
  },
});

const reportInput = z.strictObject({
  number: z.string().regex(/^R-\d{4}-\d{4,}$/),
  /** Its letter, or the last one. */
  revision: z.string().regex(/^[A-Z]{1,2}$|^latest$/),
});

export const readReport = defineUseCase({
  verb: 'read-report',
  audience: staff,
  input: reportInput.extend({ as: z.enum(['pdf', 'json']) }),
  async run(context, { number, revision, as }) {
    const report = await findReport(context.database, number, revision);
    if (!report) throw new DomainError('not-found', { what: `There is no report ${number} revision ${revision}.` });
    const name = `${number}-${revision}.${as}`;
    if (as === 'json') return { bytes: Buffer.from(report.record), name };
    if (!report.pdf)
      throw new DomainError('wrong-state', { what: `The PDF of ${number} revision ${revision} is being written.` });
    return { bytes: report.pdf, name };
  },
});

export const readMailAttachment = defineUseCase({
  verb: 'read-mail-attachment',
  audience: ['coordinator'],
  input: z.strictObject({ mailId: z.string().max(36) }),
  async run(context, { mailId }) {
    const found = await findMailAttachment(context.database, mailId);
    if (!found) throw new DomainError('not-found', { what: 'This mail has no attachment.' });
    return found;
  },
});
