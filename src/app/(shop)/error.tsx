'use client';

import { useEffect } from 'react';
import { Button } from '@/components/ui/form';

/** A page that could not be made: says so, keeps what waits on the device, and tries again by itself. */
export default function ShopError({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  useEffect(() => {
    const timer = setInterval(() => fetch('/api/health').then((answer) => answer.ok && reset(), () => undefined), 2500);
    return () => clearInterval(timer);
  }, [reset]);
  return (
    <div className="mx-auto max-w-[640px] p-8">
      <h1 className="text-24 font-bold">This page cannot be shown just now</h1>
      <p className="mt-2">The record cannot be reached, or something went wrong here{error.digest ? ` (${error.digest})` : ''}. What you typed stays on this device. The page comes back by itself.</p>
      <Button tone="main" className="mt-4" onClick={reset}>
        Try again
      </Button>
    </div>
  );
}
