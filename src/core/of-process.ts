/**
 * Makes something once for a process. A build makes several bundles (pages, route handlers, what runs behind them), each
 * with its own copy of a file and of whatever the file keeps: what is large, or what one of them reads for the others, is
 * kept here. Only plain things: a class of one bundle is another one's stranger.
 * @param name of what is kept; another one for each use
 * @example const kept = ofProcess('records', () => new LRUCache<string, JobRecord>({ max: 64 }))
 */
export function ofProcess<Thing extends object>(name: string, make: () => Thing): Thing {
  const shared = globalThis as { puddlestoneShared?: Map<string, object> };
  const things = (shared.puddlestoneShared ??= new Map());
  const known = things.get(name) as Thing | undefined;
  if (known) return known;
  const made = make();
  things.set(name, made);
  return made;
}
