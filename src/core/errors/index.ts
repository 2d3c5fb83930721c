import { sayReason, type Reason } from './reasons';

export { sayReason, type Reason, type ReasonArguments, type ReasonCode } from './reasons';

/**
 * One table of the failures a person can meet. A code is thrown; `httpStatusOf` and `wordsOf` turn it into an answer.
 * Both maps are exhaustive: a new code does not compile until it has a status and words.
 */
export const errorCodes = [
  'not-signed-in',
  'maker-signed-out',
  'not-allowed',
  'wrong-sign-in',
  'second-factor-wanted',
  'wrong-passkey',
  'too-many-tries',
  'not-a-tablet',
  'not-found',
  'archived',
  'bad-input',
  'gate-shut',
  'changed-meanwhile',
  'wrong-state',
  'link-not-valid',
  'second-person-needed',
  'wrong-job',
  'part-missing',
  'too-large',
  'not-a-picture',
  'database-away',
  'disk-full',
  'foreign-origin',
] as const;

export type ErrorCode = (typeof errorCodes)[number];

export interface Issue {
  readonly path: string;
  readonly message: string;
}

/** A fault of one field: in words, or as the reason that core gives. */
export type Fault = Issue | { readonly path: string; readonly reason: Reason };

export function sayFault(fault: Fault): Issue {
  return 'message' in fault ? fault : { path: fault.path, message: sayReason(fault.reason) };
}

export interface ErrorDetails {
  /** What is wrong, in a sentence that names the value. */
  readonly what?: string | undefined;
  /** What is wrong, as core says it: its sentence is made when the answer is read. */
  readonly reason?: Reason;
  readonly issues?: readonly Fault[];
  /** For a change by somebody else: what stands there now, and what was sent. */
  readonly theirs?: unknown;
  readonly yours?: unknown;
  readonly missing?: readonly { readonly words: string; readonly station: string; readonly anchor: string }[];
}

/** What is wrong in words, where the details say it. */
export function sayDetails({ what, reason }: ErrorDetails): string | undefined {
  return what ?? (reason && sayReason(reason));
}

/** A failure that was foreseen: it has a code, details for the person, and may have a cause. */
export class DomainError extends Error {
  constructor(
    readonly code: ErrorCode,
    readonly details: ErrorDetails = {},
    options?: { cause?: unknown },
  ) {
    super(sayDetails(details) ?? code, options);
    this.name = 'DomainError';
  }

  /** One that the bundle of the route handlers threw is one to a page, too, whose bundle has a class of its own. */
  static override [Symbol.hasInstance](thing: unknown): thing is DomainError {
    return thing instanceof Error && thing.name === 'DomainError';
  }
}

export const httpStatusOf: Readonly<Record<ErrorCode, number>> = {
  'not-signed-in': 401,
  'maker-signed-out': 401,
  'not-allowed': 403,
  'wrong-sign-in': 401,
  'second-factor-wanted': 401,
  'wrong-passkey': 401,
  'too-many-tries': 429,
  'not-a-tablet': 403,
  'not-found': 404,
  archived: 410,
  'bad-input': 422,
  'gate-shut': 409,
  'changed-meanwhile': 409,
  'wrong-state': 409,
  'link-not-valid': 404,
  'second-person-needed': 403,
  'wrong-job': 409,
  'part-missing': 409,
  'too-large': 413,
  'not-a-picture': 422,
  'database-away': 503,
  'disk-full': 507,
  'foreign-origin': 403,
};

export interface ErrorWords {
  readonly what: string;
  readonly kept: string;
  readonly todo: string;
}

export const wordsOf: Readonly<Record<ErrorCode, ErrorWords>> = {
  'not-signed-in': {
    what: 'Nobody is signed in here.',
    kept: 'What you typed stays on this device.',
    todo: 'Sign in and send it again.',
  },
  'maker-signed-out': {
    what: 'The person who made this entry is not signed in any more.',
    kept: 'The entry waits on this device.',
    todo: 'When that person signs in here, it is sent under their name.',
  },
  'not-allowed': {
    what: 'Your role does not do this.',
    kept: 'Nothing was changed.',
    todo: 'Ask somebody whose role does, or the owner.',
  },
  'wrong-sign-in': {
    what: 'The address and the password do not belong together.',
    kept: 'The address stays typed.',
    todo: 'Type the password again.',
  },
  'second-factor-wanted': {
    what: 'This person signs in with a second factor.',
    kept: 'Nothing was changed.',
    todo: 'Type the code that the app shows now, or one of the words for a lost telephone.',
  },
  'wrong-passkey': {
    what: 'This passkey signs nobody in here.',
    kept: 'Nothing was changed.',
    todo: 'Sign in with your password; under your name you can add a passkey.',
  },
  'too-many-tries': {
    what: 'Too many tries from here.',
    kept: 'Nothing was changed.',
    todo: 'Wait a few minutes, then try again.',
  },
  'not-a-tablet': {
    what: 'This device is not a tablet of the bench.',
    kept: 'Nobody was signed out.',
    todo: 'A coordinator makes it one in the panel of the person at the top right, or you sign in with your password.',
  },
  'not-found': {
    what: 'There is no such thing here.',
    kept: 'Nothing was changed.',
    todo: 'Check the tag or go back to the floor.',
  },
  archived: {
    what: 'This job was taken out of the record.',
    kept: 'Everything of it is in a file.',
    todo: 'The owner brings it back with “npm run archive -- --back” and the file.',
  },
  'bad-input': {
    what: 'Something typed does not fit.',
    kept: 'All that you typed is still there.',
    todo: 'Correct the marked value.',
  },
  'gate-shut': {
    what: 'The gate to the next station is still shut.',
    kept: 'Nothing was changed.',
    todo: 'Each line below leads to what is missing.',
  },
  'changed-meanwhile': {
    what: 'Somebody else changed this meanwhile.',
    kept: 'Yours and theirs are both kept.',
    todo: 'Choose which one stands.',
  },
  'wrong-state': {
    what: 'The job is not at the station for this.',
    kept: 'Nothing was changed.',
    todo: 'Open the job again to see where it stands.',
  },
  'link-not-valid': {
    what: 'This link does not open anything (any more).',
    kept: 'Nothing was changed.',
    todo: 'Ask the shop for a new link.',
  },
  'second-person-needed': {
    what: 'A hold point needs a second person.',
    kept: 'The step is done but not signed.',
    todo: 'Somebody other than the one who did the step signs.',
  },
  'wrong-job': {
    what: 'This belongs to another job.',
    kept: 'Nothing was changed.',
    todo: 'Put it back to its own tray.',
  },
  'part-missing': {
    what: 'Parts of this step are not in the house.',
    kept: 'Nothing was changed.',
    todo: 'See the parts sheet for when they come.',
  },
  'too-large': { what: 'This is larger than can be taken.', kept: 'Nothing was stored.', todo: 'Send a smaller one.' },
  'not-a-picture': {
    what: 'This file is not a picture that can be read.',
    kept: 'Nothing was stored.',
    todo: 'Send a JPEG, PNG or WebP picture.',
  },
  'database-away': {
    what: 'The record cannot be reached just now.',
    kept: 'Entries wait on this device.',
    todo: 'They are sent by themselves when it is back.',
  },
  'disk-full': {
    what: 'The disk of the shop’s record is full.',
    kept: 'What was acknowledged is kept; what you typed stays on this device.',
    todo: 'Tell the owner that space must be made. What waits goes by itself then.',
  },
  'foreign-origin': {
    what: 'The request came from another site.',
    kept: 'Nothing was changed.',
    todo: 'Open Puddlestone itself and try there.',
  },
};
