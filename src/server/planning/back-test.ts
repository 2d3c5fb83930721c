import { replayRecord } from '@/core/change';
import { standingOf } from '@/core/lifecycle';
import { present } from '@/core/present';
import type { JobId, JobRecord } from '@/core/record';
import { SumRefusal } from '@/core/sums';
import { calibrationOf, type Calibration, type PlannedPump } from '@/core/workload';
import {
  firstAnswerAt,
  listBackTests,
  listCalendars,
  listEvents,
  listHereAt,
  listUntested,
  readShop,
  saveBackTest,
  type BackTestMoment,
  type Connection,
} from '@/db';
import type { Context } from '../context';
import { familyOfJob } from '../families';
import { forecastHeavy } from '../sums/reckon-heavy';
import { forVerb } from '../use-case';
import { chancesNow, localTime, resourcesNow } from './plan-facts';

/** Pumps that one call reckons: some seconds, so that whoever waits sees it go on. */
const atOnce = 3;

const noFrame = { version: 0, headHash: '', earlierVisits: [], lotTerms: null, lotMates: [], likePumps: [] };

/** The record of a job as it was at a moment; null where it had not begun. */
async function recordAt(connection: Connection, id: JobId, at: Date): Promise<JobRecord | null> {
  const before = (await listEvents(connection, id)).filter((event) => Date.parse(event.at) <= at.getTime());
  if (!before.length) return null;
  try {
    return replayRecord(before, noFrame);
  } catch (error) {
    // A job from before events held their changes cannot be told as it was.
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/** A pump as the plan of a moment would have had it; null where nothing lay ahead of it. */
async function pumpAt(
  connection: Connection,
  { id, tag }: { id: JobId; tag: string },
  at: Date,
): Promise<PlannedPump | null> {
  const record = await recordAt(connection, id, at);
  if (!record) return null;
  const { work, remaining } = standingOf(record, await familyOfJob(connection, record));
  if (!work?.length) return null;
  return { tag, promisedOn: record.promisedOn, weight: 1, holdUntil: remaining.holdUntil, work };
}

interface Asked {
  readonly tag: string;
  readonly at: Date;
  readonly moment: BackTestMoment;
  readonly readyOn: string;
}

/** Draws up the plan of a moment of the past from what stood and was known then, and keeps what it says of one pump. */
async function testOne({ database, now }: Context, { tag, at, moment, readyOn }: Asked): Promise<void> {
  const [shop, here, resources, calendars, chances] = await Promise.all([
    readShop(database),
    listHereAt(database, at),
    resourcesNow(database),
    listCalendars(database),
    chancesNow(database, at),
  ]);
  const pumps: PlannedPump[] = [];
  for (const row of here) {
    const pump = await pumpAt(database, row, at);
    if (pump) pumps.push(pump);
  }
  const plan = {
    ...{ now: localTime(shop?.zone ?? 'UTC', at), resources, calendars, absences: [], wishes: [], pumps },
    ...{ answerDays: chances.answerDays, budgetMs: 60, ...(chances.partsDays && { partsDays: chances.partsDays }) },
  };
  const isPlanned = pumps.some((pump) => pump.tag === tag);
  const said = isPlanned ? await forecastHeavy({ plan, chances, tag }).catch(asNothing) : [];
  await saveBackTest(database, { tag, moment, said, readyOn, at: now() });
}

/** Of what no plan could be drawn up then nothing is said; it is not tried again. */
function asNothing(error: unknown): [] {
  if (error instanceof SumRefusal) return [];
  throw error;
}

/** Holds the next few pumps against the plans of the days on which they came in and were approved. */
export const backTest = forVerb('back-test', async (context) => {
  const { database } = context;
  const zone = (await readShop(database))?.zone ?? 'UTC';
  const { rows, left } = await listUntested(database, atOnce);
  for (const { id, tag, openedAt, releasedAt } of rows) {
    const readyOn = localTime(zone, present(releasedAt)).slice(0, 10);
    const answeredAt = await firstAnswerAt(database, id);
    if (answeredAt) await testOne(context, { tag, at: answeredAt, moment: 'answered', readyOn });
    await testOne(context, { tag, at: openedAt, moment: 'came in', readyOn });
  }
  return { tested: rows.length, left: left - rows.length };
});

export interface HowItHeld {
  readonly cameIn: Calibration;
  readonly answered: Calibration;
  /** How many pumps stand behind them, and how many are still to be held against their plans. */
  readonly pumps: number;
  readonly left: number;
}

/** How often the days that the plan says have held. */
export async function howItHeld(connection: Connection): Promise<HowItHeld> {
  const [tests, { left }] = await Promise.all([listBackTests(connection), listUntested(connection, 1)]);
  const told = tests.filter(({ said }) => said.length);
  const of = (moment: BackTestMoment) => calibrationOf(told.filter((one) => one.moment === moment));
  return { cameIn: of('came in'), answered: of('answered'), pumps: new Set(told.map(({ tag }) => tag)).size, left };
}
