import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { answerLine, gateFor, jobDetails, moves, sayMove, standingOf, type EventKind } from '@/core/lifecycle';
import { readyRange } from '@/core/planning';
import { isConstructionOpen, type Station } from '@/core/record';
import { listInstruments, loadJobRecord, readShop } from '@/db';
import { findFamily } from '../families';
import { newerFamily } from '../library/newer-family';
import { tagField } from '@/core/change/inputs';
import { defineUseCase } from '../use-case';
import { dayIn } from './read-floor';

/** The event that leads on from each station; sending, answering, deciding and issuing carry their own. */
const onward: Readonly<Record<Station, EventKind>> = {
  receive: 'begin-teardown',
  teardown: 'finish-teardown',
  clean: 'finish-cleaning',
  inspect: 'finish-inspection',
  quote: 'send-quote',
  approve: 'accept-quote',
  parts: 'start-rebuild',
  rebuild: 'finish-rebuild',
  test: 'pass-test',
  report: 'finish-report',
  return: 'close',
};

/** Everything a job's page shows: record, family, answer line, gate list, instruments. */
export const readJob = defineUseCase({
  verb: 'read-job',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({ tag: tagField }),
  async run(context, { tag }) {
    const { database } = context;
    const record = await loadJobRecord(database, tag);
    if (!record) throw new DomainError('not-found', { what: `There is no job ${tag}.` });
    const [family, shop, instruments] = await Promise.all([
      findFamily(database, record.familyId, record.familyVersion),
      readShop(database),
      listInstruments(database),
    ]);
    const newer = isConstructionOpen(record) ? await newerFamily(database, record) : null;
    const now = context.now();
    const zone = shop?.zone ?? 'UTC';
    const standing = standingOf(record, family);
    const ready = readyRange(standing.remaining, dayIn(zone, now));
    const event = onward[record.station];
    const answer = answerLine({
      tag,
      pump: jobDetails(record.pump),
      owner: record.customer.name,
      station: record.station,
      holder: standing.holder,
      holderSince: record.holderSince,
      hold: record.hold,
      outcome: record.outcome,
      closedAt: record.closedAt,
      waitingFor: sayMove(standing.next).waitingFor,
      ready,
      promisedOn: record.promisedOn,
      now: now.toISOString(),
      zone,
    });
    return {
      record,
      family,
      instruments,
      answer,
      standing,
      ready,
      today: dayIn(zone, now),
      zone,
      newerFamily: newer?.version ?? null,
      lengthDisplay: shop?.settings.lengthDisplay ?? ('metric' as const),
      gate: { event, words: moves[event].words, missing: record.closedAt ? [] : gateFor(event, record, family) },
      openLinks: record.links.filter((link) => !link.revokedAt && link.expiresAt > now.toISOString()).length,
    };
  },
});
export type JobView = Awaited<ReturnType<typeof readJob.run>>;
