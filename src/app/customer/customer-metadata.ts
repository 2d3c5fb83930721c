import type { Metadata } from 'next';
import { read } from '@/app/served';
import { english, speak } from '@/words';
import { requestContext } from '@/app/session';

/** What a browser says of a customer's page, in the language of the shop's papers; nobody else shall find it. */
export async function customerMetadata(title: 'page.tab' | 'own.tab'): Promise<Metadata> {
  const { catalogue } = await read('readShopSign', await requestContext(), {});
  const { say } = catalogue ? speak(catalogue) : english;
  return { title: say(title), robots: { index: false, follow: false }, referrer: 'no-referrer' };
}
