import { sayMoment } from '../job/view';

export interface SignIn {
  readonly id: string;
  readonly how: string;
  readonly agent: string;
  /** Address of the network; empty where it is not known. */
  readonly client: string;
  readonly tabletName: string | null;
  readonly startedAt: string;
  readonly seenAt: string;
  /** Somebody took the device over: it only sends what was entered by then. */
  readonly isParked: boolean;
  /** Whether it is the one that is looked from. */
  readonly isThis?: boolean;
}

interface Props {
  readonly sessions: readonly SignIn[];
  readonly zone: string;
  readonly onEnd: (session: SignIn) => void;
}

/** Where a person is signed in, since when and how, with the way to end each. */
export function SignIns({ sessions, zone, onEnd }: Props) {
  if (!sessions.length) return <p className="text-13 text-quiet">Signed in nowhere.</p>;
  return (
    <ul>
      {sessions.map((one) => (
        <li key={one.id} className="row flex items-baseline gap-3 py-1 text-13 first:border-0">
          <span className="min-w-0 flex-1">
            <b>{one.tabletName ?? one.agent}</b>
            {one.isThis && ' (this one)'}
            <span className="block text-quiet">
              {one.tabletName && `${one.agent}, `}by {one.how}, since {sayMoment(one.startedAt, zone)}
              {one.isParked
                ? '; taken over, only sends what was entered'
                : `; last used ${sayMoment(one.seenAt, zone)}`}
              {one.client && `, from ${one.client}`}
            </span>
          </span>
          <button type="button" className="min-h-11 font-semibold underline" onClick={() => onEnd(one)}>
            End
          </button>
        </li>
      ))}
    </ul>
  );
}
