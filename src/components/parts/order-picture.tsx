'use client';

import { ImageUp } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import type { ActError } from '../act/act';
import { sendPicture } from '../job/send-picture';
import { Button, ErrorNote } from '../ui/form';

/** Takes a picture of a piece that came wrong and is for the shelf alone: it lies with the order. */
export function OrderPicture({
  order,
  piece,
  caption,
}: {
  readonly order: string;
  readonly piece: string;
  readonly caption: string;
}) {
  const input = useRef<HTMLInputElement>(null);
  const router = useRouter();
  const [isSending, setSending] = useState(false);
  const [kept, setKept] = useState(0);
  const [error, setError] = useState<ActError | null>(null);
  const send = async (files: FileList | null) => {
    setError(null);
    setSending(true);
    for (const file of files ?? []) {
      const door = `/api/photos/orders/${order}` as const;
      const answer = await sendPicture({ door, about: { piece, caption }, file, onProgress: () => undefined });
      if (!answer.ok) {
        setError({ ...answer.error, what: `${file.name}: ${answer.error.what}` });
        break;
      }
      setKept((before) => before + 1);
    }
    setSending(false);
    if (input.current) input.current.value = '';
    router.refresh();
  };
  return (
    <div>
      <Button tone="quiet" disabled={isSending} onClick={() => input.current?.click()}>
        <ImageUp aria-hidden="true" size={20} /> Picture of it
      </Button>
      <input
        ref={input}
        type="file"
        multiple
        accept="image/jpeg,image/png,image/webp"
        capture="environment"
        aria-label={`Picture from a file: ${caption}`}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => void send(event.target.files)}
      />
      <span role="status" className="ml-2 text-13 text-quiet">
        {isSending ? 'Sending …' : kept > 0 && 'Kept with the order.'}
      </span>
      <ErrorNote error={error} />
    </div>
  );
}
