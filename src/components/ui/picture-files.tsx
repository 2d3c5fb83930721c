'use client';

import { ImageUp } from 'lucide-react';
import { useRef, type ReactNode } from 'react';
import { Button } from './form';

/** A button that asks for one picture or several from the device's files, or its camera. */
export function PictureFiles({
  label,
  isBusy,
  isMany = false,
  onChosen,
  children,
}: {
  /** Names the field for whoever does not see the button. */
  readonly label: string;
  readonly isBusy: boolean;
  readonly isMany?: boolean;
  readonly onChosen: (files: readonly File[]) => void;
  readonly children: ReactNode;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button tone="quiet" disabled={isBusy} onClick={() => input.current?.click()}>
        <ImageUp aria-hidden="true" size={20} /> {children}
      </Button>
      <input
        ref={input}
        type="file"
        multiple={isMany}
        accept="image/jpeg,image/png,image/webp"
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={({ target }) => {
          const files = [...(target.files ?? [])];
          // The same file can be chosen again.
          target.value = '';
          if (files.length) onChosen(files);
        }}
      />
    </>
  );
}
