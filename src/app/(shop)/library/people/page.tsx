import type { Metadata } from 'next';
import { StaffPage } from '@/components/library/staff-page';
import { read } from '@/app/served';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

interface Props {
  readonly searchParams: Promise<{ of?: string | string[] }>;
}

export const metadata: Metadata = { title: 'People' };

export default async function Page({ searchParams }: Props) {
  return orExplain(async () => {
    const { of } = await searchParams;
    const view = await read('readStaff', await requestContext(), { of: typeof of === 'string' && of ? of : null });
    return <StaffPage view={view} />;
  });
}
