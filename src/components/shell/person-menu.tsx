'use client';

import { useFetched } from '../ui/use-fetched';
import { personButton } from './person-button';
import type { PersonAtScreen } from './person-panel';

/** Who is at this screen; on a bench tablet another person takes over by PIN. */
export function PersonMenu(props: PersonAtScreen) {
  const [Panel, ask] = useFetched<PersonAtScreen>(() => import('./person-panel').then((module) => module.PersonPanel));
  if (Panel) return <Panel {...props} />;
  return (
    <button type="button" aria-haspopup="dialog" aria-expanded={false} className={personButton} onClick={ask}>
      <b className="block">{props.name}</b>
      <span className="text-quiet">{props.role}</span>
    </button>
  );
}
