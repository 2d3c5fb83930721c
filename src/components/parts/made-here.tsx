'use client';

import dynamic from 'next/dynamic';
import { useState } from 'react';
import { proposeScope } from '@/core/scope';
import { madeOf } from '@/core/supply';
import type { JobView } from '../job/view';
import { Button } from '../ui/form';

const MadePanel = dynamic(() => import('./made-panel').then((module) => module.MadePanel));

/** Parts that the shop makes by itself, each with its sketch: drawn before the price is named. */
export function MadeHere({ view }: { readonly view: JobView }) {
  const { record, family } = view;
  const [opened, setOpened] = useState<string | null>(null);
  const made = proposeScope({ family, record }).filter(({ action, partRef }) => action === 'make' && partRef);
  if (!made.length) return null;
  return (
    <section aria-label="Made here" className="mt-3 border-t border-line pt-3">
      <h3 className="font-bold">Made here</h3>
      <ul>
        {made.map(({ key, partRef, title }) => {
          const sketch = madeOf(record, partRef ?? '')?.body;
          const isOpen = opened === partRef;
          return (
            <li key={key} className="row py-1 first:border-0">
              <div className="flex items-center gap-4">
                <p className="flex-1">
                  <b>{title}</b>{' '}
                  {sketch
                    ? `is drawn as ${sketch.number}: ${sketch.minutesGuess} minutes`
                    : 'is not drawn yet: its hours on the quote are the usual ones, and its material is not in it'}
                </p>
                <Button aria-expanded={isOpen} onClick={() => setOpened(isOpen ? null : partRef)}>
                  {isOpen ? 'Close' : sketch ? 'Sketch' : `Draw the ${title.toLowerCase()}`}
                </Button>
              </div>
              {isOpen && partRef && <MadePanel view={view} partRef={partRef} canWork={false} />}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
