/** Calls back when what is stored under an event's name changes, in this page or another of the device. Gives how to end that. */
export function watchStored(event: string, listener: () => void): () => void {
  window.addEventListener(event, listener);
  window.addEventListener('storage', listener);
  return () => {
    window.removeEventListener(event, listener);
    window.removeEventListener('storage', listener);
  };
}
