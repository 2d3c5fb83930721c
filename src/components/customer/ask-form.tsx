'use client';

import { useState } from 'react';
import type { CustomerOffer } from '@/core/quoting';
import { act, type ActError } from '../act/act';
import { showAnew } from '../act/show-anew';
import { useDraft } from '../act/use-draft';
import { useWords } from '../words/words';
import { Button, ErrorNote, issueFor, TextArea, TextField } from '../ui/form';

/** A question to the shop: it is kept on the job and answered here and by mail. */
export function AskForm({ token, offer }: { readonly token: string; readonly offer: CustomerOffer }) {
  const { say } = useWords();
  const { quote } = offer;
  const [words, setWords] = useDraft(`customer.${quote.id}.question`);
  const [name, setName] = useDraft(`customer.${quote.id}.name`);
  const [error, setError] = useState<ActError | null>(null);
  const [isBusy, setBusy] = useState(false);
  const send = async () => {
    setBusy(true);
    setError(null);
    const answer = await act('ask-question', { quoteId: quote.id, name, words }, { link: token });
    setBusy(false);
    if (answer.ok) {
      setWords(null);
      showAnew();
    } else if ('error' in answer) setError(answer.error);
  };
  return (
    <details className="mt-4 border-t border-line pt-2">
      <summary className="min-h-11 cursor-pointer content-center font-semibold">{say('form.askUs')}</summary>
      <div className="space-y-3 py-2">
        <TextField
          label={say('form.name')}
          value={name}
          onChange={(event) => setName(event.target.value)}
          error={issueFor(error, 'name')}
        />
        <TextArea
          label={say('form.question')}
          value={words}
          onChange={(event) => setWords(event.target.value)}
          error={issueFor(error, 'words')}
        />
        <ErrorNote error={error} />
        <Button disabled={isBusy} onClick={send}>
          {say('form.sendQuestion')}
        </Button>
        {offer.shop.telephone && (
          <p className="text-13 text-quiet">{say('form.orRing', { telephone: offer.shop.telephone })}</p>
        )}
      </div>
    </details>
  );
}
