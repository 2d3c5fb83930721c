import type { PlanWeeks, WeekLoad } from '@/core/workload';
import { PlanLinks } from './plan-links';
import { dayWords } from './plan-words';
import { ListLink } from '../ui/list-link';

const full = 90;

/** A week of a hand or a place: the water stands as high as it has to do, to the brim and over. */
function Level({ load, name }: { readonly load: WeekLoad; readonly name: string }) {
  const { pct, monday } = load;
  if (pct === null) return <td className="text-center text-13 text-quiet">closed</td>;
  const isFull = pct >= full;
  return (
    <td className="p-1 align-bottom">
      <span
        title={`${name}, week of ${dayWords(monday)}: ${Math.round(load.workMinutes / 60)} h of ${Math.round(load.openMinutes / 60)} h`}
        className="relative block h-10 border-x border-b border-slate bg-sheet"
      >
        <span
          aria-hidden
          className={`absolute inset-x-0 bottom-0 ${isFull ? 'bg-jasper' : 'bg-lake'}`}
          style={{ height: `${Math.min(100, pct)}%`, opacity: isFull ? 1 : 0.45 }}
        />
        <span
          className={`num absolute inset-0 grid place-items-center text-13 ${isFull ? 'font-bold text-onink' : ''}`}
        >
          {pct > 0 && `${pct} %`}
        </span>
      </span>
    </td>
  );
}

/** Load of hands and places week by week, what is narrowest, and what was promised for each. */
export function WeeksPage({ shown }: { readonly shown: PlanWeeks }) {
  const { rows, weeks, fault } = shown;
  return (
    <div className="space-y-4 p-6">
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1">
        <h1 className="text-24 font-bold">Weeks</h1>
        <p className="text-quiet">What the plan has for each hand and place, of the hours that it is there</p>
        <ListLink list="weeks" />
        <PlanLinks className="ml-auto" />
      </div>
      {fault !== null && <p role="alert">{fault}</p>}
      {weeks.length > 0 && (
        <div className="overflow-x-auto" role="region" aria-label="Load by week" tabIndex={0}>
          <table className="w-full min-w-[720px] table-fixed">
            <thead>
              <tr className="text-left text-13 text-quiet">
                <th className="w-[150px] font-normal">Hand or place</th>
                {weeks.map(({ monday }, i) => (
                  <th key={monday} className={i ? 'font-normal' : 'font-bold text-ink'}>
                    {i ? dayWords(monday) : 'This week'}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <tr key={row.id}>
                  <th className="text-left">{row.name}</th>
                  {row.weeks.map((load) => (
                    <Level key={load.monday} load={load} name={row.name} />
                  ))}
                </tr>
              ))}
            </tbody>
            <tfoot className="border-t border-ink align-top text-13">
              <tr>
                <th className="py-1 text-left">Narrowest</th>
                {weeks.map(({ monday, narrowest }) => (
                  <td key={monday} className="py-1">
                    {narrowest ? (
                      <>
                        <b>{narrowest.name}</b> <span className="whitespace-nowrap">{narrowest.pct} %</span>
                      </>
                    ) : (
                      'nothing planned'
                    )}
                  </td>
                ))}
              </tr>
              <tr>
                <th className="py-1 text-left">Promised</th>
                {weeks.map(({ monday, promised, late }) => (
                  <td key={monday} className="py-1">
                    {promised || 'none'}
                    {late > 0 && <b className="text-jasper">, {late} ready later</b>}
                  </td>
                ))}
              </tr>
            </tfoot>
          </table>
        </div>
      )}
      <p className="text-13 text-quiet">
        Work that nobody has brought yet is not in it: a week that looks empty far ahead is one that can still be
        promised.
      </p>
    </div>
  );
}
