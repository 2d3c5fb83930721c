import * as z from 'zod';
import { reason, refuse } from '@/core/change/decision';
import { addDays } from '@/core/planning';
import { openOf } from '@/core/purchasing';
import { lackingSkills } from '@/core/workload';
import { addFeed, endFeed, findFeed, listFeeds, listPumpsToPlan, listShopOrders, readShop, sha256 } from '@/db';
import { writeCalendar, type CalendarEvent } from '@/documents';
import { DomainError } from '@/core/errors';
import type { Context } from '../context';
import { defineUseCase, forVerb, inTransaction } from '../use-case';
import { planFacts, resourcesNow } from './plan-facts';
import { planThatStands } from './plan-that-stands';

/** What comes and goes, in place of a hand or a place. */
const deliveries = 'deliveries';

export const makeFeed = forVerb('make-feed', async (context, { subject }) => {
  if (subject !== deliveries && !(await resourcesNow(context.database)).some(({ id }) => id === subject))
    refuse('bad-input', reason('no-resource', { id: subject }), 'subject');
  const token = context.newToken();
  const id: string = context.newId();
  const personName = context.actor.kind === 'person' ? context.actor.name : 'Puddlestone';
  const row = { id, subject, tokenHash: sha256(token), personName, at: context.now(), endedAt: null };
  await inTransaction(context, (connection) => addFeed(connection, row));
  return { id, path: `/files/calendar/${token}` };
});

export const endFeedOf = forVerb('end-feed', (context, { id }) =>
  inTransaction(context, async (connection) => {
    if (!(await endFeed(connection, id, context.now()))) refuse('not-found', reason('no-feed'));
    return { id };
  }),
);

/** The links that go on, by whom they were made. */
export const readFeeds = defineUseCase({
  verb: 'read-feeds',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({}),
  async run({ database }) {
    const [feeds, resources] = await Promise.all([listFeeds(database), resourcesNow(database)]);
    const nameOf = (id: string) => resources.find((one) => one.id === id)?.name ?? 'somebody who is not here any more';
    return {
      feeds: feeds.map(({ id, subject, personName, at }) => ({
        ...{ id, subject, personName, at: at.toISOString() },
        name: subject === deliveries ? 'What comes and goes' : nameOf(subject),
      })),
    };
  },
});

/** The work of a hand or a place, an event for each stretch without a pause. */
async function workEvents(context: Context, subject: string): Promise<readonly CalendarEvent[]> {
  const facts = await planFacts(context);
  if (lackingSkills(facts.asked).length) return [];
  const { operations } = await planThatStands(context, facts);
  const nameOf = (id: string) => facts.resources.find((one) => one.id === id)?.name ?? id;
  return operations
    .filter(({ resources }) => resources.includes(subject))
    .flatMap(({ job, operation, start, end, resources, pieces = [{ start, end }] }) => {
      const row = facts.rows.find(({ tag }) => tag === job);
      const title = row?.work.find(({ id }) => id === operation)?.title ?? operation;
      return pieces.map((piece, i) => ({
        ...{ id: `${job}-${operation}-${i}`, summary: `${job} ${title}`, ...piece },
        description: `${row?.maker ?? ''} ${row?.model ?? ''}, ${row?.customer ?? ''}`.trim(),
        location: resources
          .filter((one) => one !== subject)
          .map(nameOf)
          .join(', '),
      }));
    });
}

/** What comes from suppliers and what goes to customers, whole days. */
async function deliveryEvents({ database }: Context): Promise<readonly CalendarEvent[]> {
  const [orders, pumps] = await Promise.all([
    listShopOrders(database, ['placed', 'acknowledged'], 1000),
    listPumpsToPlan(database),
  ]);
  const coming = orders.flatMap((order) => {
    const { number, supplier, lines } = order;
    const open = lines.flatMap(({ pieces }) => pieces).reduce((sum, piece) => sum + openOf(piece), 0);
    const days = lines.flatMap(({ dueOn }) => dueOn ?? []).toSorted();
    const start = days.at(-1);
    if (!start || !open) return [];
    const words = { summary: `${number} from ${supplier}`, description: `${open} pieces are open`, location: '' };
    return [{ id: number, ...words, start, end: addDays(start, 1) }];
  });
  const going = pumps.map(({ tag, promisedOn, maker, model, customer }) => ({
    ...{ id: `${tag}-promised`, summary: `${tag} promised to ${customer}`, description: `${maker} ${model}` },
    ...{ location: '', start: promisedOn, end: addDays(promisedOn, 1) },
  }));
  return [...coming, ...going];
}

/** A calendar by its link, which is all that its reader knows. */
export const readFeed = defineUseCase({
  verb: 'read-feed',
  audience: ['anyone'],
  input: z.strictObject({ token: z.string().regex(/^[\da-f]{64}$/, 'this is no link of a calendar') }),
  async run(context, { token }) {
    const feed = await findFeed(context.database, sha256(token));
    if (!feed) throw new DomainError('not-found', { what: 'This calendar link is ended, or was never one.' });
    const { subject } = feed;
    const shop = await readShop(context.database);
    const name = (await resourcesNow(context.database)).find(({ id }) => id === subject)?.name;
    const events = subject === deliveries ? await deliveryEvents(context) : await workEvents(context, subject);
    const title = subject === deliveries ? 'Comes and goes' : (name ?? 'Nobody');
    return { text: await writeCalendar(`${title}, ${shop?.name ?? ''}`, events, context.now()) };
  },
});
