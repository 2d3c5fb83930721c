import { useEffect } from 'react';

/** Whether somebody types where a key was pressed, or answers a dialog. */
const isElsewhere = ({ target }: KeyboardEvent) =>
  target instanceof HTMLElement && target.closest('input, textarea, select, [role=dialog]') !== null;

/**
 * Keys of a sheet, by their names; `Ctrl Enter` as one. Passed over while somebody types (but for Escape and Ctrl
 * Enter), while a key is held down, and where it is the letter of a view after `g`: that goes there, and does nothing
 * here.
 */
export function useKeys(keys: Readonly<Record<string, () => void>>): void {
  useEffect(() => {
    let isGoing = false;
    const press = (event: KeyboardEvent) => {
      const wasGoing = isGoing;
      isGoing = event.key === 'g';
      const name = event.ctrlKey && event.key === 'Enter' ? 'Ctrl Enter' : event.key;
      const isPlain = !event.altKey && !event.metaKey && !event.ctrlKey;
      if (wasGoing || event.repeat || (!isPlain && name !== 'Ctrl Enter')) return;
      if (isElsewhere(event) && name !== 'Ctrl Enter' && name !== 'Escape') return;
      const act = keys[name];
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  });
}
