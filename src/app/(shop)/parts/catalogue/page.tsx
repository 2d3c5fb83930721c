import type { Metadata } from 'next';
import { read } from '@/app/served';
import { Catalogue } from '@/components/parts/catalogue';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';
import { firstParam, type SearchParam } from '@/app/search-param';

export const metadata: Metadata = { title: 'Catalogue' };

export default async function CataloguePage({ searchParams }: { searchParams: Promise<{ text?: SearchParam }> }) {
  const { text } = await searchParams;
  const asked = { text: firstParam(text, 100) ?? '' };
  return orExplain(async () => <Catalogue {...await read('readCatalogue', await requestContext(), asked)} />);
}
