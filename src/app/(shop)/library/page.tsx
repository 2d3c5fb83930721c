import type { Metadata } from 'next';
import { perform, readShopView } from '@/server';
import { Library } from '@/components/library/library';
import { currentActor, requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = { title: 'Library' };

export default async function LibraryPage() {
  const actor = await currentActor();
  return orExplain(async () => (
    <Library
      {...await perform(readShopView, await requestContext(), {})}
      isOwner={actor.kind === 'person' && actor.role === 'owner'}
      canAddInstrument={actor.kind === 'person' && (actor.role === 'owner' || actor.role === 'inspector')}
    />
  ));
}
