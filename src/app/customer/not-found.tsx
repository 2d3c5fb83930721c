import { DeadLink } from '@/components/customer/dead-link';
import { perform, readShopSign } from '@/server';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

/** A link that opens nothing any more: answered with 404, in the customer's words. */
export default async function DeadCustomerLink() {
  const context = await requestContext();
  return orExplain(async () => <DeadLink shop={await perform(readShopSign, context, {})} />, { linksHome: false });
}
