import { reason, refuse } from '@/core/change/decision';

let known: { readonly passwords: ReadonlySet<string>; readonly pins: ReadonlySet<string> } | undefined;
/** PINs that are this far at the front of the list are met by a few guesses. */
const commonPins = 2000;

/**
 * The list that ships: 49 000 passwords that people choose, most frequent first. Read when it is first asked: a process
 * in which nobody chooses one is three megabytes smaller.
 */
async function lists() {
  if (known) return known;
  const { dictionary } = await import('@zxcvbn-ts/language-common');
  const words = dictionary['passwords-common'].map(String);
  const pins = words.slice(0, commonPins).filter((word) => /^\d{4,8}$/.test(word));
  return (known = { passwords: new Set(words.map((word) => word.toLowerCase())), pins: new Set(pins) });
}

/** What is tried first: the same digit, digits in a row, a pair again, a year of somebody's birth. */
function isSimplePin(pin: string): boolean {
  const digits = [...pin].map(Number);
  const steps = new Set(digits.slice(1).map((digit, i) => (digit - (digits[i] ?? 0) + 10) % 10));
  const isRow = steps.size === 1 && [0, 1, 9].includes([...steps][0] ?? -1);
  return isRow || /^(\d\d)\1+$/.test(pin) || /^(19[3-9]\d|20[0-2]\d)$/.test(pin);
}

export interface Chosen {
  readonly password?: string | undefined;
  readonly pin?: string | undefined;
  /** Whose it is to be: their name and address are the first that is guessed. */
  readonly name: string;
  readonly email: string;
}

/**
 * Refuses a password or a PIN that many people choose, or that names its person or this product. Rejects with
 * DomainError.
 */
export async function refuseCommon({ password, pin, name, email }: Chosen): Promise<void> {
  if (password !== undefined) {
    const word = password.toLowerCase();
    // What hangs at the end of a common word does not make it a rare one.
    const bare = word.replace(/[\d\W_]+$/, '');
    const { passwords } = await lists();
    if (passwords.has(word) || (bare.length >= 4 && word.length - bare.length <= 6 && passwords.has(bare)))
      refuse('bad-input', reason('common-password'), 'password');
    const own = [...name.toLowerCase().split(/\s+/), email.toLowerCase().split('@')[0] ?? '', 'puddlestone'];
    const named = own.find((one) => one.length >= 4 && word.includes(one) && word.length - one.length < 8);
    if (named !== undefined) refuse('bad-input', reason('password-has-name', { named }), 'password');
  }
  if (pin && (isSimplePin(pin) || (await lists()).pins.has(pin))) refuse('bad-input', reason('common-pin'), 'pin');
}
