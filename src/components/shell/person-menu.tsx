'use client';

import { useFetched } from '../ui/use-fetched';
import { personButton } from './person-button';

interface Props {
  readonly name: string;
  readonly role: string;
  readonly others: readonly { readonly id: string; readonly name: string; readonly role: string }[];
}

/** Who is at this screen; on a bench tablet another person takes over by PIN. */
export function PersonMenu(props: Props) {
  const [Panel, ask] = useFetched<Props>(() => import('./person-panel').then((module) => module.PersonPanel));
  if (Panel) return <Panel {...props} />;
  return (
    <button type="button" aria-haspopup="dialog" aria-expanded={false} className={personButton} onClick={ask}>
      <b className="block">{props.name}</b>
      <span className="text-quiet">{props.role}</span>
    </button>
  );
}
