import { present } from '@/core/present';
import * as z from 'zod';
import { catalogueFor, wordsOf } from '@/words/every-language';
import { DomainError } from '@/core/errors';
import { readBuild } from '@/core/family';
import { namesIn, sayDeed, sayEvent } from '@/core/change';
import { headIn, standingOf } from '@/core/lifecycle';
import type { Station } from '@/core/record';
import { customerOffer } from '@/core/quoting';
import {
  countPeople,
  listEvents,
  listMails,
  listMailsOfJob,
  listStuckOutbox,
  readShop,
  findCustomerLink,
  findLot,
  loadUnits,
  sha256,
} from '@/db';
import { familyOfJob } from '../families';
import { findJob, findRecord } from '../find-job';
import { listCards } from '../library/drawn';
import { verifyOne } from '../verify';
import { tagField } from '@/core/change/inputs';
import type { Context } from '../context';
import { defineUseCase } from '../use-case';
import { tokenAlong } from '../lots';
import { loadOwnQuote } from './own-quote';
import { dayIn } from './read-floor';

/** What has gone out by mail, newest first, and what should have gone out but could not yet. */
export const readOutbox = defineUseCase({
  verb: 'read-outbox',
  audience: ['coordinator'],
  input: z.strictObject({ before: z.string().max(80).nullable().default(null) }),
  async run(context, { before }) {
    const [sent, id] = before?.split('_') ?? [];
    const cursor = sent && id && !Number.isNaN(Date.parse(sent)) ? { sentAt: new Date(sent), id } : null;
    const { database } = context;
    const [rows, stuck, at] = await Promise.all([
      listMails(database, cursor, 31),
      listStuckOutbox(database, 50),
      context.shopAtHand(),
    ]);
    const mails = rows.slice(0, 30).map((mail) => ({ ...mail, sentAt: mail.sentAt.toISOString() }));
    const last = mails.at(-1);
    return {
      mails,
      stuck: stuck.map((row) => ({ ...row, dueAt: row.dueAt?.toISOString() ?? null })),
      zone: at?.shop.zone ?? 'UTC',
      next: rows.length > 30 && last ? `${last.sentAt}_${last.id}` : null,
    };
  },
});

/** What receiving needs: known customers with contacts, and the families to choose from. */
/** What the first unit of a lot says for the next one: whose it is, when it is promised, what it handled. */
async function startOfLot({ database }: Context, number: string) {
  const found = await findLot(database, number);
  const units = found ? await loadUnits(database, found.id) : [];
  const [first] = units;
  if (!found || !first) return null;
  const { customer, contact, pump, promisedOn, intake, familyId, familyVersion } = await findRecord(
    database,
    first.tag,
  );
  const { axes = {}, counts = {} } = readBuild(familyVersion);
  return {
    ...{ number: found.number, units: units.length, sharesPromise: found.sharesPromise, promisedOn },
    ...{ customer: customer.name, contact, maker: pump.maker, model: pump.model, size: pump.size },
    ...{ familyId, axes, counts, intake },
  };
}

export const readReceiving = defineUseCase({
  verb: 'read-receiving',
  audience: ['coordinator', 'technician'],
  /** The lot of which another unit is received. */
  input: z.strictObject({ lot: z.string().max(20).default('') }),
  async run(context, { lot }) {
    return {
      lot: lot ? await startOfLot(context, lot) : null,
      families: await listCards(context.database),
      today: dayIn((await context.shopAtHand())?.shop.zone ?? 'UTC', context.now()),
    };
  },
});

export const readShopView = defineUseCase({
  verb: 'read-shop',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({}),
  async run(context) {
    const [at, families] = await Promise.all([context.shopAtHand(), listCards(context.database)]);
    const shop = at?.shop ?? null;
    return {
      shop: shop && {
        name: shop.name,
        place: shop.place,
        zone: shop.zone,
        currency: shop.currency,
        settings: shop.settings,
      },
      people: at?.people ?? [],
      instruments: at?.tools ?? [],
      today: dayIn(shop?.zone ?? 'UTC', context.now()),
      families,
    };
  },
});

/** Whether anybody exists yet; the first visit creates the owner. */
export const readFirstVisit = defineUseCase({
  verb: 'read-first-visit',
  audience: ['anyone'],
  input: z.strictObject({}),
  async run(context) {
    return { isEmpty: (await countPeople(context.database)) === 0 };
  },
});

/** Mails that a job's log shows at most. */
const mostMails = 60;

/** What went out by mail about a job, newest first: to whom, when, and what it was about. */
export const readJobMails = defineUseCase({
  verb: 'read-job-mails',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({ tag: tagField }),
  async run(context, { tag }) {
    const { id } = await findRecord(context.database, tag);
    const mails = await listMailsOfJob(context.database, id, mostMails);
    return mails.map(({ id: mailId, to, subject, sentAt }) => ({
      ...{ id: mailId, to, subject },
      sentAt: sentAt.toISOString(),
    }));
  },
});

/** What anybody may read of the shop: a customer whose link is dead must know whom to ring. */
export const readShopSign = defineUseCase({
  verb: 'read-shop-sign',
  audience: ['anyone'],
  input: z.strictObject({}),
  async run(context) {
    const shop = await readShop(context.database);
    const language = shop?.settings.language ?? 'en';
    return {
      ...{ name: shop?.name ?? '', place: shop?.place ?? '', telephone: shop?.settings.telephone ?? '' },
      catalogue: catalogueFor(language, []),
    };
  },
});

/** The record drawer: every event of a job in words, and whether its chain is whole and its tables are what it says. */
export const readEvents = defineUseCase({
  verb: 'read-events',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({ tag: tagField }),
  async run(context, { tag }) {
    const { record, family } = await findJob(context.database, tag);
    const nameOf = namesIn(family);
    const events = await listEvents(context.database, record.id);
    let station: Station = 'receive';
    return {
      events: events.map((event) => {
        const { seq, kind, personName, at, data, hash } = event;
        // Where it happened is where the job stood before it.
        const before = station;
        station = headIn(data)?.station ?? station;
        return {
          ...{ seq, kind, personName, at, station: before, deed: sayDeed(event), lines: sayEvent(data, nameOf) },
          hash: hash.slice(0, 12),
        };
      }),
      difference: await verifyOne(context.database, tag),
    };
  },
});

/** The customer's page: findings in plain words, lines, and the answer if one was given. Reaches its own job only. */
export const readCustomerPage = defineUseCase({
  verb: 'read-customer-page',
  audience: ['customer'],
  /** The link's token: it leads to the other units that are quoted with it. */
  input: z.strictObject({ token: z.string().max(200).default('') }),
  async run(context, { token }) {
    const { record, quote } = await loadOwnQuote(context);
    if (!quote.text) throw new DomainError('link-not-valid');
    const shop = present(await readShop(context.database));
    const family = await familyOfJob(context.database, record);
    const { name, place, settings, zone } = shop;
    const { remaining } = standingOf(record, family);
    const { telephone } = settings;
    const said = { shop: { name, place, telephone }, remaining, today: dayIn(zone, context.now()) };
    const others = await Promise.all(
      record.lotMates.map(async ({ tag, serial, unit }) => {
        const along = tokenAlong(token, tag);
        const link = await findCustomerLink(context.database, sha256(along));
        return { tag, serial, unit, token: link ? along : null };
      }),
    );
    const offer = customerOffer({ record, family, quote, ...said, words: wordsOf(quote.language) });
    const catalogue = catalogueFor(quote.language, []);
    return { ...offer, catalogue, station: record.station, today: said.today, lot: record.lot, others };
  },
});
