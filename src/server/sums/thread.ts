import { SumRefusal } from '@/core/sums';

/** A piece of work as it is sent into a thread. */
export interface HeavyTask {
  readonly number: number;
  readonly id: string;
  readonly input: unknown;
}

export interface HeavyAnswer {
  readonly number: number;
  readonly outcome?: unknown;
  readonly refusal?: { readonly path: string; readonly message: string };
  readonly fault?: string;
}

/**
 * What a thread may hold, in MB: a plan of 420 pumps, the largest that was tried, was drawn up within 48. Without a limit
 * of its own a thread gathers as much as the process may before it gives anything back.
 */
export const threadMemory = { maxOldGenerationSizeMb: 128, maxYoungGenerationSizeMb: 16 };

/** What of a thread is used. */
export interface Started {
  on(event: 'message', listener: (answer: HeavyAnswer) => void): unknown;
  on(event: 'error', listener: (error: Error) => void): unknown;
  postMessage(task: HeavyTask): void;
  terminate(): unknown;
}

interface Waiting extends HeavyTask {
  readonly resolve: (outcome: unknown) => void;
  readonly reject: (error: Error) => void;
}

interface Limits {
  /** How long one piece may take once it has begun, in ms. */
  readonly limitMs: number;
  /** After how long without work the thread ends and gives its memory back, in ms. */
  readonly restMs: number;
  /** More than this many that wait are asked to come back. */
  readonly mostWaiting: number;
  /** What is said of one that is not done. */
  readonly words: {
    readonly tooMany: string;
    readonly stopped: string;
    readonly late: (seconds: number) => string;
  };
}

/**
 * A thread that carries out one piece of work after the other. The clock of a piece runs from when it begins, not while
 * others are before it; one that takes too long is ended with its thread, and those behind it go on in another. A thread
 * without work ends after a while; the next piece starts one anew.
 */
export class Thread {
  private started: Started | undefined;
  private current: Waiting | null = null;
  private late: NodeJS.Timeout | undefined;
  private rest: NodeJS.Timeout | undefined;
  private readonly queue: Waiting[] = [];
  private next = 0;

  constructor(
    private readonly start: () => Started,
    private readonly limits: Limits,
  ) {}

  /** Carries out a piece of work. Throws SumRefusal for what it refuses, for one that is late, and where too many wait. */
  ask(id: string, input: unknown): Promise<unknown> {
    if (this.queue.length >= this.limits.mostWaiting)
      return Promise.reject(new SumRefusal('', this.limits.words.tooMany));
    return new Promise((resolve, reject) => {
      this.queue.push({ number: this.next++, id, input, resolve, reject });
      this.goOn();
    });
  }

  private goOn(): void {
    if (this.current) return;
    const task = this.queue.shift();
    clearTimeout(this.rest);
    if (!task) {
      this.rest = setTimeout(() => this.end(), this.limits.restMs);
      // A process that ends does not wait for it.
      this.rest.unref();
      return;
    }
    const { number, id, input } = task;
    this.current = task;
    this.started ??= this.begin();
    this.late = setTimeout(() => this.giveUp(this.limits.words.late(this.limits.limitMs / 1000)), this.limits.limitMs);
    this.started.postMessage({ number, id, input });
  }

  private begin(): Started {
    const started = this.start();
    // What one that was ended says is nobody's.
    const isIt = () => this.started === started;
    started.on('message', (answer) => {
      if (isIt()) this.settle(answer);
    });
    started.on('error', (error) => {
      console.error('a thread ended', error);
      if (isIt()) this.giveUp(this.limits.words.stopped);
    });
    return started;
  }

  private settle({ number, outcome, refusal, fault }: HeavyAnswer): void {
    const task = this.current;
    if (task?.number !== number) return;
    clearTimeout(this.late);
    this.current = null;
    if (outcome !== undefined) task.resolve(outcome);
    else task.reject(refusal ? new SumRefusal(refusal.path, refusal.message) : new Error(fault));
    this.goOn();
  }

  private end(): void {
    const old = this.started;
    this.started = undefined;
    void old?.terminate();
  }

  private giveUp(why: string): void {
    clearTimeout(this.late);
    const task = this.current;
    this.current = null;
    this.end();
    task?.reject(new SumRefusal('', why));
    this.goOn();
  }
}
