'use client';

import { matterTable } from '@/core/policies';
import { matters, type Matter } from '@/core/record';
import { useAct } from '../act/use-act';
import { ErrorNote } from '../ui/form';

/** The shop's way in each matter in which good shops differ; the owner changes it, jobs that are open keep theirs. */
export function ShopPolicies({
  policies,
  isOwner,
}: {
  readonly policies: Readonly<Partial<Record<Matter, string>>>;
  readonly isOwner: boolean;
}) {
  const { run, error, isBusy } = useAct();
  const choose = (matter: Matter, school: string) =>
    run('change-settings', { policies: { ...policies, [matter]: school } });
  return (
    <section aria-label="Ways of this shop" className="lg:col-span-2">
      <h2 className="font-bold">
        Ways of this shop{' '}
        <small className="font-normal text-quiet">pumps that come in follow them; a job may depart with a reason</small>
      </h2>
      <ErrorNote error={error} />
      <ul>
        {matters.map((matter) => {
          const { title, schools, why } = matterTable[matter];
          const chosen = schools.find(({ id }) => id === policies[matter]) ?? schools[0];
          return (
            <li key={matter} className="row grid gap-x-4 py-1 first:border-0 sm:grid-cols-[1fr_1.2fr]">
              <span>
                {title}
                <small className="block text-quiet">{why}</small>
              </span>
              {isOwner ? (
                <select
                  aria-label={title}
                  className="field min-h-11"
                  value={chosen.id}
                  disabled={isBusy}
                  onChange={(event) => void choose(matter, event.target.value)}
                >
                  {schools.map(({ id, words }) => (
                    <option key={id} value={id}>
                      {words}
                    </option>
                  ))}
                </select>
              ) : (
                <span className={chosen === schools[0] ? '' : 'font-semibold'}>{chosen.words}</span>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
