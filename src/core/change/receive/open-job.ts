import type { Family } from '../../family';
import { canonical, chainEvent, dayInZone, standingOf } from '../../lifecycle';
import {
  emptyTables,
  recordOf,
  type EarlierVisit,
  type JobHead,
  type JobId,
  type JobRecord,
  type Matter,
  type Signed,
  type Tag,
} from '../../record';
import { put, putAll } from '../change';
import { reason, refuse, type Decision } from '../decision';
import type { ReceivePump } from '../inputs';
import { shopPolicies } from '../sheets/policy';
import { checkLiquid } from './save-intake';

/** What is known of a pump that comes in before its job is opened. */
export interface OpeningFacts extends Pick<JobHead, 'pump' | 'customer' | 'contact' | 'lot'> {
  readonly jobId: JobId;
  readonly tag: Tag;
  readonly family: Family;
  readonly earlierVisits: readonly EarlierVisit[];
  /** The shop's time zone: by its calendar a promise is past. */
  readonly zone: string;
  /** The shop's schools where they are not the usual ones. */
  readonly policies: Readonly<Partial<Record<Matter, string>>>;
  /** What was agreed with the customer for all their pumps; null where nothing was. */
  readonly agreed: { readonly limitMinor: number; readonly saidBy: string } | null;
}

interface Given {
  readonly who: Signed;
  readonly now: string;
  readonly sha256: (text: string) => string;
  readonly facts: OpeningFacts;
}

function headOf({ facts, now }: Given, promisedOn: string): JobHead {
  const { jobId, tag, family, pump, customer, contact, lot } = facts;
  return {
    id: jobId,
    tag,
    station: 'receive',
    holder: 'U',
    holderSince: now,
    hold: null,
    outcome: 'open',
    promisedOn,
    openedAt: now,
    closedAt: null,
    familyId: family.id,
    familyVersion: family.version,
    pump,
    customer,
    contact,
    lot,
  };
}

/**
 * Opens a job for a pump that comes in: its head, its intake, the first event of its chain.
 * @throws DomainError for a pump that is still in the house under another tag
 */
export function openJob(
  given: Given,
  command: ReceivePump,
): Decision<{ readonly tag: Tag; readonly earlierVisits: number }> {
  const { who, now, facts } = given;
  const { family, earlierVisits } = facts;
  const inHouse = earlierVisits.find(({ closedAt }) => closedAt === null);
  if (inHouse)
    refuse('wrong-state', reason('pump-in-house', { serial: facts.pump.serial, tag: inHouse.tag }), 'pump.serial');
  if (command.promisedOn < dayInZone(now, facts.zone))
    refuse('bad-input', reason('promise-past', { day: command.promisedOn }), 'promisedOn');
  checkLiquid(command.intake);
  const head = headOf(given, command.promisedOn);
  const puts = [
    put('job', head),
    put('intake', { ...command.intake, version: 1, isolation: null }),
    ...shopPolicies(facts.policies, who),
    ...(facts.agreed ? [put('agreement', { ...facts.agreed, version: 1, ...who })] : []),
  ];
  const tables = emptyTables();
  const changes = putAll(tables, puts);
  const before: JobRecord = recordOf(tables, {
    version: 0,
    headHash: '',
    earlierVisits,
    lotTerms: null,
    lotMates: [],
    likePumps: [],
  });
  const { nameplate } = command.pump;
  const data = canonical({ tag: head.tag, nameplate, changes });
  const unchained = { seq: 1, kind: 'receive-pump', personName: who.personName, at: now, data, previousHash: '' };
  const event = chainEvent(unchained, given.sha256);
  return {
    event: { ...event, personId: who.personId },
    changes,
    ...{ before, settled: before },
    after: { ...before, version: 1, headHash: event.hash },
    family,
    standing: standingOf(before, family),
    result: { tag: head.tag, earlierVisits: earlierVisits.length },
    outbox: [],
    texts: {},
  };
}
