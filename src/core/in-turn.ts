/**
 * Runs one piece of work after the other, in the order in which they come; one that fails holds nobody up.
 */
export function inTurn(): <Result>(work: () => Promise<Result>) => Promise<Result> {
  let last: Promise<unknown> = Promise.resolve();
  return (work) => {
    const mine = last.then(work);
    last = mine.catch(() => undefined);
    return mine;
  };
}
