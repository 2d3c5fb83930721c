import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { perform, readCustomerPage } from '@/server';
import { CustomerPage } from '@/components/customer/customer-page';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';
import { isDead } from '../is-dead';

export const metadata: Metadata = {
  title: 'Your pump',
  robots: { index: false, follow: false },
  referrer: 'no-referrer',
};

export default async function CustomerLinkPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const context = await requestContext(token);
  return orExplain(
    async () => {
      try {
        return <CustomerPage token={token} view={await perform(readCustomerPage, context, { token })} />;
      } catch (error) {
        if (isDead(error)) notFound();
        throw error;
      }
    },
    { linksHome: false },
  );
}
