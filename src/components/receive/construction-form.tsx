'use client';

import { Link } from '../ui/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Build, FamilyCard } from '@/core/family';
import type { ActError } from '../act/act';
import { useAct } from '../act/use-act';
import { SectionPicture } from '../signs/section-picture';
import { Button, ErrorNote, issueFor, TextField } from '../ui/form';
import { BuildFields } from './build-fields';
import { pictureOf, sentBuild, sentConversion, showBuild, type Construction } from './construction';
import { ConstructionChooser } from './construction-chooser';

interface Props {
  readonly tag: string;
  readonly pump: string;
  readonly families: readonly FamilyCard[];
  readonly now: {
    readonly familyId: string;
    readonly title: string;
    readonly elastomer: string;
    readonly build: Build;
  };
  /** Nothing is recorded yet by the construction of now. */
  readonly isOpen: boolean;
  /** No quote is drawn up yet: how it is built, and how it goes back, can still be said. */
  readonly isBuildOpen: boolean;
}

const issuesOf = (error: ActError | null) => ({
  familyId: issueFor(error, 'familyId'),
  axes: issueFor(error, 'axes'),
  size: issueFor(error, 'size'),
  counts: issueFor(error, 'counts'),
});

interface GoingBackProps {
  readonly family: FamilyCard;
  readonly came: Construction;
  readonly goesBack: Construction | null;
  readonly onChange: (construction: Construction | null) => void;
}

/** A conversion: the pump goes back otherwise than it came. */
function GoingBack({ family, came, goesBack, onChange }: GoingBackProps) {
  if (!family.axes.length) return null;
  if (!goesBack)
    return (
      <Button tone="plain" onClick={() => onChange(came)}>
        It goes back otherwise: a conversion
      </Button>
    );
  return (
    <section aria-labelledby="goes-back" className="border-t border-line pt-3">
      <h2 id="goes-back" className="font-bold">
        It goes back as
      </h2>
      <p className="text-13 text-quiet">
        It is taken apart and measured as it came, put together and tested as it goes back. What leaves and what comes
        stands on the quote and in the report.
      </p>
      <BuildFields
        family={{ ...family, sizes: [], sets: [] }}
        construction={goesBack}
        onChange={onChange}
        issues={{}}
      />
      <Button tone="plain" className="mt-3" onClick={() => onChange(null)}>
        No, it goes back as it came
      </Button>
    </section>
  );
}

/** What was recorded and stands for nothing in the way it is built: read before the work goes on. */
function Dropped({ tag, dropped }: { readonly tag: string; readonly dropped: readonly string[] }) {
  return (
    <div className="space-y-3 p-6">
      <h1 className="text-24 font-bold">
        <span className="num">{tag}</span> is built so now
      </h1>
      <p>This was recorded and does not apply any more. It stays in the record; everything else stands as it was.</p>
      <ul className="list-disc pl-6">
        {dropped.map((what) => (
          <li key={what}>{what}</li>
        ))}
      </ul>
      <Link href={`/jobs/${tag}`} className="inline-flex min-h-12 items-center font-semibold underline">
        Go on with&nbsp;<span className="num">{tag}</span>
      </Link>
    </div>
  );
}

/** The pump on the bench is built otherwise than it was received, or goes back otherwise than it came. */
export function ConstructionForm({ tag, pump, families, now, isOpen, isBuildOpen }: Props) {
  const router = useRouter();
  const { run, error, isBusy } = useAct();
  const shown = showBuild(now.build);
  const [came, setCame] = useState<Construction>({ familyId: now.familyId, ...shown });
  const [goesBack, setGoesBack] = useState<Construction | null>(
    now.build.to ? { familyId: now.familyId, ...shown, axes: { ...shown.axes, ...now.build.to } } : null,
  );
  const [why, setWhy] = useState('');
  const [dropped, setDropped] = useState<readonly string[]>([]);
  const family = families.find((one) => one.id === came.familyId);
  const send = async () => {
    const answer = await run('correct-construction', {
      ...{ tag, familyId: came.familyId, reason: why },
      ...sentBuild(came),
      ...(family && sentConversion(family, came, goesBack)),
    });
    if (!answer) return;
    if (answer.dropped.length) setDropped(answer.dropped);
    else router.push(`/jobs/${tag}${answer.asksElastomer ? '?at=receive#elastomer' : ''}`);
  };
  if (dropped.length) return <Dropped tag={tag} dropped={dropped} />;
  const choose = (construction: Construction) => {
    setCame(construction);
    setGoesBack(null);
  };
  return (
    <div className="grid gap-x-8 p-6 pb-28 lg:grid-cols-[1fr_400px]">
      <div className="space-y-5">
        <h1 className="text-24 font-bold">
          <span className="num">{tag}</span> is built otherwise
        </h1>
        <p>
          {pump}, received as <b>{now.title}</b>.
        </p>
        {isOpen && (
          <ConstructionChooser
            families={families}
            chosen={family}
            hint="choose by what stands on the bench"
            construction={came}
            onChange={choose}
            issues={issuesOf(error)}
          />
        )}
        {!isOpen && isBuildOpen && family && (
          <section aria-labelledby="came-as">
            <h2 id="came-as" className="font-bold">
              It came as
            </h2>
            <p className="text-13 text-quiet">
              Work is recorded by this construction. What still applies stays; what does not is named and stays in the
              record.
            </p>
            <BuildFields family={family} construction={came} onChange={choose} issues={issuesOf(error)} />
          </section>
        )}
        {isBuildOpen && family && <GoingBack family={family} came={came} goesBack={goesBack} onChange={setGoesBack} />}
        {!isBuildOpen && (
          <p>A quote is drawn up for the way in which it is built, or it is past its inspection. It stays as it is.</p>
        )}
      </div>
      <aside className="lg:sticky lg:top-4 lg:self-start">
        {family && (
          <>
            <p className="mb-1 font-bold">{family.title}</p>
            <p className="mb-2 text-13 text-quiet">{family.duty}</p>
            {now.elastomer && !family.elastomers.includes(now.elastomer) && (
              <p className="mb-2 border-l-4 border-ochre pl-2">
                {now.elastomer} is written down for the seals and is not one of this construction. It becomes “as usual”
                until it is chosen again.
              </p>
            )}
            <SectionPicture src={pictureOf(family, goesBack ?? came)} title={`Section of ${family.title}`} />
          </>
        )}
        <div className="mt-4 space-y-3">
          <ErrorNote error={error} />
          {isBuildOpen && (
            <>
              {!isOpen && (
                <TextField
                  label="How it was seen, or why it is converted"
                  value={why}
                  onChange={(event) => setWhy(event.target.value)}
                  error={issueFor(error, 'reason')}
                />
              )}
              <Button verb="correct-construction" tone="main" className="w-full" disabled={isBusy} onClick={send}>
                It is built so
              </Button>
            </>
          )}
          <Link href={`/jobs/${tag}`} className="inline-flex min-h-11 items-center underline">
            Back to <span className="num ml-1">{tag}</span>
          </Link>
          {isBuildOpen && (
            <p className="text-13 text-quiet">
              Parts, points, steps and test follow the construction. What was written down at receiving stays; the
              change is in the record.
            </p>
          )}
        </div>
      </aside>
    </div>
  );
}
