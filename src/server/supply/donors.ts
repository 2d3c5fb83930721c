import type { CommandOf, ResultOf } from '@/contract';
import { supply } from '@/core/change';
import { DomainError } from '@/core/errors';
import { partsOffered, readLabel, sourceOf, type PartOffered } from '@/core/supply';
import type { JobRecord, Tag } from '@/core/record';
import { scopeOf } from '@/core/scope';
import { fateOf, packingOf } from '@/core/dispatch';
import { reason, refuse } from '@/core/change/decision';
import { elastomerOf, findPart, type Family } from '@/core/family';
import { tagField } from '@/core/change/inputs';
import {
  addDonorParts,
  countReserved,
  crossingNumbers,
  findDonorPart,
  freeDonorPart,
  lockStock,
  takeDonorPart,
  type Connection,
  type DonorFound,
} from '@/db';
import { changeJob, type Asking, type JobCommand } from '../change-job';
import type { Context } from '../context';
import { findJob } from '../find-job';
import { forVerb } from '../use-case';

interface Unit {
  readonly record: JobRecord;
  readonly family: Family;
}

/** A part of a unit as a row of donor stock. */
export function donorRow(
  { record, family }: Unit,
  part: PartOffered,
  { personName, at }: { readonly personName: string; readonly at: Date },
): DonorFound {
  return {
    ...{ tag: record.tag, partRef: part.ref, familyId: family.id, name: part.name, number: part.number },
    ...{ size: record.pump.size, look: part.look, tray: part.tray, owner: record.customer.name, ownersWord: '' },
    wearPct: part.wearPct === null ? null : String(part.wearPct),
    ...{ personName, at },
  };
}

function refuseDonor(what: string): never {
  throw new DomainError('bad-input', { what, issues: [{ path: 'donorId', message: what }] });
}

function idOf(code: string) {
  const label = readLabel(code);
  return label?.part ? { tag: label.tag, partRef: label.part } : refuseDonor(`“${code}” is no part of a unit.`);
}

/** The part of another unit that a code stands for, as its own record describes it. */
async function findDonor(
  connection: Connection,
  code: string,
): Promise<{ readonly unit: Unit; readonly part: PartOffered }> {
  const { tag, partRef } = idOf(code);
  const unit = await findJob(connection, tag);
  const part = partsOffered(unit.record, unit.family).find(({ ref }) => ref === partRef);
  return part ? { unit, part } : refuseDonor(`${tag} has no part ${partRef} that is there.`);
}

type Choose = CommandOf<'choose-source'>;

/** Gives a part back: one that was set aside is stock again, one that was only lent belongs to its pump. */
async function giveBack(connection: Connection, by: string, code: string): Promise<void> {
  const id = idOf(code);
  const isSetAside = Boolean((await findDonorPart(connection, id))?.ownersWord);
  const isDonor = (await findJob(connection, id.tag)).record.outcome === 'donor';
  await freeDonorPart(connection, { by, id, isStock: isSetAside || isDonor });
}

/** What is to come from a shelf that is counted lies there, and no other job has spoken for it. */
async function checkShelf({ connection, record, family, command }: Asking<Choose>): Promise<void> {
  const part = findPart(family, command.partRef);
  if (!part || command.source.source !== 'shelf') return;
  const item = { number: part.number, elastomer: elastomerOf(part, record.intake.elastomer) ?? '' };
  const row = await lockStock(connection, item);
  if (!row) return;
  const free = row.quantity - (await countReserved(connection, item, record.tag));
  const { count } = command.source;
  if (count > free)
    refuse('wrong-state', reason('not-on-shelf', { number: part.number, wanted: count, there: free }), 'source.count');
}

/** Takes the donor part in the transaction of the job that gets it, and gives back what it had taken before. */
async function reserve(asking: Asking<Choose>): Promise<supply.SourceFacts> {
  const { context, connection, record, family, command } = asking;
  await checkShelf(asking);
  const before = sourceOf(record, command.partRef)?.body.donor ?? null;
  const isDonor = command.source.source === 'donor' && command.donorId !== null;
  if (before && before.id !== command.donorId) await giveBack(connection, record.tag, before.id);
  if (!isDonor || command.donorId === null) return { donor: null };
  const { unit, part } = await findDonor(connection, command.donorId);
  const wanted = family.parts.find(({ ref }) => ref === command.partRef)?.number ?? '';
  const { tag } = unit.record;
  const standing = await findDonorPart(connection, { tag, partRef: part.ref });
  let takenBy = standing?.takenBy ?? null;
  if (takenBy === null && tag !== record.tag) {
    const at = context.now();
    const personName = context.actor.kind === 'person' ? context.actor.name : 'Puddlestone';
    if (!(await takeDonorPart(connection, donorRow(unit, part, { personName, at }), record.tag, at)))
      takenBy = 'another job';
  }
  const crossing = await crossingNumbers(connection, wanted);
  const isBeside = unit.record.closedAt === null && unit.record.customer.id === record.customer.id;
  const isLeft = isBeside || Boolean(standing?.ownersWord);
  const { ref: partRef, number, look, isCracked, wearPct } = part;
  return {
    donor: { ...{ id: command.donorId, tag, partRef, number, crossing, look, isCracked, wearPct, isLeft, takenBy } },
  };
}

type Closing = Omit<Asking<unknown>, 'command'>;

/** Sets parts of a unit aside for other pumps; those that are cracked, worn out or given away are none. */
async function setAside(
  { context, connection, record, family }: Closing,
  refs: ReadonlySet<string>,
  ownersWord: string,
) {
  const personName = context.actor.kind === 'person' ? context.actor.name : 'Puddlestone';
  const rows = partsOffered(record, family)
    .filter(({ ref, isCracked, givenTo, wearPct }) => refs.has(ref) && !isCracked && !givenTo && (wearPct ?? 0) <= 100)
    .map((part) => ({ ...donorRow({ record, family }, part, { personName, at: context.now() }), ownersWord }));
  await addDonorParts(connection, rows);
}

/** The parts of a unit that stays as a donor become stock. */
export async function keepAsDonor(closing: Closing): Promise<void> {
  const { record, family } = closing;
  if (record.outcome !== 'donor') return;
  const word = fateOf(record)?.body;
  const hard = family.parts.filter(({ soft }) => !soft).map(({ ref }) => ref);
  await setAside(closing, new Set(hard), word ? `${word.saidBy}: ${word.words}` : '');
}

/** What was taken out of a pump and replaced becomes stock, where its owner leaves it to the shop. */
export async function keepLeftOvers(closing: Closing): Promise<void> {
  const { record, family } = closing;
  const packing = packingOf(record)?.body;
  if (packing?.oldParts !== 'keep them as donor parts') return;
  const replaced = scopeOf(record, family).filter(
    ({ action, standing }) => action === 'replace' && (standing === 'done' || standing === 'supplied'),
  );
  const hard = replaced.flatMap(({ partRef }) => (partRef && !findPart(family, partRef)?.soft ? [partRef] : []));
  await setAside(closing, new Set(hard), `${packing.oldPartsSaidBy}: ${packing.oldParts}`);
}

const giving: JobCommand<'give-part', undefined, undefined> = {
  verb: 'give-part',
  decider: supply.givePart,
  prepare: () => ({ facts: undefined }),
};

/** Writes into the unit's own record where its part went; the stock of donors holds it already. */
async function tellUnit({ remember: _remember, entry: _entry, ...context }: Context, code: string, to: Tag | null) {
  const { tag, partRef } = idOf(code);
  const name = context.actor.kind === 'person' ? context.actor.name : 'Puddlestone';
  const service: Context = { ...context, actor: { kind: 'service', name } };
  await changeJob(service, giving, { tag, command: { tag: tagField.parse(tag), partRef, to } });
}

/** Says where a part comes from; of a donor part, in both records. */
export const chooseSource = forVerb('choose-source', async (context, command): Promise<ResultOf<'choose-source'>> => {
  const { record } = await findJob(context.database, command.tag);
  const before = sourceOf(record, command.partRef)?.body.donor?.id ?? null;
  const job: JobCommand<'choose-source', supply.SourceFacts, undefined> = {
    verb: 'choose-source',
    decider: supply.chooseSource,
    prepare: async (asking) => ({ facts: await reserve(asking) }),
  };
  const answer = await changeJob(context, job, { tag: command.tag, command });
  const after = command.source.source === 'donor' ? command.donorId : null;
  if (before && before !== after) await tellUnit(context, before, null);
  if (after && before !== after) await tellUnit(context, after, command.tag);
  return answer;
});
