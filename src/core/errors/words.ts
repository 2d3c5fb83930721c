/** “a, b or c”. */
export const list = (items: readonly string[], last: string) =>
  items.length < 3 ? items.join(` ${last} `) : `${items.slice(0, -1).join(', ')} ${last} ${items.at(-1)}`;
export const plural = (count: number, one: string, many: string) => (count === 1 ? one : many);
