import { DomainError } from '@/core/errors';

/** How sending ended: “done”, or the code of the refusal; anything else is said as it is. */
export const codeOf = (sent: Promise<unknown>): Promise<string> =>
  sent.then(
    () => 'done',
    (error: unknown) => (error instanceof DomainError ? error.code : `unexpected: ${String(error)}`),
  );

/** The details of a refusal, with its words; null where nothing was refused. */
export const detailsOf = (sent: Promise<unknown>) =>
  sent.then(
    () => null,
    (error: DomainError) => ({ ...error.details, what: error.message }),
  );
