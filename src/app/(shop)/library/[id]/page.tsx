import type { Metadata } from 'next';
import { read } from '@/app/served';
import { FamilyPage } from '@/components/library/family-page';
import { currentActor, requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';
import { allParams, type SearchParam } from '@/app/search-param';

export const metadata: Metadata = { title: 'Pump family' };

interface Props {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<Readonly<Record<string, SearchParam>>>;
}

export default async function LibraryFamilyPage({ params, searchParams }: Props) {
  const actor = await currentActor();
  const { id } = await params;
  const words = allParams(await searchParams);
  return orExplain(async () => {
    const { family, built, currency } = await read('readFamily', await requestContext(), {
      familyId: id,
      words,
    });
    return (
      <FamilyPage
        key={built.version}
        family={family}
        built={built}
        words={words}
        currency={currency}
        isOwner={actor.kind === 'person' && actor.role === 'owner'}
      />
    );
  });
}
