import type { Metadata } from 'next';
import { perform, readFloor } from '@/server';
import { FloorOfText, type Floor } from '@/components/floor/floor';
import { asText } from '@/components/ui/as-text';
import { firstParam, type SearchParam } from '../search-param';
import { requestContext } from '../session';

export const metadata: Metadata = { title: 'Floor' };

export default async function FloorPage({ searchParams }: { searchParams: Promise<{ after?: SearchParam }> }) {
  const { after } = await searchParams;
  const floor = await perform(readFloor, await requestContext(), { after: firstParam(after) ?? null });
  return <FloorOfText text={asText<typeof Floor>(floor)} />;
}
