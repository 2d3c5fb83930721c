/** How wrong tries of one kind are slowed. */
export interface TryRule {
  /** So many wrong ones in a row cost nothing. */
  readonly free: number;
  /** The pause after the next one, in ms; it doubles with each. */
  readonly firstMs: number;
  readonly longestMs: number;
  /** After so long without a try they are forgotten, in ms. */
  readonly forgetMs: number;
}

const minuteMs = 60_000;
const hourMs = 60 * minuteMs;

/**
 * What is counted: a PIN of one person on one device, all PINs on one device, a password of one person on one device or
 * by strangers, all passwords of strangers at one address of the network, and one's own password at its change.
 */
export const tryRules = {
  pin: { free: 4, firstMs: 30_000, longestMs: hourMs, forgetMs: 24 * hourMs },
  device: { free: 12, firstMs: 30_000, longestMs: hourMs, forgetMs: 4 * hourMs },
  password: { free: 5, firstMs: 15_000, longestMs: 15 * minuteMs, forgetMs: 24 * hourMs },
  client: { free: 20, firstMs: 15_000, longestMs: 15 * minuteMs, forgetMs: 4 * hourMs },
} as const satisfies Readonly<Record<string, TryRule>>;
export type TryKind = keyof typeof tryRules;

/**
 * How long the next try must wait after so many wrong ones in a row, in ms: nothing for the free ones, then twice as
 * long each time. `pauseAfterTries(tryRules.pin, 6)` is 60 000.
 */
export function pauseAfterTries({ free, firstMs, longestMs }: TryRule, failures: number): number {
  return failures <= free ? 0 : Math.min(longestMs, firstMs * 2 ** (failures - free - 1));
}

/** A pause in words: seconds up to a minute and a half, then minutes, rounded up. */
export function sayWait(ms: number): string {
  const seconds = Math.max(1, Math.ceil(ms / 1000));
  if (seconds === 1) return 'a second';
  return seconds <= 90 ? `${seconds} seconds` : `${Math.ceil(seconds / 60)} minutes`;
}
