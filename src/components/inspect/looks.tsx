'use client';

import { useAct } from '../act/use-act';
import { useWaiting } from '../act/use-waiting';
import { FoundSomething } from '../bench/found-something';
import { sayMoment, type SheetProps } from '../job/view';
import { Button, ErrorNote } from '../ui/form';

/** Every hard part that came, looked at one by one: nothing seen, or what was found on it and what that points to. */
export function Looks({ view, isHere }: SheetProps) {
  const { record, family } = view;
  const here = new Set(
    record.parts.filter(({ state }) => state === 'present' || state === 'broken').map(({ ref }) => ref),
  );
  const parts = family.parts.filter(({ ref, soft }) => !soft && here.has(ref));
  const looked = new Set(record.looks.map(({ ref }) => ref));
  const left = parts.filter(({ ref }) => !looked.has(ref));
  const critical = left.filter((part) => part.critical).length;
  if (!parts.length) return null;
  return (
    <section aria-label="Looked at" className="border-t border-ink p-6">
      <h2 className="mb-2 font-bold">
        Looked at{' '}
        <small className="font-normal text-quiet">
          {parts.length - left.length} of {parts.length} parts
          {critical > 0 && `, ${critical} critical ${critical === 1 ? 'one' : 'ones'} left`}
        </small>
      </h2>
      <ul className="grid gap-x-8 lg:grid-cols-2">
        {parts.map((part) => (
          <LookRow key={part.ref} view={view} isHere={isHere} part={part} />
        ))}
      </ul>
    </section>
  );
}

interface RowProps extends SheetProps {
  readonly part: SheetProps['view']['family']['parts'][number];
}

function LookRow({ view, isHere, part }: RowProps) {
  const { record, family } = view;
  const { run, error, isBusy } = useAct();
  const look = record.looks.find(({ ref }) => ref === part.ref);
  const waits = useWaiting('look-at-parts', record.tag).some(({ parts }) =>
    parts.some(({ partRef }) => partRef === part.ref),
  );
  const known = family.damage.filter((damage) => damage.part === part.ref);
  const found = record.findings.filter((one) => one.kind === 'visual' && one.partRef === part.ref);
  return (
    <li id={`look-${part.ref}`} className="row space-y-1 px-2 py-2 first:border-0">
      <p>
        <b>{part.name}</b> {!look && waits && <span className="text-13 text-quiet">nothing seen, waits here</span>}
        {part.critical && !look && !waits && <span className="text-jasper">must be looked at</span>}
        {look && (
          <span className="text-13 text-quiet">
            {look.seen === 'nothing' ? 'nothing seen' : found.map((one) => one.words).join('; ')}, {look.personName},{' '}
            {sayMoment(look.at, view.zone)}
          </span>
        )}
      </p>
      {!look && known.length > 0 && (
        <p className="text-13 text-quiet">Usual here: {known.map(({ seen }) => seen.toLowerCase()).join('; ')}.</p>
      )}
      {isHere && (
        <div className="flex flex-wrap gap-2">
          {!look && !waits && (
            <Button
              verb="look-at-parts"
              aria-label={`Nothing seen on the ${part.name.toLowerCase()}`}
              className="min-h-12"
              disabled={isBusy}
              onClick={() =>
                void run(
                  'look-at-parts',
                  { tag: record.tag, parts: [{ partRef: part.ref, basedOn: 0 }] },
                  { label: `${part.name}: nothing seen`, place: `${record.tag} look ${part.ref}` },
                )
              }
            >
              Nothing seen
            </Button>
          )}
          <FoundSomething view={view} parts={[part.ref]} />
        </div>
      )}
      <ErrorNote error={error} />
    </li>
  );
}
