'use client';

import { useMemo, type ComponentType } from 'react';

/**
 * A component whose props, plain data, come to the browser as one text of JSON: the framework takes a tree apart value by
 * value on its way, which for a job took as long as drawing its page; a text goes as it is, and is read at once.
 * `as-text` writes it.
 */
export function ofText<Props extends object>(Shown: ComponentType<Props>): ComponentType<{ readonly text: string }> {
  return function OfText({ text }) {
    // Only `asText` writes it, from props of this very component.
    const props = useMemo(() => JSON.parse(text) as Props, [text]);
    return <Shown {...props} />;
  };
}
