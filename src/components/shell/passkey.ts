'use client';

import type { InputOf } from '@/contract';
import type { ActError } from '../act/act';

type Added = InputOf<'add-passkey'>['answer'];
type Proved = InputOf<'sign-in-by-passkey'>['answer'];
export type Told<Answer> =
  { readonly ok: true; readonly answer: Answer } | { readonly ok: false; readonly error: ActError };

const fault = (what: string, todo: string): ActError => ({
  ...{ code: 'no-passkey', what, todo, kept: 'Nothing was changed.', issues: [] },
});
/** What a browser says by the name of its error: W3C Web Authentication level 3, sections 5.1.3 and 5.1.4. */
const faults: Readonly<Record<string, ActError>> = {
  NotAllowedError: fault('The device gave no passkey: it was called off, or took too long.', 'Try again.'),
  AbortError: fault('It was called off.', 'Try again.'),
  InvalidStateError: fault(
    'This device has a passkey for you here already.',
    'Sign in with it, or take another device.',
  ),
  SecurityError: fault(
    'Passkeys hold for the name of a place, and this page was opened by a number.',
    'Open it by its name over TLS, or use your password.',
  ),
};
const unknown = fault('The device gave no passkey.', 'Try again, or use your password.');

/** Passkeys need a browser that has them, and a page over TLS or from this very machine. */
const none = fault(
  'There are no passkeys here: they need TLS (an address with https) or localhost.',
  'Use your password, and ask the owner for TLS.',
);
const isOffered = () => window.isSecureContext && 'PublicKeyCredential' in window;

async function told<Answer>(ask: () => Promise<unknown>): Promise<Told<Answer>> {
  if (!isOffered()) return { ok: false, error: none };
  try {
    return { ok: true, answer: (await ask()) as Answer };
  } catch (error) {
    return { ok: false, error: faults[error instanceof Error ? error.name : ''] ?? unknown };
  }
}

/** Lets the browser make a passkey. The package for it is fetched when it is asked for. */
export const makePasskey = (options: Readonly<Record<string, unknown>>): Promise<Told<Added>> =>
  told(async () => {
    const { startRegistration } = await import('@simplewebauthn/browser');
    return startRegistration({ optionsJSON: options as never });
  });

/** Lets the browser prove who is there by a passkey. */
export const provePasskey = (options: Readonly<Record<string, unknown>>): Promise<Told<Proved>> =>
  told(async () => {
    const { startAuthentication } = await import('@simplewebauthn/browser');
    return startAuthentication({ optionsJSON: options as never });
  });
