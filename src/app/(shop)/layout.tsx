import { Link } from '@/components/ui/link';
import { redirect } from 'next/navigation';
import type { ReactNode } from 'react';
import { read } from '@/app/served';
import { OwnerNotices } from '@/components/shell/owner-notices';
import { FindBox } from '@/components/shell/find-box';
import { PersonMenu } from '@/components/shell/person-menu';
import { Scan } from '@/components/shell/scan';
import { TopNav } from '@/components/shell/top-nav';
import { LineSign } from '@/components/shell/line-sign';
import { BenchKeeper } from '@/components/held/bench-keeper';
import { SignDefinitions, WordMark } from '@/components/signs/stream';
import { SignedIn } from '@/components/act/maker';
import { currentActor, makeEntryPass, requestContext } from '../session';

export default async function ShopLayout({ children }: { children: ReactNode }) {
  const actor = await currentActor();
  const context = await requestContext();
  if (actor.kind !== 'person') redirect((await read('readFirstVisit', context, {})).isEmpty ? '/welcome' : '/sign-in');
  const [{ zone, tablet, others }, pass, notices] = await Promise.all([
    read('readHead', context, {}),
    makeEntryPass(),
    actor.role === 'owner' ? read('readOwnerNotices', context, {}) : null,
  ]);
  return (
    <>
      <a href="#main" className="absolute left-2 top-[-60px] z-50 bg-ink px-3 py-2 text-onink focus:top-2">
        To the content
      </a>
      <header className="grid print:hidden grid-cols-[auto_1fr] items-center gap-x-6 gap-y-2 border-b border-line px-6 py-2 lg:grid-cols-[auto_minmax(240px,1fr)_auto_auto]">
        <Link href="/" className="flex items-center gap-2 text-18 font-bold tracking-tight">
          <WordMark />
          Puddlestone
        </Link>
        <div className="min-w-0 max-sm:order-3 max-sm:col-span-2">
          <FindBox />
        </div>
        <div className="max-sm:order-4 max-sm:col-span-2">
          <TopNav />
        </div>
        <div className="flex items-center justify-end gap-4">
          <LineSign zone={zone} />
          <PersonMenu name={actor.name} role={actor.role} tablet={tablet?.name ?? null} others={others} />
        </div>
      </header>
      {notices && <OwnerNotices {...notices} />}
      <main id="main">{children}</main>
      <SignedIn personId={actor.personId} name={actor.name} pass={pass} />
      <BenchKeeper personId={actor.personId} isTablet={tablet !== null} />
      <Scan />
      <SignDefinitions />
    </>
  );
}
