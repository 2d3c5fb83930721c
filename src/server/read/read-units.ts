import * as z from 'zod';
import { tagField } from '@/core/change/inputs';
import { findPart, type Family } from '@/core/family';
import type { JobRecord } from '@/core/record';
import { sheetsOf } from '@/core/record';
import { SumRefusal } from '@/core/sums';
import {
  choicesOf,
  compareUnits,
  conditionOf,
  donorMatchOf,
  groupsOf,
  judgeNumber,
  numberKey,
  partCode,
  partsOffered,
  type PartCompared,
  type PartOffered,
} from '@/core/supply';
import { DomainError } from '@/core/errors';
import { crossingNumbers, listFreeDonors, type Connection } from '@/db';
import { findJob } from '../find-job';
import { reckonHeavy } from '../sums/reckon-heavy';
import { defineUseCase } from '../use-case';

const staff = ['coordinator', 'technician', 'inspector', 'parts'] as const;

interface Unit {
  readonly record: JobRecord;
  readonly family: Family;
  readonly parts: readonly PartOffered[];
}

const withParts = ({ record, family }: Pick<Unit, 'record' | 'family'>): Unit => ({
  ...{ record, family },
  parts: partsOffered(record, family),
});

/** A pump with the other units of its lot that are of the same family. */
async function unitsOf(connection: Connection, tag: string): Promise<readonly [Unit, ...Unit[]]> {
  const own = withParts(await findJob(connection, tag));
  const mates = await Promise.all(own.record.lotMates.map((mate) => findJob(connection, mate.tag)));
  return [own, ...mates.filter(({ family }) => family.id === own.family.id).map(withParts)];
}

interface Proposed {
  readonly ref: string;
  readonly tag: string;
  readonly reason: string;
}
const matched = z.object({ matches: z.array(z.object({ slot: z.string(), unit: z.string(), reason: z.string() })) });

/** Whether the own part is as good as the proposed one: then it stays where it is. */
function keepsOwn(cells: PartCompared['cells'], proposed: string, own: string): boolean {
  const [theirs, ours] = [cells[proposed], cells[own]];
  if (!theirs || !ours || ours.givenTo) return false;
  return theirs.condition === ours.condition && theirs.wearPct === ours.wearPct && theirs.number === ours.number;
}

/** What the sum proposes for each slot of a pump; nothing where it cannot be reckoned now. */
async function proposalsFor(rows: readonly PartCompared[], own: Unit): Promise<readonly Proposed[]> {
  const input = donorMatchOf(rows, own.record.tag, groupsOf(own.family));
  if (!input.slots.length || !input.candidates.length) return [];
  try {
    const { result } = await reckonHeavy('donor-match', input);
    const { matches } = matched.parse(result);
    const choices = choicesOf(rows);
    return matches.flatMap(({ slot, unit, reason }) => {
      const set = choices.find(({ ref }) => ref === slot)?.rows ?? [];
      const stays = set.every(({ cells }) => keepsOwn(cells, unit, own.record.tag));
      return set.map(({ ref }) => ({ ref, tag: stays ? own.record.tag : unit, reason }));
    });
  } catch (error) {
    if (error instanceof SumRefusal) return [];
    throw error;
  }
}

/** The units of a lot side by side, part by part, with what the sum proposes for this pump and what was chosen. */
export const readUnits = defineUseCase({
  verb: 'read-units',
  audience: staff,
  input: z.strictObject({ tag: tagField }),
  async run({ database }, { tag }) {
    const units = await unitsOf(database, tag);
    const [own] = units;
    const compared = units.map(({ record, parts }) => ({ tag: record.tag, parts }));
    const rows = compareUnits(compared, own.family);
    const chosen = sheetsOf(own.record, 'source').filter(({ body }) => body.source === 'donor');
    return {
      units: units.map(({ record }) => ({
        ...{ tag: record.tag, unit: record.lot?.unit ?? 1, serial: record.pump.serial, station: record.station },
        ...{ owner: record.customer.name, outcome: record.outcome },
      })),
      rows,
      proposals: units.length > 1 ? await proposalsFor(rows, own) : [],
      chosen: chosen.map(({ key, body, personName }) => ({
        ...{ ref: key, tag: body.from, by: personName, reason: body.reason },
      })),
    };
  },
});
export type UnitsShown = Awaited<ReturnType<typeof readUnits.run>>;

type Row = Awaited<ReturnType<typeof listFreeDonors>>[number];
/** A row of the donor stock as a part that is offered: what is cracked was never set aside. */
const asOffered = ({ partRef, name, number, look, tray, wearPct }: Omit<Row, 'tag' | 'owner'>): PartOffered => ({
  ...{ ref: partRef, name, number, isNumberRead: true, look, isCracked: false, tray, givenTo: '' },
  wearPct: wearPct === null ? null : Number(wearPct),
});

/** Free parts of units that stay as donors, and left-overs, that could go in. */
async function freeStock(
  connection: Connection,
  family: Family,
  part: Family['parts'][number],
  crossing: readonly string[],
) {
  const keys = [part.number, ...part.superseded, ...part.alternatives, ...crossing].map(numberKey);
  const [like, crossed] = await Promise.all([
    listFreeDonors(connection, { familyId: family.id, partRef: part.ref }),
    listFreeDonors(connection, { keys }),
  ]);
  const both = [...like, ...crossed];
  return both.filter((row, i) => both.findIndex((one) => one.tag === row.tag && one.partRef === row.partRef) === i);
}

/** Parts of other units that could go into a pump: of its lot, and of the donor stock; the least worn first. */
export const readDonors = defineUseCase({
  verb: 'read-donors',
  audience: staff,
  input: z.strictObject({ tag: tagField, partRef: z.string().max(60) }),
  async run({ database }, { tag, partRef }) {
    const [own, ...mates] = await unitsOf(database, tag);
    const part = findPart(own.family, partRef);
    if (!part) throw new DomainError('not-found', { what: `${tag} has no part ${partRef}.` });
    const crossing = await crossingNumbers(database, part.number);
    const beside = mates.flatMap(({ record, parts }) =>
      parts
        .filter(({ ref, givenTo }) => ref === partRef && (!givenTo || givenTo === tag))
        .map((found) => ({ ...found, tag: record.tag, owner: record.customer.name })),
    );
    const stock = (await freeStock(database, own.family, part, crossing))
      .filter((row) => row.tag !== tag && !beside.some((one) => one.tag === row.tag))
      .map(({ tag: unit, owner, ...row }) => ({ ...asOffered(row), tag: unit, owner }));
    return [...beside, ...stock]
      .map((found) => ({
        ...{ id: partCode(found.tag, found.ref), ...found, condition: conditionOf(found) },
        verdict: judgeNumber(found.number, part, { ...own.family, crossing }).verdict,
      }))
      .toSorted((a, b) => (a.wearPct ?? 1000) - (b.wearPct ?? 1000));
  },
});
export type DonorShown = Awaited<ReturnType<typeof readDonors.run>>[number];
