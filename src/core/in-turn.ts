/**
 * Runs one piece of work after the other, or some at once, in the order in which they come; one that fails holds nobody
 * up.
 */
export function inTurn(atOnce = 1): <Result>(work: () => Promise<Result>) => Promise<Result> {
  let running = 0;
  const waiting: (() => void)[] = [];
  return async (work) => {
    if (running >= atOnce) await new Promise<void>((begin) => waiting.push(begin));
    else running++;
    try {
      return await work();
    } finally {
      const next = waiting.shift();
      if (next) next();
      else running--;
    }
  };
}
