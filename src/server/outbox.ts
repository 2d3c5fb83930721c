import type { OutboxItem } from '@/core/change';
import { asBuiltSchema } from '@/core/report';
import { letterTo, type Sender } from '@/core/letters';
import { offeredLines, optionsOf, reminderLetter, totalQuote } from '@/core/quoting';
import { dayInZone } from '@/core/lifecycle';
import { sheetsOf, type JobRecord, type Quote, type ReportId } from '@/core/record';
import { claimLetter } from '@/core/supply';
import { packingOf } from '@/core/dispatch';
import { sayTerm, warrantyEnd, warrantyTerms } from '@/core/warranty';
import {
  claimOutbox,
  finishOutbox,
  findPhoto,
  findReportText,
  findTagById,
  listDueOutbox,
  listPhotoBytes,
  postponeOutbox,
  readShop,
  saveReportPdf,
  type OutboxRow,
} from '@/db';
import { linkDays } from '@/core/change/quote';
import type { Words } from '@/words';
import { wordsOf } from '@/words/every-language';
import type { Context } from './context';
import { writeDocument } from './documents/write-document';
import { mailAboutOrder } from './supply/write-about-orders';
import { sendShopOrder } from './supply/shop-orders';
import { findJob } from './find-job';
import { letterheadOf } from './letterhead';

/** Pictures that a document shows at most. */
const mostPictures = 24;

type Shop = NonNullable<Awaited<ReturnType<typeof readShop>>>;
/** The shop as it signs, in its own language or in that of a quote. */
const senderOf = ({ name, settings }: Shop, language = settings.language): Sender & { readonly words: Words } => ({
  ...{ name, telephone: settings.telephone, letters: settings.letters },
  words: wordsOf(language),
});

/** What an option comes to, or the whole offer where there is nothing to choose. */
function saySums(quote: Quote, words: Words): readonly string[] {
  const { say } = words;
  return optionsOf(quote).map((option) => {
    const { grossMinor } = totalQuote(offeredLines(quote, option), quote);
    const money = words.money({ minor: grossMinor, currency: quote.currency });
    if (option === null) return say(quote.kind === 'quote' ? 'letter.sumRepair' : 'letter.sumSupplement', { money });
    const said = { money, option: say(`option.${option}`) };
    return say(option === quote.advised ? 'letter.sumAdvised' : 'letter.sumOption', said);
  });
}

/** The letter that goes with a quote or a supplement. */
function quoteLetter(sender: ReturnType<typeof senderOf>, record: JobRecord, quote: Quote, link: string) {
  return letterTo(sender, record, quote.kind === 'quote' ? 'quote' : 'supplement', {
    ...{ link, days: String(linkDays), note: quote.note, why: quote.supplement?.whyOnlyNow ?? '' },
    ...{ revision: String(quote.revision), sums: saySums(quote, sender.words).join('\n') },
  });
}

async function jobOf(context: Context, { jobId }: OutboxRow) {
  const tag = jobId && (await findTagById(context.database, jobId));
  if (!tag) throw new Error(`the outbox names a job that is not here: ${jobId}`);
  return findJob(context.database, tag);
}

async function shopOf({ database }: Context) {
  const shop = await readShop(database);
  if (!shop) throw new Error('there is no shop');
  return shop;
}

/**
 * Writes the quote's PDF and mails it with the customer's link. The mail has the row's id: sent twice, it is one mail.
 */
async function mailQuote(
  context: Context,
  row: OutboxRow,
  { quoteId, token, origin }: Extract<OutboxItem, { kind: 'mail-quote' }>,
): Promise<void> {
  const { record } = await jobOf(context, row);
  const quote = record.quotes.find((one) => one.id === quoteId);
  if (!quote) return;
  if (!record.contact) throw new Error('the job has no contact any more: nobody gets this quote');
  const shop = await shopOf(context);
  const pictures = await listPhotoBytes(context.database, record.id, mostPictures);
  const now = quote.sentAt ?? context.now().toISOString();
  const pdf = await writeDocument('quote', {
    ...{ record, quote, pictures, shop: { ...(await letterheadOf(context.database, shop)), zone: shop.zone } },
    fingerprint: quote.fingerprint ?? 'draft',
    now,
  });
  const name = `${record.tag}-${quote.kind}-${quote.revision}`;
  const addresses = [record.contact.email, ...quote.recipients.map(({ email }) => email)];
  for (const [i, to] of [...new Set(addresses)].entries())
    await context.standIns.mail.send({
      ...{ id: mailIdOf(row.id, i), jobId: record.id, sentAt: context.now(), to },
      ...quoteLetter(senderOf(shop, quote.language), record, quote, `${origin}/customer/${token}`),
      attachment: { name: `${name}.pdf`, bytes: pdf },
    });
}

/** The mail of a row to its first address has the row's id; those to others have ids that follow from it. */
const mailIdOf = (rowId: string, i: number) => (i ? `${rowId.slice(0, 33)}-${String(i).padStart(2, '0')}` : rowId);

/** Reminds the customer of a quote in the words that were sent, with a link. */
async function mailReminder(
  context: Context,
  row: OutboxRow,
  { number, token, origin }: Extract<OutboxItem, { kind: 'mail-reminder' }>,
): Promise<void> {
  const { record } = await jobOf(context, row);
  const reminder = record.reminders.find((one) => one.number === number);
  const quote = record.quotes.find(({ id }) => id === reminder?.quoteId);
  if (!reminder || !quote) return;
  const shop = await shopOf(context);
  const today = dayInZone(reminder.at, shop.zone);
  const sender = senderOf(shop, quote.language);
  const { subject } = reminderLetter({ record, quote, today, sender, words: sender.words });
  await context.standIns.mail.send({
    ...{ id: row.id, jobId: record.id, sentAt: context.now(), to: reminder.sentTo, subject },
    body: [reminder.words, '', `${origin}/customer/${token}`].join('\n'),
  });
}

/** Sends the shop’s answer to a question. */
async function mailAnswer(context: Context, row: OutboxRow, questionId: string): Promise<void> {
  const { record } = await jobOf(context, row);
  const question = record.questions.find(({ id }) => id === questionId);
  if (!question?.answer || !record.contact) return;
  const letter = letterTo(senderOf(await shopOf(context)), record, 'answer', {
    ...{ question: question.words, answer: question.answer.words, person: question.answer.personName },
  });
  await context.standIns.mail.send({
    ...{ id: row.id, jobId: record.id, sentAt: context.now(), to: record.contact.email, ...letter },
  });
}

/** Writes to the customer that the day has moved: which day it was, which it is, and why. */
async function mailPromise(context: Context, row: OutboxRow, number: number): Promise<void> {
  const { record } = await jobOf(context, row);
  const move = record.promises.find((one) => one.number === number);
  if (!move?.toldTo) return;
  const today = context.now().toISOString();
  const sender = senderOf(await shopOf(context));
  const { day } = sender.words;
  const letter = letterTo(sender, record, 'promise', {
    ...{ from: day(move.from, today), to: day(move.to, today), reason: move.reason },
  });
  await context.standIns.mail.send({
    ...{ id: row.id, jobId: record.id, sentAt: context.now(), to: move.toldTo, ...letter },
  });
}

/** Sends the first answer to the customer, in the words that were sent. */
async function mailEvaluation(context: Context, row: OutboxRow, key: string): Promise<void> {
  const { record } = await jobOf(context, row);
  const sheet = sheetsOf(record, 'evaluation').find((one) => one.key === key);
  if (!sheet?.body.sent) return;
  await context.standIns.mail.send({
    ...{ id: row.id, jobId: record.id, sentAt: context.now(), to: sheet.body.sent.to },
    subject: letterTo(senderOf(await shopOf(context)), record, 'evaluation', {}).subject,
    body: sheet.body.sent.words,
  });
}

/** Tells the customer that the pump is ready to go, or that it was delivered and what its warranty covers. */
async function mailReturn(context: Context, row: OutboxRow, what: 'released' | 'delivered'): Promise<void> {
  const { record, family } = await jobOf(context, row);
  const { contact, returned } = record;
  if (!contact || !returned) return;
  const sender = senderOf(await shopOf(context));
  const { say, day } = sender.words;
  const carrier = packingOf(record)?.body.carrier ?? '';
  const until = returned.warrantyFrom && warrantyEnd(returned.warrantyFrom, returned.warrantyMonths);
  const terms = warrantyTerms(record, family, returned.warrantyMonths).map(
    (term) => `- ${sayTerm(term, sender.words)}`,
  );
  const warranty =
    terms.length && until
      ? [say('warranty.until', { day: day(until, context.now().toISOString()) }), ...terms]
      : [say('warranty.none')];
  const letter = letterTo(sender, record, what, {
    ...{ carrier, packing: returned.packing, to: returned.deliveredTo ?? '', warranty: warranty.join('\n') },
  });
  await context.standIns.mail.send({
    ...{ id: row.id, jobId: record.id, sentAt: context.now(), to: contact.email, ...letter },
  });
}

/** What came wrong or short goes to the supplier, in the words of whoever sent it, with the picture of it. */
async function mailClaim(context: Context, row: OutboxRow, key: string): Promise<void> {
  const { record } = await jobOf(context, row);
  const claim = sheetsOf(record, 'claim').find((sheet) => sheet.key === key)?.body;
  if (!claim?.sent) return;
  const shown = claim.lines.find(({ photoId }) => photoId)?.photoId;
  const picture = shown && (await findPhoto(context.database, shown, 'full'));
  await context.standIns.mail.send({
    ...{ id: row.id, jobId: record.id, sentAt: context.now(), to: claim.sent.to },
    subject: claimLetter({ record, number: key, claim, sender: senderOf(await shopOf(context)) }).subject,
    body: claim.sent.words,
    ...(picture && { attachment: { name: `${key}.jpg`, bytes: picture.bytes } }),
  });
}

async function writeReport(context: Context, row: OutboxRow, reportId: ReportId): Promise<void> {
  const found = await findReportText(context.database, reportId);
  if (!found) return;
  const { record, family } = await jobOf(context, row);
  const shop = await shopOf(context);
  const pictures = await listPhotoBytes(context.database, record.id, mostPictures);
  const built = asBuiltSchema.parse(JSON.parse(found.record));
  const { fingerprint } = found;
  const pdf = await writeDocument('as-built', {
    report: built,
    fingerprint,
    family,
    pictures,
    zone: shop.zone,
    shop: await letterheadOf(context.database, shop),
  });
  await saveReportPdf(context.database, reportId, pdf);
  const issued = record.reports.find(({ id }) => id === reportId);
  if (!record.contact || !issued) return;
  const letter = letterTo(senderOf(shop), record, 'report', {
    ...{ number: issued.number, revision: issued.revision, changed: issued.whatChanged },
  });
  await context.standIns.mail.send({
    ...{ id: row.id, jobId: record.id, sentAt: context.now(), to: record.contact.email, ...letter },
    attachment: { name: `${issued.number}-${issued.revision}.pdf`, bytes: pdf },
  });
}

async function carryOutItem(context: Context, row: OutboxRow, item: OutboxItem): Promise<void> {
  switch (item.kind) {
    case 'mail-quote':
      return mailQuote(context, row, item);
    case 'mail-reminder':
      return mailReminder(context, row, item);
    case 'mail-answer':
      return mailAnswer(context, row, item.questionId);
    case 'mail-promise':
      return mailPromise(context, row, item.number);
    case 'mail-evaluation':
      return mailEvaluation(context, row, item.key);
    case 'mail-return':
      return mailReturn(context, row, item.what);
    case 'mail-claim':
      return mailClaim(context, row, item.key);
    case 'mail-order':
      return mailAboutOrder(context, row.id, item);
    case 'place-order':
      return sendShopOrder(context, item.number);
    case 'write-report':
      return writeReport(context, row, item.reportId);
  }
}

const minuteMs = 60_000;
/** A copy that has a row keeps it so long; when it dies, another takes the row after that. */
const claimMs = 10 * minuteMs;
/** How long until the next try, in ms: a minute, then twice as long each time, at most an hour. */
const waitAfter = (tries: number) => Math.min(60, 2 ** Math.max(0, tries - 1)) * minuteMs;

/**
 * Carries out one row of the outbox, once at a time over all copies of the application. A failure is kept with the row
 * and tried again later; it never undoes the change that the row follows from.
 */
export async function carryOut(context: Context, row: OutboxRow): Promise<boolean> {
  const { database } = context;
  const after = (ms: number) => new Date(context.now().getTime() + ms);
  const claim = { now: after(0), until: after(claimMs) };
  const tries = await claimOutbox(database, row.id, claim);
  if (tries === null) return false;
  try {
    const { entry: _entry, remember: _remember, followUp: _followUp, ...own } = context;
    await carryOutItem(own, row, row.item);
    await finishOutbox(database, row.id, context.now());
    return true;
  } catch (error) {
    const said = error instanceof Error ? error.message : String(error);
    console.error(`[outbox ${row.item.kind}]`, error);
    await postponeOutbox(database, row.id, { dueAt: after(waitAfter(tries)), lastError: said });
    return false;
  }
}

/** Carries out what is due. Gives how many rows were done. */
export async function carryOutDue(context: Context, limit = 20): Promise<number> {
  let done = 0;
  const due = await listDueOutbox(context.database, context.now(), limit);
  for (const row of due) if (await carryOut(context, row)) done++;
  return done;
}
