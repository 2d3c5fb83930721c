import type { Metadata } from 'next';
import { read } from '@/app/served';
import { LibraryOfText, type Library } from '@/components/library/library';
import { sent } from '@/app/page-data';
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
  return orExplain(async () => {
    const context = await requestContext();
    const [{ people, ...view }, found] = await Promise.all([
      read('readShopView', context, {}),
      read('findConstruction', context, { text: seen }),
    ]);
    const role = actor.kind === 'person' ? actor.role : null;
    return (
      <LibraryOfText
        {...await sent<typeof Library>({
          ...{ ...view, seen, found, isOwner: role === 'owner' },
          canAddInstrument: role === 'owner' || role === 'inspector',
          people: people.map(({ id, name, role, hasPin }) => ({ id, name, role, hasPin })),
        })}
      />
    );
  });
}
