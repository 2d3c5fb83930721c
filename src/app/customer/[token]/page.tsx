import type { Metadata } from 'next';
import { DomainError } from '@/core/errors';
import { perform, readCustomerPage, readShopSign } from '@/server';
import { CustomerPage } from '@/components/customer/customer-page';
import { DeadLink } from '@/components/customer/dead-link';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

export const metadata: Metadata = {
  title: 'Your pump',
  robots: { index: false, follow: false },
  referrer: 'no-referrer',
};

/** Refusals that mean a link is dead: it stands for nobody, or for nothing that was sent. */
const isDead = (error: unknown) =>
  error instanceof DomainError && ['not-signed-in', 'not-allowed', 'link-not-valid', 'not-found'].includes(error.code);

export default async function CustomerLinkPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const context = await requestContext(token);
  return orExplain(
    async () => {
      try {
        return <CustomerPage token={token} view={await perform(readCustomerPage, context, { token })} />;
      } catch (error) {
        if (!isDead(error)) throw error;
        return <DeadLink shop={await perform(readShopSign, context, {})} />;
      }
    },
    { linksHome: false },
  );
}
