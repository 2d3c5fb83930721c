'use client';

import type { Catalogue } from '@/words';
import { InWords, useWords } from '../words/words';
import { WordMark } from '../signs/stream';

interface Shop {
  readonly name: string;
  readonly place: string;
  readonly telephone: string;
}

/** What a customer reads whose link opens nothing any more: why that may be, and whom to ring. */
export function DeadLink({ shop }: { readonly shop: Shop & { readonly catalogue?: Catalogue | null } }) {
  return (
    <InWords catalogue={shop.catalogue}>
      <Said shop={shop} />
    </InWords>
  );
}

function Said({ shop: { name, place, telephone } }: { readonly shop: Shop }) {
  const { say, language } = useWords();
  return (
    <div lang={language} className="mx-auto max-w-[640px] p-6">
      <p className="flex items-center gap-2 font-bold">
        <WordMark />
        {name}, {place}
      </p>
      <h1 className="mt-6 text-24 font-bold">{say('dead.title')}</h1>
      <p className="mt-2">{say('dead.why')}</p>
      <p className="mt-2">
        {telephone ? (
          <>
            {say('dead.ring')}{' '}
            <a className="font-semibold underline" href={`tel:${telephone.replaceAll(' ', '')}`}>
              {telephone}
            </a>
            {say('dead.orAnswer')}
          </>
        ) : (
          say('dead.answer')
        )}
      </p>
    </div>
  );
}
