import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { DomainError } from '@/core/errors';
import { stations, type Station } from '@/core/record';
import { read, served } from '@/app/served';
import { JobRoomOfText, type JobRoom } from '@/components/job/job-room';
import type { JobView } from '@/components/job/view';
import { orExplain } from '@/app/explain';
import { sent } from '@/app/page-data';
import type { SearchParam } from '@/app/search-param';
import { currentActor, requestContext } from '@/app/session';
import { conversionOf, familyForSheet } from '@/components/job/family-for-sheet';

interface Props {
  readonly params: Promise<{ tag: string }>;
  readonly searchParams: Promise<{ at?: SearchParam }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: (await params).tag };
}

async function readView(tag: string): Promise<JobView> {
  const [context, actor] = await Promise.all([requestContext(), currentActor()]);
  if (actor.kind !== 'person') notFound();
  try {
    return {
      ...(await read('readJob', context, { tag })),
      audiences: served().audiences,
      person: { personId: actor.personId, name: actor.name, role: actor.role },
    };
  } catch (error) {
    if (error instanceof DomainError && (error.code === 'not-found' || error.code === 'bad-input')) notFound();
    throw error;
  }
}

export default async function JobPage({ params, searchParams }: Props) {
  return orExplain(async () => {
    const whole = await readView((await params).tag);
    const { at } = await searchParams;
    const shown: Station = stations.find((station) => station === at) ?? whole.record.station;
    const view: JobView = {
      ...whole,
      family: familyForSheet(whole.family, shown),
      conversion: conversionOf(whole.family),
    };
    return <JobRoomOfText {...await sent<typeof JobRoom>({ view, shown })} />;
  });
}
