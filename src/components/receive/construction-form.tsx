'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Build, FamilyCard } from '@/core/family';
import { useAct } from '../act/use-act';
import { Section } from '../signs/section';
import { Button, ErrorNote, issueFor } from '../ui/form';
import { drawChosen, sentBuild, showBuild, type Construction } from './construction';
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
}

/** The pump on the bench is built otherwise than it was received: the right construction is chosen by its drawing. */
export function ConstructionForm({ tag, pump, families, now, isOpen }: Props) {
  const router = useRouter();
  const { run, error, isBusy } = useAct();
  const [construction, setConstruction] = useState<Construction>({
    familyId: now.familyId,
    ...showBuild(now.build),
  });
  const family = families.find((one) => one.id === construction.familyId);
  const send = async () => {
    const answer = await run('correct-construction', {
      tag,
      familyId: construction.familyId,
      ...sentBuild(construction),
    });
    if (answer) router.push(`/jobs/${tag}${answer.asksElastomer ? '?at=receive#elastomer' : ''}`);
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
        {isOpen ? (
          <ConstructionChooser
            families={families}
            chosen={family}
            hint="choose by what stands on the bench"
            construction={construction}
            onChange={setConstruction}
            issues={{
              familyId: issueFor(error, 'familyId'),
              axes: issueFor(error, 'axes'),
              size: issueFor(error, 'size'),
              counts: issueFor(error, 'counts'),
            }}
          />
        ) : (
          <p>
            Steps, captures or parts are recorded by this construction; they would stand for nothing in another. It
            stays as it is.
          </p>
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
            <Section
              drawing={drawChosen(family, construction)}
              pins={{}}
              showsPins={false}
              title={`Section of ${family.title}`}
            />
          </>
        )}
        <div className="mt-4 space-y-3">
          <ErrorNote error={error} />
          {isOpen && (
            <Button verb="correct-construction" tone="main" className="w-full" disabled={isBusy} onClick={send}>
              It is built so
            </Button>
          )}
          <Link href={`/jobs/${tag}`} className="inline-flex min-h-11 items-center underline">
            Back to <span className="num ml-1">{tag}</span>
          </Link>
          {isOpen && (
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
