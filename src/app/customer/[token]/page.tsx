import type { ComponentProps } from 'react';
import type { Metadata } from 'next';
import { read } from '@/app/served';
import { DeadLink } from '@/components/customer/dead-link';
import { CustomerPage } from '@/components/customer/customer-page';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';
import { customerMetadata } from '../customer-metadata';
import { answerGone, isDead } from '../is-dead';

export const generateMetadata = (): Promise<Metadata> => customerMetadata('page.tab');

/** The offer, and beside it what it is made of: by that its script takes it up (`../offer-script`). */
function Offer(props: ComponentProps<typeof CustomerPage>) {
  const data = JSON.stringify(props).replaceAll('<', String.raw`\u003c`);
  return (
    <>
      <div id="offer" data-without-framework>
        <CustomerPage {...props} />
      </div>
      <script type="application/json" id="offer-data" dangerouslySetInnerHTML={{ __html: data }} />
    </>
  );
}

export default async function CustomerLinkPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const context = await requestContext(token);
  return orExplain(
    async () => {
      try {
        return <Offer token={token} view={await read('readCustomerPage', context, { token })} />;
      } catch (error) {
        if (!isDead(error)) throw error;
        answerGone(`/customer/${token}`);
        return (
          <div data-without-framework>
            <DeadLink shop={await read('readShopSign', context, {})} />
          </div>
        );
      }
    },
    { linksHome: false },
  );
}
