import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { quoteText, totalQuote } from '@/core/quoting';
import { currentQuote, type JobRecord, type Quote } from '@/core/record';
import { formatMoney } from '@/core/units';
import { addCustomerLink, addMail, listPhotoBytes, readShop, revokeCustomerLinks, saveQuoteState } from '@/db';
import { writeQuotePdf } from '@/documents';
import { simulatedMail } from '@/stand-ins';
import { changeJob, requireStation } from '../change-job';
import type { Context } from '../context';
import { sha256 } from '../fingerprint';
import { defineUseCase, tagField } from '../use-case';

const linkDays = 45;

function mailBody(record: JobRecord, quote: Quote, link: string, shopName: string): string {
  const totals = totalQuote(quote.lines, quote.taxPct);
  return [
    `Dear ${record.contact!.name},`,
    '',
    `your pump ${record.pump.maker} ${record.pump.model}, serial ${record.pump.serial} (our tag ${record.tag}), has been taken apart and measured.`,
    `The repair comes to ${formatMoney({ minor: totals.grossMinor, currency: quote.currency })} with tax. What we found, in pictures and plain words, and what each line is for:`,
    '',
    link,
    '',
    `There you can approve all of it or decline single lines, and sign. The link is for you alone and works for ${linkDays} days.`,
    '',
    shopName,
  ].join('\n');
}

async function openLink(
  context: Context,
  connection: Parameters<typeof addCustomerLink>[0],
  record: JobRecord,
  quote: Quote,
): Promise<string> {
  const token = context.newToken();
  const now = context.now();
  await revokeCustomerLinks(connection, record.id, now);
  await addCustomerLink(connection, {
    id: context.newId(),
    jobId: record.id,
    quoteId: quote.id,
    tokenHash: sha256(token),
    createdAt: now,
    expiresAt: new Date(now.getTime() + linkDays * 86_400_000),
  });
  return `${context.origin}/customer/${token}`;
}

/** Freezes the draft with its fingerprint, mails it with a link for the customer, and moves the job on. */
export const sendQuote = defineUseCase({
  verb: 'send-quote',
  audience: ['coordinator'],
  input: z.strictObject({ tag: tagField }),
  async run(context, { tag }) {
    return changeJob(context, { tag, kind: 'send-quote' }, async ({ connection, record }) => {
      requireStation(record, 'quote');
      const quote = currentQuote(record);
      if (quote?.state !== 'draft')
        throw new DomainError('wrong-state', { what: 'There is no draft of a quote to send. Draw one up first.' });
      const text = quoteText(record, quote);
      const fingerprint = sha256(text);
      await saveQuoteState(connection, quote.id, { state: 'sent', sentAt: context.now(), text, fingerprint });
      if (record.contact) {
        const shop = (await readShop(connection))!;
        const link = await openLink(context, connection, record, quote);
        const pictures = await listPhotoBytes(connection, record.id, 24);
        const pdf = await writeQuotePdf({
          record,
          quote,
          shop,
          pictures,
          fingerprint,
          now: context.now().toISOString(),
        });
        const mail = simulatedMail((one) =>
          addMail(connection, {
            id: context.newId(),
            jobId: record.id,
            to: one.to,
            subject: one.subject,
            body: one.body,
            attachmentName: one.attachment?.name ?? null,
            attachment: one.attachment?.bytes ?? null,
            sentAt: context.now(),
          }),
        );
        await mail.send({
          to: record.contact.email,
          subject: `Quote for your pump ${record.tag}, revision ${quote.revision}`,
          body: mailBody(record, quote, link, shop.name),
          attachment: { name: `${record.tag}-quote-${quote.revision}.pdf`, bytes: pdf },
        });
      }
      return {
        result: { revision: quote.revision, fingerprint },
        data: { revision: quote.revision, fingerprint },
        move: 'send-quote',
      };
    });
  },
});
