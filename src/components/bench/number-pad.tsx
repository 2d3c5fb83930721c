'use client';

import { Delete } from 'lucide-react';

const keys = ['1', '2', '3', '4', '5', 'back', '6', '7', '8', '9', '0', '.'] as const;

/** Digits by the thumb, so that the device's own keyboard stays away. */
export function NumberPad({ text, onType }: { readonly text: string; readonly onType: (text: string) => void }) {
  const press = (key: (typeof keys)[number]) => {
    if (key === 'back') return onType(text.slice(0, -1));
    onType(key === '.' && text.includes('.') ? text : text + key);
  };
  return (
    <div role="group" aria-label="Digits" className="grid max-w-[500px] grid-cols-6 gap-2">
      {keys.map((key) => (
        <button
          key={key}
          type="button"
          aria-label={key === 'back' ? 'take one back' : key === '.' ? 'point' : key}
          onClick={() => press(key)}
          className="num pebbly inline-flex min-h-[52px] items-center justify-center border border-slate bg-paper text-18 font-semibold"
        >
          {key === 'back' ? <Delete aria-hidden="true" size={20} /> : key}
        </button>
      ))}
    </div>
  );
}
