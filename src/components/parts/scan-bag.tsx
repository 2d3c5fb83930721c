'use client';

import { ScanLine } from 'lucide-react';
import type { ResultOf } from '@/contract';
import { useAct } from '../act/use-act';
import { Button, ErrorNote } from '../ui/form';

export type BagRead = ResultOf<'scan-bag'>;

/** Reads the bag that lies before the scanner; what it says is shown in the fields, and still counted by eye. */
export function ScanBag({
  order,
  number,
  elastomer = '',
  name,
  onRead,
}: {
  readonly order: string;
  readonly number: string;
  readonly elastomer?: string;
  readonly name: string;
  readonly onRead: (bag: BagRead) => void;
}) {
  const { run, error, isSending } = useAct();
  const read = async () => {
    const bag = await run('scan-bag', { order, number, elastomer });
    if (bag) onRead(bag);
  };
  return (
    <div>
      <Button aria-label={`Scan the bag of ${name}`} disabled={isSending} onClick={() => void read()}>
        <ScanLine aria-hidden="true" size={20} /> Scan
      </Button>
      <ErrorNote error={error} />
    </div>
  );
}
