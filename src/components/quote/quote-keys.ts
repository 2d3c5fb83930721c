import { useEffect } from 'react';

/** Keys of the quote: each is passed over while somebody types in a field. */
export function useQuoteKeys(keys: Readonly<Record<string, () => void>>): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const isTyping =
        event.target instanceof HTMLElement && event.target.closest('input, textarea, select, [role=dialog]');
      const name = event.ctrlKey && event.key === 'Enter' ? 'Ctrl Enter' : event.key;
      if (event.altKey || event.metaKey || (event.ctrlKey && name !== 'Ctrl Enter')) return;
      if (isTyping && name !== 'Ctrl Enter' && name !== 'Escape') return;
      const act = keys[name];
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  });
}
