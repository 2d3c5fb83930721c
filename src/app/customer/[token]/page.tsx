import type { Metadata } from 'next';
import { perform, readCustomerPage, readShopSign } from '@/server';
import { DeadLink } from '@/components/customer/dead-link';
import { CustomerPage } from '@/components/customer/customer-page';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';
import { customerMetadata } from '../customer-metadata';
import { answerGone, isDead } from '../is-dead';

export const generateMetadata = (): Promise<Metadata> => customerMetadata('page.tab');

export default async function CustomerLinkPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const context = await requestContext(token);
  return orExplain(
    async () => {
      try {
        return <CustomerPage token={token} view={await perform(readCustomerPage, context, { token })} />;
      } catch (error) {
        if (!isDead(error)) throw error;
        answerGone(`/customer/${token}`);
        return <DeadLink shop={await perform(readShopSign, context, {})} />;
      }
    },
    { linksHome: false },
  );
}
