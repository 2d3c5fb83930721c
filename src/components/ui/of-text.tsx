'use client';

import { useMemo, type ComponentType } from 'react';
import { asText, dataOfPages, type Sent } from './as-text';

/** What this browser has read from its page: the framework may ask for it again when the page has long changed. */
const read = new Map<string, unknown>();

function readHere(at: string, id: string): unknown {
  const place = `${id} ${at}`;
  if (!read.has(place)) read.set(place, JSON.parse(document.getElementById(at)?.textContent ?? ''));
  return read.get(place);
}

/**
 * A component whose props, plain data, come to the browser as one text of JSON: the framework takes a tree apart value by
 * value on its way, and sends what it drew from once more, as a script; of a job that took as long as drawing its page.
 * A text is read at once. In a page that comes whole it stands once, and the server draws from what was read, not from
 * the text. `src/app/page-data.ts` sends it.
 */
export function ofText<Props extends object>(Shown: ComponentType<Props>): ComponentType<Sent> {
  return function OfText(sent) {
    const text = 'text' in sent ? sent.text : null;
    const [at, id] = 'at' in sent ? [sent.at, sent.id] : [null, ''];
    const made = at === null ? undefined : dataOfPages()?.get(id)?.get(at);
    // Only `sent` writes it, from props of this very component.
    const props = useMemo(
      () => (made ?? (text === null ? readHere(at ?? '', id) : JSON.parse(text))) as Props,
      [made, text, at, id],
    );
    return (
      <>
        <Shown {...props} />
        {at !== null && (
          // After what is seen: a browser draws that while the data still come.
          <script
            id={at}
            type="application/json"
            suppressHydrationWarning
            dangerouslySetInnerHTML={{ __html: made ? asText<(given: object) => unknown>(made) : '' }}
          />
        )}
      </>
    );
  };
}
