import type { Metadata } from 'next';
import { findConstruction, perform, readShopView } from '@/server';
import { Library } from '@/components/library/library';
import { currentActor, requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';
import { firstParam, type SearchParam } from '@/app/search-param';

export const metadata: Metadata = { title: 'Library' };

interface Props {
  readonly searchParams: Promise<{ readonly seen?: SearchParam }>;
}

export default async function LibraryPage({ searchParams }: Props) {
  const actor = await currentActor();
  const seen = firstParam((await searchParams).seen, 200) ?? '';
  return orExplain(async () => (
    <Library
      {...await perform(readShopView, await requestContext(), {})}
      seen={seen}
      found={await perform(findConstruction, await requestContext(), { text: seen })}
      isOwner={actor.kind === 'person' && actor.role === 'owner'}
      canAddInstrument={actor.kind === 'person' && (actor.role === 'owner' || actor.role === 'inspector')}
    />
  ));
}
