import * as z from 'zod';
import { tagField } from '@/core/change/inputs';
import { DomainError } from '@/core/errors';
import { pumpHistory, sparesHeld } from '@/core/history';
import { underWarrantyOf } from '@/core/warranty';
import {
  findCustomer,
  listArchivedOfPump,
  listApprovedOf,
  listContactsOf,
  listCustomerPages,
  listCustomersWithJobs,
  listJobsOfCustomer,
  listStock,
  loadVisitsOfPump,
  type Connection,
} from '@/db';
import { findFamily } from '../families';
import { findJob, findRecord } from '../find-job';
import { defineUseCase } from '../use-case';

const staff = ['coordinator', 'technician', 'inspector', 'parts'] as const;
/** Visits that a pump's page reads, the newest. */
const mostVisits = 20;

/** A pump over all its visits, by the tag of any of them. */
export const readPump = defineUseCase({
  verb: 'read-pump',
  audience: staff,
  input: z.strictObject({ tag: tagField }),
  async run({ database }, { tag }) {
    const asked = await findRecord(database, tag);
    const { id } = asked.pump;
    const [all, stock, archived] = await Promise.all([
      loadVisitsOfPump(database, id),
      listStock(database),
      listArchivedOfPump(database, id),
    ]);
    const tags = all.slice(0, mostVisits).map((visit) => visit.tag);
    const visits = await Promise.all(tags.map((one) => findJob(database, one)));
    visits.sort((a, b) => a.record.openedAt.localeCompare(b.record.openedAt));
    const last = visits.at(-1);
    if (!last) throw new DomainError('not-found', { what: `There is no pump of ${tag}.` });
    const { record, family } = last;
    const isHere = record.closedAt === null;
    return {
      ...{ ...record.pump, familyTitle: family.title, liquid: record.intake.liquid },
      ...{ customer: record.customer, equipmentNumber: record.intake.equipmentNumber },
      ...{ hereAs: isHere ? record.tag : null, olderVisits: Math.max(0, all.length - mostVisits) },
      archived: archived.map(({ tag: one, closedAt, outcome, file }) => ({
        ...{ tag: one, closedOn: closedAt.toISOString().slice(0, 10), outcome, file },
      })),
      spares: sparesHeld(family.parts, stock),
      ...pumpHistory(visits),
    };
  },
});
export type PumpShown = Awaited<ReturnType<typeof readPump.run>>;

interface Built {
  readonly familyId: string;
  readonly familyVersion: string;
}
const buildOf = ({ familyId, familyVersion }: Built) => `${familyId} ${familyVersion}`;

/** The parts of each build among some pumps, each read once. */
async function partsByBuild(connection: Connection, pumps: readonly Built[]) {
  const builds = new Map(pumps.map((pump) => [buildOf(pump), pump]));
  const read = [...builds].map(
    async ([key, { familyId, familyVersion }]) =>
      [key, (await findFamily(connection, familyId, familyVersion)).parts] as const,
  );
  return new Map(await Promise.all(read));
}

/** A customer: contacts, agreed limit, every pump of theirs with its visits. */
export const readCustomer = defineUseCase({
  verb: 'read-customer',
  audience: staff,
  input: z.strictObject({ id: z.string().max(36) }),
  async run({ database, shopAtHand }, { id }) {
    const customer = await findCustomer(database, id);
    if (!customer) throw new DomainError('not-found', { what: 'There is no such customer.' });
    const own = customer.mergedInto ?? customer.id;
    const [contacts, jobs, at, approved, pages, stock] = await Promise.all([
      listContactsOf(database, own),
      listJobsOfCustomer(database, own),
      shopAtHand(),
      listApprovedOf(database, own),
      listCustomerPages(database, own),
      listStock(database),
    ]);
    const plates = new Map<string, (typeof jobs)[number][]>();
    for (const job of jobs) {
      const key = `${job.maker} ${job.serialKey || job.serial}`;
      plates.set(key, [...(plates.get(key) ?? []), job]);
    }
    const partsOf = await partsByBuild(
      database,
      [...plates.values()].flatMap(([newest]) => newest ?? []),
    );
    return {
      ...{ id: own, name: customer.name, currency: at?.shop.currency ?? 'EUR' },
      ...{ limitMinor: customer.riskLimitMinor, limitSaidBy: customer.riskLimitSaidBy },
      pages: pages.map(({ id: pageId, madeFor, personName, at }) => ({
        ...{ id: pageId, madeFor, personName, on: at.toISOString().slice(0, 10) },
      })),
      contacts: contacts.map(({ name, email, phone }) => ({ name, email, phone })),
      pumps: [...plates.values()].map((visits) => {
        const [newest] = visits;
        return {
          ...{ maker: newest?.maker ?? '', model: newest?.model ?? '', serial: newest?.serial ?? '' },
          equipmentNumber: visits.find((one) => one.equipmentNumber)?.equipmentNumber ?? '',
          spares: newest ? sparesHeld(partsOf.get(buildOf(newest)) ?? [], stock) : [],
          visits: visits.map(({ tag, openedAt, closedAt, outcome, station, promisedOn, runningHours }) => ({
            ...{ tag, outcome, station, promisedOn, runningHours, approvedMinor: approved.get(tag) ?? null },
            comebackOf: underWarrantyOf(visits, openedAt),
            ...{
              openedOn: openedAt.toISOString().slice(0, 10),
              closedOn: closedAt?.toISOString().slice(0, 10) ?? null,
            },
          })),
        };
      }),
    };
  },
});
export type CustomerShown = Awaited<ReturnType<typeof readCustomer.run>>;

/** All customers, with how many pumps of theirs are here. */
export const readCustomers = defineUseCase({
  verb: 'read-customers',
  audience: staff,
  input: z.strictObject({}),
  run: async ({ database }) => ({ customers: await listCustomersWithJobs(database) }),
});
