'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { ActError } from '../act/act';
import { sendPicture } from '../job/send-picture';
import { ErrorNote } from '../ui/form';
import { PictureFiles } from '../ui/picture-files';

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
  const router = useRouter();
  const [isSending, setSending] = useState(false);
  const [kept, setKept] = useState(0);
  const [error, setError] = useState<ActError | null>(null);
  const send = async (files: readonly File[]) => {
    setError(null);
    setSending(true);
    for (const file of files) {
      const door = `/api/photos/orders/${order}` as const;
      const answer = await sendPicture({ door, about: { piece, caption }, file });
      if (!answer.ok) {
        setError({ ...answer.error, what: `${file.name}: ${answer.error.what}` });
        break;
      }
      setKept((before) => before + 1);
    }
    setSending(false);
    router.refresh();
  };
  return (
    <div>
      <PictureFiles
        label={`Picture from a file: ${caption}`}
        isBusy={isSending}
        isMany
        onChosen={(files) => void send(files)}
      >
        Picture of it
      </PictureFiles>
      <span role="status" className="ml-2 text-13 text-quiet">
        {isSending ? 'Sending …' : kept > 0 && 'Kept with the order.'}
      </span>
      <ErrorNote error={error} />
    </div>
  );
}
