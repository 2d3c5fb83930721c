import * as z from 'zod';
import { catalogueFor } from '@/words/every-language';
import { reason, refuse } from '@/core/change/decision';
import { DomainError } from '@/core/errors';
import {
  addCustomerPage,
  endCustomerPage,
  findCustomer,
  findCustomerPage,
  listJobsOfCustomer,
  readShop,
  sha256,
} from '@/db';
import { localTime } from '../planning/plan-facts';
import { defineUseCase, forVerb, inTransaction } from '../use-case';

export const makeCustomerPage = forVerb('make-customer-page', async (context, { customerId, madeFor }) => {
  const customer = await findCustomer(context.database, customerId);
  if (!customer) throw new DomainError('not-found', { what: 'There is no such customer.' });
  const token = context.newToken();
  const id: string = context.newId();
  const personName = context.actor.kind === 'person' ? context.actor.name : 'Puddlestone';
  const row = { id, madeFor, tokenHash: sha256(token), personName, at: context.now(), endedAt: null };
  const own = customer.mergedInto ?? customer.id;
  await inTransaction(context, (connection) => addCustomerPage(connection, { ...row, customerId: own }));
  return { id, path: `/customer/pumps/${token}` };
});

export const endPageOfCustomer = forVerb('end-customer-page', (context, { id }) =>
  inTransaction(context, async (connection) => {
    if (!(await endCustomerPage(connection, id, context.now()))) refuse('not-found', reason('no-customer-page'));
    return { id };
  }),
);

/** Visits of the past that a customer reads at most. */
const mostPast = 100;

/** How all pumps of a customer stand, by its link, which is all that its reader knows. */
export const readOwnPumps = defineUseCase({
  verb: 'read-own-pumps',
  audience: ['anyone'],
  input: z.strictObject({ token: z.string().regex(/^[\da-f]{64}$/, 'this is no link of ours') }),
  async run({ database, now }, { token }) {
    const page = await findCustomerPage(database, sha256(token));
    if (!page) throw new DomainError('link-not-valid', { what: 'This link is ended, or was never one.' });
    const [customer, shop] = await Promise.all([findCustomer(database, page.customerId), readShop(database)]);
    const jobs = await listJobsOfCustomer(database, customer?.mergedInto ?? page.customerId);
    const zone = shop?.zone ?? 'UTC';
    const dayOf = (at: Date) => localTime(zone, at).slice(0, 10);
    const plate = ({
      maker,
      model,
      serial,
      equipmentNumber,
    }: Pick<(typeof jobs)[number], 'maker' | 'model' | 'serial' | 'equipmentNumber'>) => ({
      ...{ pump: `${maker} ${model}`, serial, equipmentNumber },
    });
    return {
      shop: { name: shop?.name ?? '', place: shop?.place ?? '', telephone: shop?.settings.telephone ?? '' },
      ...{ name: customer?.name ?? '', today: dayOf(now()) },
      catalogue: catalogueFor(shop?.settings.language ?? 'en', []),
      here: jobs
        .filter(({ closedAt }) => closedAt === null)
        .map((job) => ({
          ...{ ...plate(job), tag: job.tag, station: job.station, holder: job.holder, outcome: job.outcome },
          ...{ cameOn: dayOf(job.openedAt), promisedOn: job.promisedOn },
          ready: job.early && job.late ? { early: job.early, late: job.late } : null,
        })),
      past: jobs
        .flatMap(({ closedAt, ...job }) =>
          closedAt === null
            ? []
            : [
                {
                  ...plate(job),
                  tag: job.tag,
                  outcome: job.outcome,
                  cameOn: dayOf(job.openedAt),
                  wentOn: dayOf(closedAt),
                },
              ],
        )
        .slice(0, mostPast),
    };
  },
});
export type OwnPumps = Awaited<ReturnType<typeof readOwnPumps.run>>;
