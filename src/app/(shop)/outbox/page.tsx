import type { Metadata } from 'next';
import { read } from '@/app/served';
import { OutboxOfText, type Outbox } from '@/components/outbox/outbox';
import { sent } from '@/app/page-data';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';
import { firstParam, type SearchParam } from '@/app/search-param';

export const metadata: Metadata = { title: 'Outbox' };

export default async function OutboxPage({ searchParams }: { searchParams: Promise<{ before?: SearchParam }> }) {
  const { before } = await searchParams;
  return orExplain(async () => {
    const shown = await read('readOutbox', await requestContext(), { before: firstParam(before, 80) ?? null });
    return <OutboxOfText {...await sent<typeof Outbox>(shown)} />;
  });
}
