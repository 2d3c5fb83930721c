import { DomainError } from '@/core/errors';

/** What a driver's error says of itself; by these it is told, never by its message. */
interface DriverError {
  readonly errno?: number;
  readonly code?: string;
  /** The connection is gone: whatever was asked of it was not answered. */
  readonly fatal?: boolean;
}

const away: ReadonlySet<string> = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'PROTOCOL_CONNECTION_LOST',
  'ETIMEDOUT',
  'EPIPE',
  'ENOENT',
  'ER_SERVER_SHUTDOWN',
  'ER_CON_COUNT_ERROR',
]);
/** What MariaDB says when it can write no more: disk full, error on write, table full. */
const fullNumbers = [1021, 1026, 1114] as const;
/** A node of a cluster that is none of those that go on: it has done nothing of what it was asked. */
const nodeNotReady = 1047;
/** What MariaDB says when a node leaves its cluster in the middle of a commit. */
const brokenCommit = 1180;
const awayNumbers: ReadonlySet<number> = new Set([1053, 1040, 1927, 2006, 2013, nodeNotReady, brokenCommit]);
/** How many causes deep a failure is looked into. */
const deepest = 6;

/** An error and what it was caused by, the outermost first. */
function causesOf(error: unknown): readonly DriverError[] {
  const found: DriverError[] = [];
  let one = error;
  while (typeof one === 'object' && one !== null && found.length < deepest) {
    found.push(one);
    one = (one as { readonly cause?: unknown }).cause;
  }
  return found;
}

function hasNumber(error: unknown, ...numbers: readonly number[]): boolean {
  return causesOf(error).some(({ errno }) => errno !== undefined && numbers.includes(errno));
}

/** Whether whoever was asked did not answer, or is none that may. */
export function isAway(error: unknown): boolean {
  return causesOf(error).some(
    ({ code, errno, fatal }) =>
      fatal === true || (code && away.has(code)) || (errno !== undefined && awayNumbers.has(errno)),
  );
}

export const isNodeNotReady = (error: unknown): boolean => hasNumber(error, nodeNotReady);

const lockTimeout = 1205;
export const isLockTimeout = (error: unknown): boolean => hasNumber(error, lockTimeout);

export function isDeadlock(error: unknown): boolean {
  return hasNumber(error, 1213, lockTimeout);
}

export function isDuplicate(error: unknown): boolean {
  return hasNumber(error, 1062);
}

/** Database failures that a person can meet, as DomainErrors; anything else is passed on as it came. */
export function translateError(error: unknown): unknown {
  if (error instanceof DomainError) return error;
  if (isAway(error)) return new DomainError('database-away', {}, { cause: error });
  if (hasNumber(error, ...fullNumbers)) return new DomainError('disk-full', {}, { cause: error });
  if (isDeadlock(error))
    return new DomainError(
      'changed-meanwhile',
      { what: 'Others wrote to the same place at the same moment, again and again.' },
      { cause: error },
    );
  if (isDuplicate(error))
    return new DomainError(
      'changed-meanwhile',
      { what: 'Somebody else made the same entry at the same moment.' },
      { cause: error },
    );
  if (hasNumber(error, 1406, 1264))
    return new DomainError(
      'bad-input',
      { what: 'A value is longer or larger than the record can hold.' },
      { cause: error },
    );
  return error;
}
