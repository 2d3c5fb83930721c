import type { Metadata } from 'next';
import { read } from '@/app/served';
import { DeadLink } from '@/components/customer/dead-link';
import { OwnPumps } from '@/components/customer/own-pumps';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';
import { customerMetadata } from '../../customer-metadata';
import { answerGone, isDead } from '../../is-dead';

export const generateMetadata = (): Promise<Metadata> => customerMetadata('own.tab');

/** How all pumps of a customer stand, by its link. */
export default async function Page({ params }: { params: Promise<{ token: string }> }) {
  const context = await requestContext();
  const asked = await params;
  return orExplain(
    async () => {
      try {
        return (
          <div data-without-framework>
            <OwnPumps view={await read('readOwnPumps', context, asked)} />
          </div>
        );
      } catch (error) {
        if (!isDead(error)) throw error;
        answerGone(`/customer/pumps/${asked.token}`);
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
