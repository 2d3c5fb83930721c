import type { Metadata } from 'next';
import { read } from '@/app/served';
import { ComparePage, withMark } from '@/components/library/compare-page';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';
import { allParams, type SearchParam } from '@/app/search-param';

export const metadata: Metadata = { title: 'Two builds' };

interface Props {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<Readonly<Record<string, SearchParam>>>;
}

export default async function CompareBuildsPage({ params, searchParams }: Props) {
  const { id: familyId } = await params;
  const all = allParams(await searchParams);
  const one = all.filter(([name]) => !name.startsWith(withMark));
  const other = all
    .filter(([name]) => name.startsWith(withMark))
    .map(([name, value]): [string, string] => [name.slice(withMark.length), value]);
  return orExplain(async () => {
    const context = await requestContext();
    const { family, built } = await read('readFamily', context, { familyId, words: one });
    const { built: second } = await read('readFamily', context, { familyId, words: other.length ? other : one });
    return <ComparePage key={`${built.version} ${second.version}`} family={family} one={built} other={second} />;
  });
}
