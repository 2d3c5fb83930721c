import type { Failing, Trends } from '@/core/trends';
import { Tags } from './tags';

/** Days of a pump at each station, and who held it there. */
export function Stations({ trends: { byStation, held } }: { readonly trends: Trends }) {
  const longest = Math.max(1, ...byStation.map(({ days_p90 }) => days_p90));
  return (
    <section aria-label="Days by station" className="border-t border-ink pt-2">
      <h2 className="font-bold">Where the days go, and who held the pump</h2>
      <p className="text-13 text-quiet">
        Days of a pump at each station, its stays together: half took less than the bar, nine of ten less than the line.
        Beside it whose hands most of these days were in.
      </p>
      <ol>
        {byStation.map(({ station, days_p50, days_p90 }) => {
          const [most] = held.filter((one) => one.station === station);
          return (
            <li
              key={station}
              className="row grid grid-cols-[6rem_1fr_6rem_9rem] items-center gap-x-3 py-1 first:border-0"
            >
              <span>{station}</span>
              <span className="relative h-4" aria-hidden="true">
                <span
                  className="absolute inset-y-[7px] left-0 bg-line"
                  style={{ width: `${(100 * days_p90) / longest}%` }}
                />
                <span
                  className="absolute inset-y-0 left-0 bg-slate"
                  style={{ width: `${(100 * days_p50) / longest}%` }}
                />
              </span>
              <span className="num text-right text-13">
                {days_p50.toFixed(1)}, {days_p90.toFixed(1)}
              </span>
              <span className="text-13">{most && `${most.holder}, ${Math.round(most.pct)} %`}</span>
            </li>
          );
        })}
      </ol>
    </section>
  );
}

/** Parts of pumps alike, in one group. */
function groups(failing: readonly Failing[]): readonly (readonly Failing[])[] {
  const alike = new Map<string, Failing[]>();
  for (const one of failing) {
    const key = `${one.family} ${one.liquid}`;
    alike.set(key, [...(alike.get(key) ?? []), one]);
  }
  return [...alike.values()].toSorted((a, b) => (b[0]?.of ?? 0) - (a[0]?.of ?? 0));
}

const mostGroups = 12;

/** What is renewed again and again, by construction and liquid. */
export function FailingParts({ trends: { failing } }: { readonly trends: Trends }) {
  return (
    <section aria-label="What fails" className="border-t border-ink pt-2">
      <h2 className="font-bold">What fails, by construction and liquid</h2>
      <p className="text-13 text-quiet">
        Parts renewed or worked on after a finding, in at least two of at least three pumps alike.
      </p>
      {failing.length ? (
        <ol>
          {groups(failing)
            .slice(0, mostGroups)
            .map((own) => (
              <li key={`${own[0]?.family} ${own[0]?.liquid}`} className="row py-1 first:border-0">
                <b>{own[0]?.liquid || 'liquid not said'}</b>{' '}
                <span className="text-13 text-quiet">
                  {own[0]?.of} pumps, {own[0]?.family}
                </span>
                <ul className="grid gap-x-6 sm:grid-cols-2">
                  {own.map(({ part, tags, of }) => (
                    <li key={part}>
                      <details>
                        <summary className="grid min-h-8 cursor-pointer grid-cols-[1fr_3.5rem_4.5rem] items-center gap-x-2 text-13">
                          <span>{part}</span>
                          <span className="h-2 bg-line" aria-hidden="true">
                            <span className="block h-2 bg-slate" style={{ width: `${(100 * tags.length) / of}%` }} />
                          </span>
                          <span className="num whitespace-nowrap text-right">
                            {tags.length} of {of}
                          </span>
                        </summary>
                        <Tags tags={tags} />
                      </details>
                    </li>
                  ))}
                </ul>
              </li>
            ))}
        </ol>
      ) : (
        <p>No three pumps of one construction with one liquid went out yet.</p>
      )}
    </section>
  );
}

/** What was judged of each pump that came back. */
export function Comebacks({ trends: { judged } }: { readonly trends: Trends }) {
  if (!judged.length) return null;
  return (
    <section aria-label="Why they came back" className="border-t border-ink pt-2">
      <h2 className="font-bold">Why they came back</h2>
      <p className="text-13 text-quiet">Whose it was, as it was judged when the pump was back, and why.</p>
      <ol>
        {judged.map(({ tag, words }) => (
          <li key={tag} className="row grid grid-cols-[5rem_1fr] gap-x-3 py-1 text-13 first:border-0">
            <Tags tags={[tag]} />
            <span>{words}</span>
          </li>
        ))}
      </ol>
    </section>
  );
}
