import type { Metadata } from 'next';
import { read } from '@/app/served';
import { DonorStock } from '@/components/parts/donor-stock';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';
import { firstParam, type SearchParam } from '@/app/search-param';

export const metadata: Metadata = { title: 'Donor parts' };

type Asked = Promise<{ family?: SearchParam; text?: SearchParam }>;

export default async function DonorsPage({ searchParams }: { searchParams: Asked }) {
  const { family, text } = await searchParams;
  const asked = { family: firstParam(family, 20) ?? '', text: firstParam(text, 100) ?? '' };
  return orExplain(async () => <DonorStock {...await read('readDonorStock', await requestContext(), asked)} />);
}
