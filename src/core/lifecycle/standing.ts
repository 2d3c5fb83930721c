import * as z from 'zod';
import type { Family } from '../family';
import { judgePoints } from '../inspection';
import { awaited, hasQuoteAnswer, needsOf, toOrder } from '../parts';
import type { Remaining } from '../planning';
import { currentQuote, rebuildRound, stations, type Holder, type JobRecord } from '../record';
import { sayDay } from './answer-line';
import { holderAt } from './transition';
import { gateFor } from './gates';

/** What the floor shows of a job, kept beside it and reckoned anew at every change. */
export const standingSchema = z.object({
  holder: z.enum(['U', 'B', 'S', 'C', 'P', 'O']),
  /** The next move: a verb phrase, and what goes with it. */
  move: z.string(),
  detail: z.string(),
  /** What exactly is waited for, to go after "waiting for". */
  waitingFor: z.string(),
  remaining: z.object({
    benchMinutesBeforeAnswer: z.number(),
    answerAwaited: z.boolean(),
    partsLeadDays: z.number(),
    partsDueOn: z.string().nullable(),
    benchMinutesAfterParts: z.number(),
    standMinutes: z.number(),
    holdUntil: z.string().nullable(),
  }),
});
export type Standing = z.infer<typeof standingSchema>;

type Words = Pick<Standing, 'move' | 'detail' | 'waitingFor'>;
const words = (move: string, detail: string, waitingFor: string): Words => ({ move, detail, waitingFor });
const plural = (count: number, one: string, many = `${one}s`) => `${count} ${count === 1 ? one : many}`;

function receiveWords(record: JobRecord, family: Family): Words {
  const first = gateFor('begin-teardown', record, family)[0];
  return first
    ? words(
        first.words,
        '',
        first.anchor === 'liquid'
          ? 'the liquid to be declared'
          : `this: ${first.words.charAt(0).toLowerCase()}${first.words.slice(1)}`,
      )
    : words('Begin teardown', 'the gate is open', 'a free bench');
}

function teardownWords(record: JobRecord, family: Family): Words {
  const done = record.steps.filter((step) => step.phase === 'teardown').length;
  return words(
    'Teardown',
    `step ${Math.min(done + 1, family.teardown.length)} of ${family.teardown.length}`,
    `teardown, ${done} of ${family.teardown.length} steps done`,
  );
}

function inspectWords(record: JobRecord, family: Family): Words {
  const states = judgePoints({ family, readings: record.readings, phase: 'as-found' });
  const left = states.filter(
    (state) => state.verdict === null || (!state.point.derived && state.taken < state.wanted),
  ).length;
  const out = states.filter((state) => state.verdict === 'out');
  const found = out.length ? ` · ${out[0]!.point.title.toLowerCase()} out` : '';
  const open = gateFor('finish-inspection', record, family).length;
  if (!open)
    return words(
      'Close the inspection',
      `${left ? `${plural(left, 'point')} left, none critical` : 'all measured'}${found}`,
      `the inspection to be closed${left ? `, ${plural(left, 'point')} not measured and none critical` : ''}`,
    );
  return left
    ? words(`${plural(left, 'point')} left`, `inspection${found}`, `${plural(left, 'point')} to be measured`)
    : words('Decide', `${plural(open, 'disposition')} open${found}`, 'dispositions');
}

function rebuildWords(record: JobRecord, family: Family): Words {
  const round = rebuildRound(record);
  const done = record.steps.filter((step) => step.phase === 'rebuild' && step.round === round);
  const unsigned = family.rebuild.find(
    (step) => step.hold_point && done.some((one) => one.stepId === step.id && !one.second),
  );
  const next = family.rebuild.findIndex((step) => !done.some((one) => one.stepId === step.id));
  const again = round > 1 ? ' again after test' : '';
  if (unsigned)
    return words(
      'Hold point',
      `second person for ${unsigned.title.toLowerCase()}`,
      `a second person at the hold point ${unsigned.title.toLowerCase()}`,
    );
  if (next < 0) return words('As-left readings', `then to the stand${again}`, 'the as-left readings');
  return words(
    family.rebuild[next]!.title,
    `step ${next + 1} of ${family.rebuild.length}${again}`,
    `rebuild${again}, ${done.length} of ${family.rebuild.length} steps done`,
  );
}

function partsWords(record: JobRecord, family: Family): Words {
  const needs = needsOf(record, family);
  const open = toOrder(needs);
  const coming = awaited(needs);
  if (open.length)
    return words(
      'Order',
      `${plural(open.length, 'part')}, longest ${plural(Math.max(...open.map((need) => need.leadDays)), 'day')}`,
      `us to order ${plural(open.length, 'part')}`,
    );
  if (!coming.length) return words('Start rebuild', 'all parts are in', 'a free bench');
  const short = coming.find((need) => need.received > 0 && need.received < need.quantity);
  const due = coming
    .map((need) => need.dueOn)
    .filter(Boolean)
    .sort()
    .at(-1);
  return words(
    'Receive',
    `${short ? `${short.name.toLowerCase()} short` : plural(coming.length, 'part')}${due ? `, due ${sayDay(due)}` : ''}`,
    `${plural(coming.length, 'part')} from the supplier${due ? `, due ${sayDay(due)}` : ''}`,
  );
}

function testWords(record: JobRecord): Words {
  const run = record.runs.at(-1);
  if (!run || run.decision === 'failed')
    return words('Run on the stand', run ? `second try after run ${run.run}` : 'first run', 'a run on the stand');
  return run.verdict === 'pass'
    ? words('Sign the test', `run ${run.run} passed`, 'the tester’s signature')
    : words('Decide on run', `run ${run.run} failed`, 'a decision on the failed run');
}

function wordsOf(record: JobRecord, family: Family): Words {
  const quote = currentQuote(record);
  if (record.hold) return words('On hold', record.hold.reason, `the end of the hold: ${record.hold.reason}`);
  switch (record.station) {
    case 'receive':
      return receiveWords(record, family);
    case 'teardown':
      return teardownWords(record, family);
    case 'clean':
      return words(
        'Clean',
        `${plural(gateFor('finish-cleaning', record, family).length, 'part')} left`,
        `cleaning, ${plural(gateFor('finish-cleaning', record, family).length, 'part')} left`,
      );
    case 'inspect':
      return inspectWords(record, family);
    case 'quote':
      return words(
        quote ? 'Send quote' : 'Draw up quote',
        quote ? `revision ${quote.revision}` : 'from the dispositions',
        `us to send quote revision ${quote?.revision ?? 1}`,
      );
    case 'approve':
      return hasQuoteAnswer(record)
        ? words('Go on', 'the answer is in', 'us to go on with the answer')
        : words(
            'Answer',
            `to quote revision ${quote?.revision ?? 1}`,
            `approval of quote revision ${quote?.revision ?? 1}`,
          );
    case 'parts':
      return partsWords(record, family);
    case 'rebuild':
      return rebuildWords(record, family);
    case 'test':
      return testWords(record);
    case 'report':
      return record.reports.length
        ? words('To return', 'the report is issued', 'its way to dispatch')
        : words('Issue report', 'the test is passed', 'us to issue the report');
    case 'return':
      return record.returned
        ? words('Deliver', 'released', 'delivery')
        : words(
            'Release',
            record.outcome === 'declined' ? 'declined, goes back as it is' : 'ports blanked and packed',
            'release',
          );
  }
}

function remainingOf(record: JobRecord, family: Family): Remaining {
  const at = stations.indexOf(record.station);
  const minutes = (station: string) =>
    family.labour.filter((task) => task.station === station && !task.when).reduce((sum, task) => sum + task.minutes, 0);
  const share = (phase: 'teardown' | 'rebuild', total: number) => {
    const round = phase === 'rebuild' ? rebuildRound(record) : 1;
    const done = record.steps.filter((step) => step.phase === phase && step.round === round).length;
    return 1 - Math.min(1, done / total);
  };
  const before = (index: number) => at < index;
  const teardown = before(1)
    ? minutes('teardown')
    : at === 1
      ? minutes('teardown') * share('teardown', family.teardown.length)
      : 0;
  const declined = record.outcome === 'declined';
  const needs = needsOf(record, family);
  const lead = before(6)
    ? Math.max(0, ...family.kits.map((kit) => kit.lead_days))
    : Math.max(0, ...toOrder(needs).map((need) => need.leadDays));
  const coming =
    at >= 6
      ? awaited(needs)
          .map((need) => need.dueOn)
          .filter((due): due is string => Boolean(due))
      : [];
  return {
    benchMinutesBeforeAnswer: declined ? 0 : teardown + (before(4) ? minutes('inspect') : 0),
    answerAwaited: !declined && at <= 5,
    partsLeadDays: declined ? 0 : lead,
    partsDueOn: coming.sort().at(-1) ?? null,
    benchMinutesAfterParts: declined
      ? 0
      : before(7)
        ? minutes('rebuild')
        : at === 7
          ? minutes('rebuild') * share('rebuild', family.rebuild.length)
          : 0,
    standMinutes: declined || at > 8 ? 0 : minutes('test'),
    holdUntil: record.hold?.until ?? null,
  };
}

/** Holder, next move and what remains of a job, from its whole record. Pure. */
export function standingOf(record: JobRecord, family: Family): Standing {
  const needs = needsOf(record, family);
  const holder: Holder = holderAt(
    { station: record.station, hold: record.hold, outcome: record.outcome, closed: record.closedAt !== null },
    { toOrder: toOrder(needs).length, awaited: awaited(needs).length },
  );
  return { holder, ...wordsOf(record, family), remaining: remainingOf(record, family) };
}
