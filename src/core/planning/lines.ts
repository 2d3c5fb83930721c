import { present } from '../present';

/** Figures that leave a heap from the least on. */
class LeastFirst {
  readonly #heap: number[] = [];

  get least(): number {
    return this.#heap[0] ?? Infinity;
  }

  add(figure: number): void {
    const heap = this.#heap;
    let at = heap.push(figure) - 1;
    while (at > 0) {
      const above = (at - 1) >> 1;
      const other = heap[above] ?? 0;
      if (figure > other) break;
      heap[at] = other;
      at = above;
    }
    heap[at] = figure;
  }

  take(): number {
    const heap = this.#heap;
    const first = this.least;
    const last = heap.pop() ?? 0;
    const { length } = heap;
    if (!length) return first;
    let at = 0;
    for (let left = 1; left < length; left = 2 * at + 1) {
      const right = left + 1;
      const below = right < length && (heap[right] ?? 0) < (heap[left] ?? 0) ? right : left;
      if ((heap[below] ?? 0) > last) break;
      heap[at] = heap[below] ?? 0;
      at = below;
    }
    heap[at] = last;
    return first;
  }
}

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
  readonly #lines: readonly LeastFirst[];
  readonly #opOf: Int32Array;
  /** Operations, and behind them lines: until when each waits, and its place in the plan. */
  readonly #until: Float64Array;
  readonly #rank: Float64Array;
  readonly #heap: number[] = [];
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
    this.#lines = Array.from(free, () => new LeastFirst());
    this.#opOf = new Int32Array(rank.length);
    for (const [i, place] of rank.entries()) this.#opOf[place] = i;
    const count = rank.length + free.length;
    this.#until = new Float64Array(count);
    this.#rank = new Float64Array(count);
    this.#rank.set(rank);
    this.#at = new Int32Array(count).fill(-1);
  }

  get #operations(): number {
    return this.#opOf.length;
  }

  /** Waits by itself until a minute. */
  add(i: number, until: number): void {
    this.#until[i] = until;
    this.#push(i);
  }

  /** Waits until a hand or a place is free. */
  standInLine(i: number, r: number): void {
    const line = present(this.#lines[r]);
    line.add(this.#rank[i] ?? 0);
    this.#await(r, line);
  }

  /** A line waits until its hand is free; it goes by the first that stands in it. */
  #await(r: number, line: LeastFirst): void {
    const entry = this.#operations + r;
    this.#rank[entry] = line.least;
    const at = this.#at[entry] ?? -1;
    if (at >= 0) {
      this.#rise(entry, at);
      return;
    }
    this.#until[entry] = this.free[r] ?? 0;
    this.#push(entry);
  }

  /** The operation that waits for nothing any more but a look at it: the earliest, among equals the one planned first. */
  take(): MayBegin | null {
    for (;;) {
      const entry = this.#pop();
      if (entry === null) return null;
      const from = this.#until[entry] ?? 0;
      if (entry < this.#operations) return { i: entry, from };
      const r = entry - this.#operations;
      const line = present(this.#lines[r]);
      // Its hand was given something else meanwhile.
      if ((this.free[r] ?? 0) > from) {
        this.#await(r, line);
        continue;
      }
      const i = this.#opOf[line.take()] ?? 0;
      if (line.least < Infinity) this.#await(r, line);
      return { i, from };
    }
  }

  #isBefore(one: number, other: number): boolean {
    const [a, b] = [this.#until[one] ?? 0, this.#until[other] ?? 0];
    return a === b ? (this.#rank[one] ?? 0) < (this.#rank[other] ?? 0) : a < b;
  }

  #stand(entry: number, at: number): void {
    this.#heap[at] = entry;
    this.#at[entry] = at;
  }

  #push(entry: number): void {
    this.#rise(entry, this.#heap.push(entry) - 1);
  }

  #rise(entry: number, from: number): void {
    let at = from;
    while (at > 0) {
      const above = (at - 1) >> 1;
      const other = this.#heap[above] ?? 0;
      if (!this.#isBefore(entry, other)) break;
      this.#stand(other, at);
      at = above;
    }
    this.#stand(entry, at);
  }

  #pop(): number | null {
    const heap = this.#heap;
    const first = heap[0];
    if (first === undefined) return null;
    this.#at[first] = -1;
    const last = heap.pop() ?? 0;
    const { length } = heap;
    if (!length) return first;
    let at = 0;
    for (let left = 1; left < length; left = 2 * at + 1) {
      const right = left + 1;
      const below = right < length && this.#isBefore(heap[right] ?? 0, heap[left] ?? 0) ? right : left;
      if (!this.#isBefore(heap[below] ?? 0, last)) break;
      this.#stand(heap[below] ?? 0, at);
      at = below;
    }
    this.#stand(last, at);
    return first;
  }
}
