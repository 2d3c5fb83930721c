import type { Spread } from '@/core/planning';
import { leastLeads, leastWorked, runsFor, type PlanShown } from '@/core/workload';

const times = ({ p10, p90 }: Spread) => `${p10.toFixed(2)} to ${p90.toFixed(2)} times`;

/** From what the days and ranges of the plan are reckoned, and how much of it is the shop's own history. */
export function PlanReckoning({ shown }: { readonly shown: PlanShown }) {
  const { answerDays, answers, failRate, workSpread, timed, leadSpread, leadByHouse, orders, partsDays } = shown;
  const days = [answerDays.p10, answerDays.p50, answerDays.p90].map((one) => one.toFixed(1));
  const houses = Object.entries(leadByHouse);
  return (
    <p className="text-13 text-quiet">
      A day is a basin: its depth is the hours it is open, the first work lies lowest. Dark red is a late pump. P, C and
      O float: parts, answers, work outside. Days are from one plan of finite hands; ready ranges from{' '}
      {runsFor(shown.pumps.length).toLocaleString('en-GB')} runs of it with answers after {days[0]}, {days[1]} or{' '}
      {days[2]} days ({answers >= 8 ? `from ${answers} of our own` : 'taken as usual, for we have too few of our own'}),{' '}
      {Math.round(failRate * 100)} of 100 first tests failing, work of {times(workSpread)} what the families reckon (
      {timed >= leastWorked ? `from ${timed} pumps that we timed` : 'taken as usual until eight pumps are timed'}), and
      lead times of {times(leadSpread)} what was acknowledged (
      {orders >= leastLeads
        ? `from ${orders} orders${houses.map(([house, own]) => `; ${house} ${times(own)}`).join('')}`
        : 'taken as usual until eight orders have ended'}
      )
      {partsDays &&
        `; before anything is found, the last part after ${partsDays.p10.toFixed(0)} to ${partsDays.p90.toFixed(0)} days, as it was`}
      .
    </p>
  );
}
