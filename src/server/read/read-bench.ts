import * as z from 'zod';
import { tagField } from '@/core/change/inputs';
import { DomainError } from '@/core/errors';
import type { Station } from '@/core/record';
import { listJobsAround } from '@/db';
import type { Context } from '../context';
import { defineUseCase } from '../use-case';
import { keptPlan } from '../planning/kept-plan';
import { localTime } from '../planning/plan-facts';
import { readStanding } from '../standings';
import { floorFrame, stripOf } from './read-floor';

/** Where a pump is worked on with the hands. */
const benchStations: readonly Station[] = ['receive', 'teardown', 'clean', 'inspect', 'rebuild', 'test'];
/** What a tablet can hold well; those promised first. */
const mostHeld = 60;

/** When the work of each pump begins for a hand, by the plan as it was drawn up last; from now on, local time. */
async function beginsFor({ database }: Context, hand: string, now: string): Promise<ReadonlyMap<string, string>> {
  const kept = await keptPlan(database);
  if (!kept) return new Map();
  const { operations } = kept.plan;
  const ahead = operations.filter(({ resources, end }) => resources.includes(hand) && end > now);
  const starts = new Map<string, string>();
  for (const { job, start } of ahead) if (start < (starts.get(job) ?? '9')) starts.set(job, start);
  return starts;
}

/**
 * What a tablet at the bench holds for a time without a line: the jobs that stand at the bench and those that it was
 * asked for, with the versions of their records, and who may do what.
 */
export const readBench = defineUseCase({
  verb: 'read-bench',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({ tags: z.array(tagField).max(40) }),
  async run(context, { tags }) {
    const { actor, database } = context;
    if (actor.kind !== 'person') throw new DomainError('not-allowed');
    const frame = await floorFrame(context);
    const now = localTime(frame.zone, frame.now);
    const [rows, starts] = await Promise.all([
      listJobsAround(database, { stations: benchStations, tags, limit: mostHeld }),
      beginsFor(context, actor.personId, now),
    ]);
    return {
      person: { personId: actor.personId, name: actor.name, role: actor.role },
      zone: frame.zone,
      today: now.slice(0, 10),
      jobs: rows.map((row) => {
        const { tag, pump, customer, station, move, detail, onHold, promisedOn } = stripOf(
          row,
          readStanding(row.shownHash, row.standing),
          frame,
        );
        return {
          ...{ tag, version: row.version, pump, customer, station, move, detail, onHold, promisedOn },
          mineFrom: starts.get(tag) ?? null,
        };
      }),
    };
  },
});
export type BenchShown = Awaited<ReturnType<typeof readBench.run>>;
