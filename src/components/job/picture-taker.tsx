'use client';

import { Camera } from 'lucide-react';
import { useState } from 'react';
import type { PhotoId } from '@/core/record';
import type { ActError } from '../act/act';
import { tellChanged } from '../act/changes';
import { useAct } from '../act/use-act';
import { Button, ErrorNote } from '../ui/form';
import { PictureFiles } from '../ui/picture-files';
import { keepPhoto } from '../act/waiting-pictures';

interface Props {
  readonly tag: string;
  /** What the picture is about, such as part:impeller. */
  readonly about: string;
  readonly partRef: string;
  readonly caption: string;
  readonly onTaken?: (photoId: PhotoId) => void;
}

/** How far pictures that are being sent have gone. */
interface Going {
  readonly sent: number;
  readonly of: number;
  /** Of the one that is going now, from 0 to 1. */
  readonly share: number;
}

/** Sends files one after the other, so that a weak line carries one at a time. */
function useUpload({ tag, about, caption, onTaken }: Props) {
  const [going, setGoing] = useState<Going | null>(null);
  const [error, setError] = useState<ActError | null>(null);
  const [kept, setKept] = useState(0);
  const [waits, setWaits] = useState(0);
  const send = async (files: readonly File[]) => {
    setError(null);
    setKept(0);
    setWaits(0);
    for (const [sent, file] of files.entries()) {
      const onProgress = (share: number) => setGoing({ sent, of: files.length, share });
      onProgress(0);
      const answer = await keepPhoto({ tag, about, caption }, file, onProgress);
      if (!answer.ok) {
        setError({ ...answer.error, what: `${file.name}: ${answer.error.what}` });
        break;
      }
      if (answer.data.waits) setWaits((before) => before + 1);
      else {
        setKept((before) => before + 1);
        await tellChanged(tag);
      }
      onTaken?.(answer.data.photoId);
    }
    setGoing(null);
  };
  return { send, going, error, kept, waits };
}

function sayKept(kept: number, waits: number): string {
  const said = kept === 1 ? 'Picture kept.' : kept ? `${kept} pictures kept.` : '';
  const waiting = waits === 1 ? 'Picture waits here.' : waits ? `${waits} pictures wait here.` : '';
  return [said, waiting].filter(Boolean).join(' ');
}

/** Takes a picture with the bench camera, or takes several from files or a phone. */
export function PictureTaker(props: Props) {
  const { tag, about, partRef, caption, onTaken } = props;
  const { run, error, isSending } = useAct();
  const upload = useUpload(props);
  const [taken, setTaken] = useState(0);
  const take = async () => {
    const answer = await run('take-picture', { tag, about, partRef, caption });
    if (!answer) return;
    setTaken(1);
    onTaken?.(answer.photoId);
  };
  const { going } = upload;
  const isBusy = isSending || going !== null;
  return (
    <div>
      <div className="flex flex-wrap items-center gap-2">
        <Button onClick={take} disabled={isBusy}>
          <Camera aria-hidden="true" size={20} /> Bench camera
        </Button>
        <PictureFiles
          label={`Picture from a file: ${caption}`}
          isBusy={isBusy}
          isMany
          onChosen={(files) => {
            setTaken(0);
            void upload.send(files);
          }}
        >
          From files
        </PictureFiles>
        {going && (
          <progress
            aria-label={`Sending picture ${going.sent + 1} of ${going.of}`}
            max={going.of}
            value={going.sent + going.share}
          />
        )}
        <span role="status" className="text-13 text-quiet">
          {going && `Sending ${going.sent + 1} of ${going.of}`}
          {isSending && 'Taking …'}
          {!isBusy && sayKept(taken || upload.kept, upload.waits)}
        </span>
      </div>
      <ErrorNote error={error ?? upload.error} />
    </div>
  );
}

interface ShownPhoto {
  readonly id: string;
  readonly caption: string;
}

/** Pictures in a row; each opens in full. */
export function PhotoRow({ photos, link = '' }: { readonly photos: readonly ShownPhoto[]; readonly link?: string }) {
  if (!photos.length) return null;
  const query = link ? `?link=${link}` : '';
  return (
    <ul className="flex flex-wrap gap-3">
      {photos.map((photo) => (
        <li key={photo.id} className="w-[128px]">
          <a href={`/files/photo/${photo.id}/full${query}`} target="_blank">
            <img
              src={`/files/photo/${photo.id}/thumb${query}`}
              alt={photo.caption || 'picture without a caption'}
              width={128}
              height={96}
              loading="lazy"
              className="pebbly border border-line"
            />
          </a>
          <span className="line-clamp-2 text-13 text-quiet">{photo.caption}</span>
        </li>
      ))}
    </ul>
  );
}
