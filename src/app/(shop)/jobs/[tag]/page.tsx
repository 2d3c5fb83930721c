import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { DomainError } from '@/core/errors';
import { stations, type Station } from '@/core/record';
import { audiences, perform, readJob } from '@/server';
import { GateBar } from '@/components/job/gate-bar';
import { JobHeader } from '@/components/job/job-header';
import { JobStream } from '@/components/job/job-stream';
import { Whose } from '@/components/ui/whose';
import { NewerFamily } from '@/components/job/newer-family';
import { StationSheet } from '@/components/job/station-sheet';
import type { JobView } from '@/components/job/view';
import { currentActor, requestContext } from '@/app/session';
import { familyForSheet } from './family-for-sheet';

interface Props {
  readonly params: Promise<{ tag: string }>;
  readonly searchParams: Promise<{ at?: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: (await params).tag };
}

async function readView(tag: string): Promise<JobView> {
  const [context, actor] = await Promise.all([requestContext(), currentActor()]);
  if (actor.kind !== 'person') notFound();
  try {
    return {
      ...(await perform(readJob, context, { tag })),
      audiences,
      person: { personId: actor.personId, name: actor.name, role: actor.role },
    };
  } catch (error) {
    if (error instanceof DomainError && (error.code === 'not-found' || error.code === 'bad-input')) notFound();
    throw error;
  }
}

export default async function JobPage({ params, searchParams }: Props) {
  const whole = await readView((await params).tag);
  const { at } = await searchParams;
  const shown: Station = stations.find((station) => station === at) ?? whole.record.station;
  const view: JobView = { ...whole, family: familyForSheet(whole.family, shown) };
  const isHere = shown === view.record.station && view.record.hold === null && view.record.closedAt === null;
  return (
    <div className="pb-40">
      <Whose audiences={view.audiences} role={view.person.role}>
        <JobHeader view={view} />
        <JobStream record={view.record} shown={shown} />
        <NewerFamily view={view} />
        <StationSheet key={shown} station={shown} view={view} isHere={isHere} />
        <GateBar view={view} shown={shown} />
      </Whose>
    </div>
  );
}
