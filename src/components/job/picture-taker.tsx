'use client';

import { Camera, ImageUp } from 'lucide-react';
import { useRef, useState } from 'react';
import type { ActError } from '../act/act';
import { useAct } from '../act/use-act';
import { Button, ErrorNote } from '../ui/form';

interface Props {
  readonly tag: string;
  /** What the picture is about, such as part:impeller. */
  readonly about: string;
  readonly partRef: string;
  readonly caption: string;
  readonly onTaken?: (photoId: string) => void;
}

const tooLarge: ActError = {
  code: 'too-large',
  what: 'The picture is larger than 12 MB.',
  kept: 'Nothing was stored.',
  todo: 'Send a smaller one.',
  issues: [],
};

function readBase64(file: File): Promise<string> {
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result).split(',')[1] ?? '');
    reader.onerror = () => reject(reader.error);
    reader.readAsDataURL(file);
  });
}

/** Takes a picture with the bench camera, or takes one from a file or a phone. */
export function PictureTaker({ tag, about, partRef, caption, onTaken }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const { run, error, setError, isSending } = useAct();
  const [said, setSaid] = useState('');
  const done = (answer: { photoId: string } | null) => {
    if (!answer) return;
    setSaid('Picture kept.');
    onTaken?.(answer.photoId);
  };
  const take = async () => done(await run<{ photoId: string }>('take-picture', { tag, about, partRef, caption }));
  const upload = async (file: File | undefined) => {
    if (!file) return;
    if (file.size > 12 * 1024 * 1024) return setError(tooLarge);
    done(await run<{ photoId: string }>('add-photo', { tag, about, caption, base64: await readBase64(file) }));
    if (input.current) input.current.value = '';
  };
  return (
    <div>
      <div className="flex flex-wrap items-center gap-2">
        <Button onClick={take} disabled={isSending}>
          <Camera aria-hidden="true" size={20} /> Bench camera
        </Button>
        <Button tone="quiet" onClick={() => input.current?.click()} disabled={isSending}>
          <ImageUp aria-hidden="true" size={20} /> From a file
        </Button>
        <input
          ref={input}
          type="file"
          accept="image/jpeg,image/png,image/webp"
          aria-label={`Picture from a file: ${caption}`}
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => void upload(event.target.files?.[0])}
        />
        <span role="status" className="text-13 text-quiet">
          {isSending ? 'Taking …' : said}
        </span>
      </div>
      <ErrorNote error={error} />
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
