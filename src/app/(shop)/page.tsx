import type { Metadata } from 'next';
import { read } from '@/app/served';
import { FloorOfText, type Floor } from '@/components/floor/floor';
import { sent } from '@/app/page-data';
import { firstParam, type SearchParam } from '../search-param';
import { requestContext } from '../session';

export const metadata: Metadata = { title: 'Floor' };

export default async function FloorPage({ searchParams }: { searchParams: Promise<{ after?: SearchParam }> }) {
  const { after } = await searchParams;
  const floor = await read('readFloor', await requestContext(), { after: firstParam(after) ?? null });
  return <FloorOfText {...await sent<typeof Floor>(floor)} />;
}
