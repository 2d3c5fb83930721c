'use client';

import { useState } from 'react';
import type { SheetProps } from '../job/view';
import { FetchedAtOnce } from '../ui/fetched-at-once';
import { Button } from '../ui/form';

/** Damage, with a picture, on one of the lit parts; the action waits as it was. */
export function FoundSomething({
  view,
  parts,
}: {
  readonly view: SheetProps['view'];
  readonly parts: readonly string[];
}) {
  const [isOpen, setOpen] = useState(false);
  const button = (
    <Button className="min-h-14" onClick={() => setOpen(true)}>
      Found something
    </Button>
  );
  if (!isOpen) return button;
  return (
    <FetchedAtOnce
      fetchIt={() => import('./found-form').then((module) => module.FoundForm)}
      props={{ view, parts, onClose: () => setOpen(false) }}
      waiting={button}
    />
  );
}
