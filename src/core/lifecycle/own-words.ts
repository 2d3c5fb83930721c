import type { Holder, Outcome, Station } from '../record';

const atStation: Readonly<Record<Station, string>> = {
  receive: 'It is here and waits to be opened.',
  teardown: 'We are taking it apart.',
  clean: 'Its parts are being cleaned.',
  inspect: 'Its parts are being measured.',
  quote: 'We are working out what can be done, and at what price.',
  approve: 'We wait for your answer to our offer.',
  parts: 'Its parts are coming.',
  rebuild: 'We are putting it together.',
  test: 'It is on the test stand.',
  report: 'It is ready; we are writing its report.',
  return: 'It is ready to go back to you.',
};

/** How a pump stands, as its owner reads it. */
export function sayForOwner({
  station,
  holder,
  outcome,
}: {
  readonly station: Station;
  readonly holder: Holder;
  readonly outcome: Outcome;
}): string {
  if (outcome === 'declined') return 'It goes back to you as it is.';
  if (outcome === 'scrapped') return 'It will be scrapped, as you said.';
  if (outcome === 'donor') return 'It stays with us as a donor of parts, as you said.';
  // What was found later asks the owner again, wherever the work has come to.
  if (holder === 'C' && station !== 'approve') return 'We wait for your answer.';
  return atStation[station];
}
