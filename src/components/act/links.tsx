import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { InputOf } from '@/contract';
import { Button, ErrorNote } from '../ui/form';
import { useAct } from './use-act';

type MakingVerb = 'make-feed' | 'make-customer-page';
type EndingVerb = 'end-feed' | 'end-customer-page';

/** Makes links under which somebody reads without signing in: a link's address is known only when it is made. */
export function useLinks<Making extends MakingVerb>(making: Making) {
  const router = useRouter();
  const { run, error, isBusy } = useAct();
  const [made, setMade] = useState<string | null>(null);
  const make = async (input: InputOf<Making>) => {
    const done = await run(making, input);
    if (!done) return;
    setMade(`${window.location.origin}${done.path}`);
    router.refresh();
  };
  const end = async (ending: EndingVerb, id: string) => {
    if (await run(ending, { id })) router.refresh();
  };
  return { make, end, made, error, isBusy };
}

export interface LinkMade {
  readonly id: string;
  /** What it shows, or whom it is for. */
  readonly name: string;
  readonly personName: string;
  /** The day on which it was made, `YYYY-MM-DD`. */
  readonly on: string;
}

interface Props {
  readonly links: readonly LinkMade[];
  readonly state: Pick<ReturnType<typeof useLinks>, 'made' | 'error' | 'isBusy' | 'end'>;
  readonly ending: EndingVerb;
}

/** The address of the link that was just made, and those that go on, each with who made it and the way to end it. */
export function Links({ links, state: { made, error, isBusy, end }, ending }: Props) {
  return (
    <>
      {made && (
        <p role="status" className="mt-2 border-l-4 border-moss bg-sheet px-3 py-2 break-all">
          {made}
        </p>
      )}
      <ErrorNote error={error} />
      <ul className="mt-2">
        {links.map(({ id, name, personName, on }) => (
          <li key={id} className="row flex flex-wrap items-center gap-x-4 first:border-0">
            <b>{name}</b>
            <span className="text-13 text-quiet">
              made by {personName}, {on}
            </span>
            <Button verb={ending} tone="quiet" disabled={isBusy} onClick={() => void end(ending, id)}>
              End it
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}
