import type { Metadata } from 'next';
import { perform, readCustomerPage } from '@/server';
import { CustomerPage } from '@/components/customer/customer-page';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = {
  title: 'Your pump',
  robots: { index: false, follow: false },
  referrer: 'no-referrer',
};

export default async function CustomerLinkPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  return orExplain(
    async () => <CustomerPage token={token} view={await perform(readCustomerPage, await requestContext(token), {})} />,
    { linksHome: false },
  );
}
