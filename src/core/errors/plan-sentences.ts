/** Sentences of the plan: hands, hours, minutes worked, calendars; and of instruments. */
export const planSentences = {
  'no-resource': ({ id }: { id: string }) => `There is no hand and no place “${id}” in the plan.`,
  'no-worked': () => 'There is no such piece of work any more.',
  'worked-changed': ({ name }: { name: string }) =>
    `The work of ${name} was changed by somebody else meanwhile. Look at it again.`,
  'no-worker': ({ id }: { id: string }) => `Nobody “${id}” works here. Choose somebody from the list.`,
  'no-hours': ({ id }: { id: string }) => `There are no hours called “${id}”. Choose some from the list.`,
  'no-instrument': ({ code }: { code: string }) => `There is no instrument ${code} in the list.`,
  'calibrated-later': ({ day }: { day: string }) =>
    `${day} is still to come: a calibration is written down once it is done.`,
  'no-person': () => 'There is nobody like that here.',
  'own-role': () => 'Nobody takes their own role or shuts themself out: another owner does that.',
  'address-taken': ({ email }: { email: string }) => `${email} already belongs to somebody.`,
  'common-password': () =>
    'Many people choose this password, so it is tried first. Choose three or four words that do not belong together.',
  'password-has-name': ({ named }: { named: string }) =>
    `A password with “${named}” in it is tried first. Choose words that have nothing to do with you.`,
  'common-pin': () => 'Many people choose this PIN, so it is tried first: no rows, no repeated digits, no year.',
  'tablet-name-taken': ({ name }: { name: string }) =>
    `There is a tablet “${name}” already. Give this one another name.`,
  'not-to-hand-to': () => 'Hand the work to somebody else who works here.',
  'factor-holds': () => 'A second factor holds already. End it first, then set up another.',
  'no-factor-begun': () => 'No second factor is being set up. Begin again.',
  'wrong-code': () => 'The code is not the one that the app shows now. The clock of the telephone may be wrong.',
  'passkey-late': () => 'That was asked more than five minutes ago, or was answered already. Begin again.',
  'passkey-wrong': () => 'The browser’s answer is not one of this place. Nothing was kept; begin again.',
  'passkey-known': () => 'This passkey is kept already.',
  'no-tablet': () => 'This tablet is ended already.',
  'no-session': () => 'This sign-in has ended already.',
  'wrong-current': () => 'That is not the password that you have now. It stays as it is.',
  'no-feed': () => 'This calendar link is ended already.',
  'no-customer-page': () => 'This link is ended already.',
  'no-absence': () => 'This absence is gone already.',
  'plan-changed': ({ name }: { name: string }) => `${name} was changed by somebody else meanwhile. Look at it again.`,
} as const;
