import type { Metadata } from 'next';
import { read } from '@/app/served';
import { Shelf } from '@/components/parts/shelf';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';
import { firstParam, type SearchParam } from '@/app/search-param';

export const metadata: Metadata = { title: 'Shelf' };

type Asked = Promise<{ number?: SearchParam; elastomer?: SearchParam }>;

export default async function ShelfPage({ searchParams }: { searchParams: Asked }) {
  const { number, elastomer } = await searchParams;
  const asked = { number: firstParam(number, 60) ?? '', elastomer: firstParam(elastomer, 40) ?? '' };
  return orExplain(async () => <Shelf {...await read('readShelf', await requestContext(), asked)} />);
}
