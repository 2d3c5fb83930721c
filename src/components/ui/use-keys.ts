import { useEffect } from 'react';

/** Whether somebody types where a key was pressed, or answers a dialog. */
const isElsewhere = ({ target }: KeyboardEvent) =>
  target instanceof HTMLElement && target.closest('input, textarea, select, [role=dialog]') !== null;

/** A key, and what it does in the words of the list of keys. */
export interface Key {
  readonly says: string;
  readonly act: () => void;
}
export type Keys = Readonly<Record<string, Key>>;

/** The keys of every sheet that is on the screen. */
const onScreen = new Set<Keys>();

/** What the keys of this screen do, besides those that are the same on every one. */
export const keysTold = (): readonly (readonly [key: string, says: string])[] =>
  [...onScreen].flatMap((keys) => Object.entries(keys).map(([key, { says }]) => [key, says] as const));

/**
 * Keys of a sheet, by their names; `Ctrl Enter` as one. Passed over while somebody types (but for Escape and Ctrl
 * Enter), while a key is held down, and where it is the letter of a view after `g`: that goes there, and does nothing
 * here. The list of keys tells them while they can be pressed.
 */
export function useKeys(keys: Keys): void {
  useEffect(() => {
    let isGoing = false;
    const press = (event: KeyboardEvent) => {
      const wasGoing = isGoing;
      isGoing = event.key === 'g';
      const name = event.ctrlKey && event.key === 'Enter' ? 'Ctrl Enter' : event.key;
      const isPlain = !event.altKey && !event.metaKey && !event.ctrlKey;
      if (wasGoing || event.repeat || (!isPlain && name !== 'Ctrl Enter')) return;
      if (isElsewhere(event) && name !== 'Ctrl Enter' && name !== 'Escape') return;
      const key = keys[name];
      if (!key) return;
      event.preventDefault();
      key.act();
    };
    onScreen.add(keys);
    window.addEventListener('keydown', press);
    return () => {
      onScreen.delete(keys);
      window.removeEventListener('keydown', press);
    };
  });
}
