import { chanceOf, type Schedule, type Varies } from '@/core/planning';
import { endOfWork } from '@/core/planning/open-times';
import { drawFrom } from '@/core/planning/quantiles';
import { present } from '@/core/present';

/**
 * The runs of a plan as one would play them with counters on a board: at every step all operations that may begin are
 * looked at, and the one that can begin first is done; among equals the one planned first. What would begin before its
 * time waits for it, unless it is the next one of all its hands and places. Only for work that pauses while nobody is
 * there, and without tests that fail.
 */
export function runsStepByStep({ problem, placed }: Schedule, { runs, seed, factorOf, leadOf }: Varies) {
  const { operations, jobs } = problem;
  const chance = chanceOf(seed);
  const plannedAt = (i: number) => present(placed[i]).start;
  const crewOf = (i: number) => present(placed[i]).crew;
  const inOrder = [...operations.keys()].toSorted((a, b) => plannedAt(a) - plannedAt(b));
  const ends = Array.from({ length: runs }, () => {
    const leads = jobs.map((_, j) => leadOf(j)).map((lead) => (lead ? drawFrom(lead, chance) : 1));
    const minutes = operations.map(({ minutes: usual }, i) => {
      const factor = factorOf(i);
      return Math.max(1, Math.round(factor ? usual * drawFrom(factor, chance) : usual));
    });
    const readyAt = (i: number) => {
      const { ready, job } = present(operations[i]);
      return Math.round(Math.max(ready, present(jobs[job]).ready) * present(leads[job]));
    };
    const done = new Map<number, number>();
    const held = new Set<number>();
    const usedUntil = (r: number) =>
      Math.max(0, ...[...done].flatMap(([i, end]) => (crewOf(i).resources.includes(r) ? [end] : [])));
    const canBegin = (i: number) => {
      const { before } = present(operations[i]);
      const free = crewOf(i).resources.map(usedUntil);
      return Math.max(readyAt(i), ...before.map((one) => present(done.get(one))), ...free);
    };
    const isNext = (i: number) =>
      crewOf(i).resources.every(
        (r) => inOrder.find((one) => !done.has(one) && crewOf(one).resources.includes(r)) === i,
      );
    while (done.size < operations.length) {
      const open = inOrder.filter((i) => !done.has(i) && present(operations[i]).before.every((one) => done.has(one)));
      const startOf = (i: number) => (held.has(i) ? Math.max(canBegin(i), plannedAt(i)) : canBegin(i));
      const first = Math.min(...open.map(startOf));
      const i = present(open.find((one) => startOf(one) === first));
      if (first < plannedAt(i) && !isNext(i)) {
        held.add(i);
        continue;
      }
      const { open: hours } = crewOf(i);
      const at = hours ? Math.max(first, present(hours.from[hours.indexAt(first)])) : first;
      done.set(i, endOfWork(hours, at, present(minutes[i])));
    }
    return jobs.map((job) => Math.max(...job.operations.map((i) => present(done.get(i)))));
  });
  return jobs.map((_, j) => ends.map((run) => present(run[j])).toSorted((a, b) => a - b));
}
