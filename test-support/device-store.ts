// A browser's store in memory. The clone is made by hand: the test's window has none, and its blobs cannot be cloned.
import 'fake-indexeddb/auto';

function clone(value: unknown): unknown {
  if (typeof value !== 'object' || value === null || value instanceof Blob) return value;
  if (Array.isArray(value)) return value.map(clone);
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, clone(one)]));
}
globalThis.structuredClone = clone;
