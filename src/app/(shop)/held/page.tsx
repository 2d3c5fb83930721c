import type { Metadata } from 'next';
import { read } from '@/app/served';
import { HeldRoom } from '@/components/held/held-room';
import { requestContext } from '@/app/session';

export const metadata: Metadata = { title: 'On this device' };

/** What a device holds: the browser fills it in, also in place of a page that nobody brings. */
export default async function Page() {
  const context = await requestContext();
  // The page around it leads to the sign-in.
  if (context.actor.kind !== 'person') return null;
  const { tablet } = await read('readHead', context, {});
  return <HeldRoom isTablet={tablet !== null} />;
}
