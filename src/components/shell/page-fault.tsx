'use client';

import { useEffect } from 'react';
import { Button } from '../ui/form';

const loadAgain = () => location.reload();

/**
 * A page that could not be made: says so, keeps what waits on the device, and is loaded again as soon as the record
 * answers.
 */
export function PageFault({ error }: { readonly error: Error & { digest?: string } }) {
  useEffect(() => {
    const timer = setInterval(
      () =>
        void fetch('/api/health').then(
          (answer) => answer.ok && loadAgain(),
          () => undefined,
        ),
      2500,
    );
    return () => clearInterval(timer);
  }, []);
  return (
    <div className="mx-auto max-w-[640px] p-8">
      <h1 className="text-24 font-bold">This page cannot be shown just now</h1>
      <p className="mt-2">
        The record cannot be reached, or something went wrong here{error.digest ? ` (${error.digest})` : ''}. What you
        typed stays on this device. The page comes back by itself.
      </p>
      <Button tone="main" className="mt-4" onClick={loadAgain}>
        Try again
      </Button>
    </div>
  );
}
