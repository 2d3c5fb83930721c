import { present } from '../present';

/** Whole numbers that leave from the first on, by an order that may change as long as whoever changes it says so. */
class Heap {
  readonly #items: number[] = [];

  /**
   * @param isBefore the order
   * @param stands is told where each stands now; -1 for one that has left
   */
  constructor(
    readonly isBefore: (one: number, other: number) => boolean,
    readonly stands: (item: number, at: number) => void = () => undefined,
  ) {}

  get first(): number | undefined {
    return this.#items[0];
  }

  add(item: number): void {
    this.rise(item, this.#items.push(item) - 1);
  }

  /** One that stands at a place comes before more than it did. */
  rise(item: number, from: number): void {
    let at = from;
    while (at > 0) {
      const above = (at - 1) >> 1;
      const other = this.#items[above] ?? 0;
      if (!this.isBefore(item, other)) break;
      this.#put(other, at);
      at = above;
    }
    this.#put(item, at);
  }

  take(): number | undefined {
    const items = this.#items;
    const first = items[0];
    if (first === undefined) return undefined;
    const last = items.pop() ?? 0;
    const { length } = items;
    if (length) {
      let at = 0;
      for (let left = 1; left < length; left = 2 * at + 1) {
        const right = left + 1;
        const below = right < length && this.isBefore(items[right] ?? 0, items[left] ?? 0) ? right : left;
        if (!this.isBefore(items[below] ?? 0, last)) break;
        this.#put(items[below] ?? 0, at);
        at = below;
      }
      this.#put(last, at);
    }
    this.stands(first, -1);
    return first;
  }

  #put(item: number, at: number): void {
    this.#items[at] = item;
    this.stands(item, at);
  }
}

const isLess = (one: number, other: number) => one < other;

/** An operation that may begin, and from when on it waited for that. */
export interface MayBegin {
  readonly i: number;
  readonly from: number;
}

/**
 * Operations that wait: some by themselves until a minute, most in the line of a hand or a place until it is free. A
 * line is looked at only when its hand is free, and then only at the first in it: however long it is, whoever stands
 * further behind costs nothing.
 */
export class WaitingLines {
  readonly #lines: readonly Heap[];
  readonly #opOf: Int32Array;
  /** Operations, and behind them lines: until when each waits, and its place in the plan. */
  readonly #until: Float64Array;
  readonly #rank: Float64Array;
  readonly #waiting: Heap;
  /** Where each stands in the heap; -1 where it is not in it. */
  readonly #at: Int32Array;

  /**
   * @param rank the place of each operation in the order of the plan, none twice
   * @param free when each hand or place is free; whoever uses this goes on changing it
   */
  constructor(
    rank: Int32Array,
    readonly free: Float64Array,
  ) {
    this.#lines = Array.from(free, () => new Heap(isLess));
    this.#opOf = new Int32Array(rank.length);
    for (const [i, place] of rank.entries()) this.#opOf[place] = i;
    const count = rank.length + free.length;
    this.#until = new Float64Array(count);
    this.#rank = new Float64Array(count);
    this.#rank.set(rank);
    this.#at = new Int32Array(count).fill(-1);
    this.#waiting = new Heap(
      (one, other) => this.#isBefore(one, other),
      (entry, at) => (this.#at[entry] = at),
    );
  }

  get #operations(): number {
    return this.#opOf.length;
  }

  /** Waits by itself until a minute. */
  add(i: number, until: number): void {
    this.#until[i] = until;
    this.#waiting.add(i);
  }

  /** Waits until a hand or a place is free. */
  standInLine(i: number, r: number): void {
    const line = present(this.#lines[r]);
    line.add(this.#rank[i] ?? 0);
    this.#await(r, line);
  }

  /** A line waits until its hand is free; it goes by the first that stands in it. */
  #await(r: number, line: Heap): void {
    const entry = this.#operations + r;
    this.#rank[entry] = line.first ?? Infinity;
    const at = this.#at[entry] ?? -1;
    if (at >= 0) {
      this.#waiting.rise(entry, at);
      return;
    }
    this.#until[entry] = this.free[r] ?? 0;
    this.#waiting.add(entry);
  }

  /** The operation that waits for nothing any more but a look at it: the earliest, among equals the one planned first. */
  take(): MayBegin | null {
    for (;;) {
      const entry = this.#waiting.take();
      if (entry === undefined) return null;
      const from = this.#until[entry] ?? 0;
      if (entry < this.#operations) return { i: entry, from };
      const r = entry - this.#operations;
      const line = present(this.#lines[r]);
      // Its hand was given something else meanwhile.
      if ((this.free[r] ?? 0) > from) {
        this.#await(r, line);
        continue;
      }
      const i = this.#opOf[line.take() ?? 0] ?? 0;
      if (line.first !== undefined) this.#await(r, line);
      return { i, from };
    }
  }

  #isBefore(one: number, other: number): boolean {
    const [a, b] = [this.#until[one] ?? 0, this.#until[other] ?? 0];
    return a === b ? (this.#rank[one] ?? 0) < (this.#rank[other] ?? 0) : a < b;
  }
}
