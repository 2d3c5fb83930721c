import { DomainError } from '@/core/errors';

interface DriverError {
  readonly errno?: number;
  readonly code?: string;
  readonly sqlMessage?: string;
}

const away = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'PROTOCOL_CONNECTION_LOST',
  'ETIMEDOUT',
  'EPIPE',
  'ENOENT',
  'ER_SERVER_SHUTDOWN',
  'ER_CON_COUNT_ERROR',
]);
const awayNumbers = new Set([1053, 1040, 1927, 2006, 2013]);

function driverErrorOf(error: unknown): DriverError {
  const seen = error as { cause?: unknown } & DriverError;
  const cause = seen?.cause as DriverError | undefined;
  return cause?.code || cause?.errno ? cause : seen;
}

export function isDeadlock(error: unknown): boolean {
  const { errno } = driverErrorOf(error);
  return errno === 1213 || errno === 1205;
}

export function isDuplicate(error: unknown): boolean {
  return driverErrorOf(error).errno === 1062;
}

/** Database failures that a person can meet, as DomainErrors; anything else is passed on as it came. */
export function translateError(error: unknown): unknown {
  const { errno, code } = driverErrorOf(error);
  if ((code && away.has(code)) || (errno && awayNumbers.has(errno)))
    return new DomainError('database-away', {}, { cause: error });
  if (errno === 1062)
    return new DomainError(
      'changed-meanwhile',
      { what: 'Somebody else made the same entry at the same moment.' },
      { cause: error },
    );
  if (errno === 1406 || errno === 1264)
    return new DomainError(
      'bad-input',
      { what: 'A value is longer or larger than the record can hold.' },
      { cause: error },
    );
  return error;
}
