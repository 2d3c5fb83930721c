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
  'wrong-current': () => 'That is not the password that you have now. It stays as it is.',
  'no-feed': () => 'This calendar link is ended already.',
  'no-customer-page': () => 'This link is ended already.',
  'no-absence': () => 'This absence is gone already.',
  'plan-changed': ({ name }: { name: string }) => `${name} was changed by somebody else meanwhile. Look at it again.`,
} as const;
