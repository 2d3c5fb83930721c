import { present } from '../present';
import { commonTimes, openTimesOf, type OpenTimes } from './open-times';
import { minuteOf } from './plan-clock';
import {
  PlanFault,
  type Crew,
  type Operation,
  type OperationAsked,
  type PlanAsked,
  type PlanJob,
  type Problem,
} from './plan-problem';

/** More crews than this are not looked at for one operation: the least versatile of each need are. */
const mostCrews = 120;

const fault = (path: string, message: string): never => {
  throw new PlanFault(path, message);
};

function refuseTwice(ids: readonly string[], pathOf: (i: number) => string): void {
  const seen = new Set<string>();
  for (const [i, id] of ids.entries()) {
    if (seen.has(id)) fault(pathOf(i), `“${id}” stands there twice`);
    seen.add(id);
  }
}

/** The minute of a time that may be left out, and never before the start. */
function timeAt(text: string | undefined, path: string, startMs: number): number {
  if (text === undefined) return 0;
  return Math.max(0, minuteOf(text, startMs) ?? fault(path, `“${text}” is no time such as 2026-11-23T07:00`));
}

interface Tools {
  readonly asked: PlanAsked;
  readonly startMs: number;
  /** Places of resources by skill, the least versatile first. */
  readonly bySkill: ReadonlyMap<string, readonly number[]>;
  readonly open: readonly (OpenTimes | null)[];
  /** Crews by the needs that they meet, each with its longest opening: many operations need the same. */
  readonly known: Map<string, readonly AbleCrew[]>;
  /** When those of several calendars are there at once, by the names of the calendars. */
  readonly common: Map<string, OpenTimes | null>;
}
interface AbleCrew {
  readonly crew: Crew;
  readonly longest: number;
}

function readSkills({ resources }: PlanAsked): ReadonlyMap<string, readonly number[]> {
  const bySkill = new Map<string, number[]>();
  for (const [i, { skills }] of resources.entries())
    for (const skill of new Set(skills)) bySkill.set(skill, [...(bySkill.get(skill) ?? []), i]);
  const width = (i: number) => new Set(present(resources[i]).skills).size;
  return new Map([...bySkill].map(([skill, own]) => [skill, own.toSorted((a, b) => width(a) - width(b) || a - b)]));
}

/** Every way to give each need a resource of its own; of very many only those of the first ones of each need. */
function crewsOf(needs: readonly string[], path: string, tools: Tools): readonly Crew[] {
  const openOf = (crew: readonly number[]) => {
    const own = crew.map((i) => tools.asked.resources[i]?.calendar ?? '').filter(Boolean);
    const key = [...new Set(own)].toSorted().join('\n');
    if (!tools.common.has(key)) tools.common.set(key, commonTimes(crew.map((i) => tools.open[i] ?? null)));
    return tools.common.get(key) ?? null;
  };
  const pools = needs.map(
    (skill, i) => tools.bySkill.get(skill) ?? fault(`${path}.needs.${i}`, `nobody has “${skill}”`),
  );
  let width = Math.max(...pools.map(({ length }) => length));
  const countAt = (most: number) => pools.reduce((count, pool) => count * Math.min(pool.length, most), 1);
  while (width > needs.length && countAt(width) > mostCrews) width -= 1;
  let crews: readonly (readonly number[])[] = [[]];
  for (const pool of pools)
    crews = crews.flatMap((crew) =>
      pool
        .filter((i) => !crew.includes(i))
        .slice(0, width)
        .map((i) => [...crew, i]),
    );
  if (!crews.length) fault(`${path}.needs`, `nobody is left over for all of ${needs.join(', ')} at once`);
  const skillsOf = (crew: readonly number[]) =>
    crew.reduce((sum, i) => sum + present(tools.asked.resources[i]).skills.length, 0);
  return crews.toSorted((a, b) => skillsOf(a) - skillsOf(b)).map((crew) => ({ resources: crew, open: openOf(crew) }));
}

/** The longest opening in the first ten weeks. */
function longestOpening(open: OpenTimes | null): number {
  if (!open) return Infinity;
  const until = 10 * 7 * 1440;
  let longest = 0;
  for (let i = open.indexAt(0); i >= 0 && i < open.to.length && (open.from[i] ?? 0) < until; i++) {
    open.indexAt(open.to[i] ?? 0);
    longest = Math.max(longest, (open.to[i] ?? 0) - (open.from[i] ?? 0));
  }
  return longest;
}

function ableCrews(needs: readonly string[], path: string, tools: Tools): readonly AbleCrew[] {
  const key = needs.join('\n');
  const known = tools.known.get(key);
  if (known) return known;
  const able = crewsOf(needs, path, tools).map((crew) => ({ crew, longest: longestOpening(crew.open) }));
  tools.known.set(key, able);
  return able;
}

/** Crews that have an opening long enough, or any opening where the work may pause. */
function crewsInTime({ id, needs, minutes, split }: OperationAsked, path: string, tools: Tools): readonly Crew[] {
  const able = ableCrews(needs, path, tools).filter(({ longest }) => longest >= (split ? 1 : minutes));
  if (able.length) return able.map(({ crew }) => crew);
  return fault(
    `${path}.minutes`,
    split
      ? `“${id}”: those who can do it are never there at the same time`
      : `“${id}” takes ${minutes} minutes in one piece, longer than any opening of those who can do it`,
  );
}

/** Places of a job's operations, each after those that it follows; refused where they run in a circle. */
function inOrder(ids: readonly string[], before: readonly (readonly number[])[], path: string): readonly number[] {
  const order: number[] = [];
  const done = new Set<number>();
  while (order.length < ids.length) {
    const next = ids.findIndex((_, i) => !done.has(i) && present(before[i]).every((one) => done.has(one)));
    if (next < 0) {
      const stuck = ids.filter((_, i) => !done.has(i));
      return fault(`${path}.operations`, `${stuck.map((id) => `“${id}”`).join(', ')} wait for each other in a circle`);
    }
    done.add(next);
    order.push(next);
  }
  return order;
}

function readJob(job: PlanAsked['jobs'][number], j: number, first: number, tools: Tools) {
  const { startMs } = tools;
  const path = `jobs.${j}`;
  const ids = job.operations.map(({ id }) => id);
  refuseTwice(ids, (i) => `${path}.operations.${i}.id`);
  const placeOf = (id: string, at: string) => {
    const place = ids.indexOf(id);
    return place < 0 ? fault(at, `no operation “${id}” in job “${job.id}”`) : place;
  };
  const before = job.operations.map(({ after }, i) => {
    if (!after) return i ? [i - 1] : [];
    return [...new Set(after)].map((id, k) => placeOf(id, `${path}.operations.${i}.after.${k}`));
  });
  const order = inOrder(ids, before, path);
  const operations = job.operations.map((operation, i): Operation => {
    const { id, minutes, ready, split } = operation;
    const at = `${path}.operations.${i}`;
    const crews = crewsInTime(operation, at, tools);
    const after = ids.flatMap((_, k) => (present(before[k]).includes(i) ? [first + k] : []));
    return {
      ...{ id, job: j, minutes, split, crews, after, before: present(before[i]).map((k) => first + k) },
      ready: timeAt(ready, `${at}.ready`, startMs),
    };
  });
  const read: PlanJob = {
    ...{ id: job.id, weight: job.weight, ready: timeAt(job.ready, `${path}.ready`, startMs) },
    due: job.due === undefined ? null : minuteOf(job.due, startMs),
    operations: order.map((i) => first + i),
  };
  if (job.due !== undefined && read.due === null)
    fault(`${path}.due`, `“${job.due}” is no time such as 2026-11-23T07:00`);
  return { operations, read };
}

/**
 * A plan's question with every name looked up.
 * @throws PlanFault that names what cannot be planned: a name twice, an unknown skill, calendar or predecessor, a circle,
 * a time that is none, work that fits into no opening
 */
export function readProblem(asked: PlanAsked): Problem {
  const startMs =
    (minuteOf(asked.start) ?? fault('start', `“${asked.start}” is no time such as 2026-11-23T07:00`)) * 60_000;
  refuseTwice(
    asked.calendars.map(({ id }) => id),
    (i) => `calendars.${i}.id`,
  );
  refuseTwice(
    asked.resources.map(({ id }) => id),
    (i) => `resources.${i}.id`,
  );
  refuseTwice(
    asked.jobs.map(({ id }) => id),
    (i) => `jobs.${i}.id`,
  );
  const times = new Map(asked.calendars.map((one) => [one.id, openTimesOf(one, startMs)]));
  const open = asked.resources.map(({ calendar }, i) =>
    calendar === undefined
      ? null
      : (times.get(calendar) ?? fault(`resources.${i}.calendar`, `no calendar “${calendar}”`)),
  );
  const tools = { asked, startMs, open, bySkill: readSkills(asked), known: new Map(), common: new Map() };
  const operations: Operation[] = [];
  const jobs = asked.jobs.map((job, j) => {
    const { operations: own, read } = readJob(job, j, operations.length, tools);
    operations.push(...own);
    return read;
  });
  return {
    ...{ startMs, objective: asked.objective, budgetMs: asked.budgetMs, jobs, operations },
    resources: asked.resources.map(({ id, calendar }, i) => ({
      id,
      calendar: calendar ?? null,
      open: open[i] ?? null,
    })),
  };
}
