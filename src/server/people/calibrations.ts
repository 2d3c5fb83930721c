import * as z from 'zod';
import { reason, refuse } from '@/core/change/decision';
import { DomainError } from '@/core/errors';
import { beyondWindow, findAction, standingReadings } from '@/core/bench';
import { actionTitle, type Family } from '@/core/family';
import { turnedBy, type PointVerdict } from '@/core/inspection';
import { addDays } from '@/core/planning';
import { present } from '@/core/present';
import type { Phase } from '@/core/record';
import { verdictWords } from '@/core/sums';
import {
  addCalibration,
  findInstrument,
  listCalibrations,
  listReadingsWith,
  listWorkWith,
  mostReadings,
  readShop,
  setDueOn,
  type Connection,
} from '@/db';
import { dayIn } from '../read/read-floor';
import { familyOfJob } from '../families';
import { findJob } from '../find-job';
import { defineUseCase, forVerb, inTransaction } from '../use-case';
import { noteDeed } from './deed';

const beginning = '1970-01-01';
const startOf = (day: string) => new Date(`${day}T00:00:00Z`);

/**
 * What an instrument measured that nobody can vouch for: since the day on which it was found good last, up to the one on
 * which it was found beyond its uncertainty. Empty while it was found good last.
 */
async function touchedBy(connection: Connection, code: string) {
  const [last, ...earlier] = await listCalibrations(connection, code);
  if (!last || last.isWithin) return { since: null, until: null, readings: [], work: [] };
  const good = earlier.find(({ isWithin }) => isWithin)?.onDay ?? beginning;
  const span = { code, from: startOf(good), until: startOf(addDays(last.onDay, 1)) };
  const readings = await listReadingsWith(connection, span);
  const work = await listWorkWith(connection, span);
  return { since: good === beginning ? null : good, until: last.onDay, readings, work };
}

/** Pumps of which it is reckoned whether a verdict would turn: the newest. */
const mostReckoned = 40;

interface TurnedPoint {
  readonly tag: string;
  readonly phase: Phase;
  readonly point: string;
  readonly is: string;
  readonly maybe: readonly string[];
  /** It was judged good to run, and may not be. */
  readonly mayBeOut: boolean;
}

/** Verdicts that would be others had the gauge read by its whole error too much or too little, of the newest pumps. */
async function turnedOf(
  connection: Connection,
  { code, error }: { readonly code: string; readonly error: number },
  tags: readonly string[],
): Promise<readonly TurnedPoint[]> {
  const turned: TurnedPoint[] = [];
  for (const tag of tags) {
    const { record, family } = await findJob(connection, tag);
    const readings = standingReadings(record, family);
    for (const phase of ['as-found', 'as-left'] as const)
      for (const { pointId, is, maybe } of turnedBy({ family, readings, phase }, { code, error })) {
        const point = family.points.find(({ id }) => id === pointId)?.title ?? pointId;
        turned.push({
          ...{ tag, phase, point },
          is: verdictSaid(is),
          maybe: maybe.map(verdictSaid),
          mayBeOut: is !== 'out' && maybe.includes('out'),
        });
      }
  }
  return turned;
}

const verdictSaid = (verdict: PointVerdict) => (verdict === 'tight' ? 'tight' : verdictWords[verdict]);

export const recordCalibration = forVerb('record-calibration', async (context, command) => {
  const { database, actor } = context;
  const { code, onDay, error, isWithin, nextDueOn } = command;
  const tool = await findInstrument(database, code);
  if (!tool) refuse('bad-input', reason('no-instrument', { code }), 'code');
  const shop = await readShop(database);
  const today = dayIn(shop?.zone ?? 'UTC', context.now());
  if (onDay > today) refuse('bad-input', reason('calibrated-later', { day: onDay }), 'onDay');
  const personName = actor.kind === 'person' ? actor.name : 'Puddlestone';
  return inTransaction(context, async (connection) => {
    const row = { ...command, id: context.newId() as string, error: error === null ? null : String(error) };
    await addCalibration(connection, { ...row, personName, at: context.now() });
    // One that was found beyond its uncertainty is used no more until it is found good again.
    await setDueOn(connection, code, isWithin && nextDueOn ? nextDueOn : addDays(onDay, -1));
    const found = isWithin ? 'good' : 'beyond its uncertainty';
    await noteDeed(context, connection, 'record-calibration', `wrote down that ${code} was found ${found}`);
    const { readings, work } = await touchedBy(connection, code);
    return { touched: readings.length, worked: work.length };
  });
});

type Built = Pick<Awaited<ReturnType<typeof listWorkWith>>[number], 'familyId' | 'familyVersion'>;
const keyOf = ({ familyId, familyVersion }: Built) => `${familyId} ${familyVersion}`;

/** Each pump as it is built, once. */
async function familiesOf(connection: Connection, rows: readonly Built[]): Promise<ReadonlyMap<string, Family>> {
  const families = new Map<string, Family>();
  for (const { familyId, familyVersion } of rows)
    if (!families.has(keyOf({ familyId, familyVersion })))
      families.set(
        keyOf({ familyId, familyVersion }),
        await familyOfJob(connection, { familyId, familyVersion, sheets: [] }),
      );
  return families;
}

/** “Rotor into the casing, casing bolts”. */
function workTitle({ step, action }: NonNullable<ReturnType<typeof findAction>>): string {
  const own = actionTitle(action);
  return own && own !== step.title ? `${step.title}: ${own}` : step.title;
}

type Listed = Pick<
  Awaited<ReturnType<typeof listWorkWith>>[number],
  'tag' | 'typed' | 'unit' | 'at' | 'personName' | 'closedAt' | 'customer' | 'maker' | 'model' | 'report'
>;
const shownOn = (
  { at, closedAt, maker, model, tag, typed, unit, personName, customer, report }: Listed,
  zone: string,
) => ({
  ...{ tag, typed, unit, personName, customer, report },
  ...{ on: dayIn(zone, at), pump: `${maker} ${model}`.trim(), isClosed: closedAt !== null },
});

/** An instrument with what was found of it, and what it measured that nobody can vouch for. */
export const readInstrument = defineUseCase({
  verb: 'read-instrument',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({ code: z.string().max(20) }),
  async run({ database, now }, { code }) {
    const tool = await findInstrument(database, code);
    if (!tool) throw new DomainError('not-found', { what: `There is no instrument ${code}.` });
    const [history, { readings, work, ...span }, shop] = await Promise.all([
      listCalibrations(database, code),
      touchedBy(database, code),
      readShop(database),
    ]);
    const zone = shop?.zone ?? 'UTC';
    const families = await familiesOf(database, [...readings, ...work]);
    const [latest] = history;
    const error = latest && !latest.isWithin && latest.error !== null ? Number(latest.error) : null;
    const tags = [...new Set(readings.map(({ tag }) => tag))];
    const reckoned = error === null ? [] : tags.slice(0, mostReckoned);
    return {
      ...{ tool, ...span, today: dayIn(zone, now()) },
      turned: error === null ? null : await turnedOf(database, { code, error }, reckoned),
      notReckoned: tags.length - reckoned.length,
      isCut: readings.length === mostReadings || work.length === mostReadings,
      history: history.map(({ error, at, ...row }) => ({
        ...row,
        ...{ error: error === null ? null : Number(error), at: at.toISOString() },
      })),
      touched: readings.map(({ pointId, place, phase, ...row }) => ({
        ...{ ...shownOn(row, zone), place, phase },
        point: families.get(keyOf(row))?.points.find(({ id }) => id === pointId)?.title ?? pointId,
      })),
      worked: work.map(({ actionId, phase, value, ...row }) => {
        const found = findAction(present(families.get(keyOf(row))), phase, actionId);
        const doubt = found && beyondWindow(found.action, value === null ? null : Number(value), error);
        return { ...shownOn(row, zone), phase, what: found ? workTitle(found) : actionId, doubt };
      }),
    };
  },
});
export type InstrumentShown = Awaited<ReturnType<typeof readInstrument.run>>;
