import { asId, roles, type JobId, type PersonId, type QuoteId } from '../record';
import { mayAct } from '.';

const person = (role: (typeof roles)[number]) => ({
  kind: 'person' as const,
  personId: asId<PersonId>('p'),
  name: 'n',
  role,
});
const customer = { kind: 'customer' as const, jobId: asId<JobId>('j'), quoteId: asId<QuoteId>('q'), linkId: 'l' };

test('a role does what names it, and the owner does all', () => {
  for (const role of roles)
    for (const wanted of roles) expect(mayAct(person(role), [wanted])).toBe(role === wanted || role === 'owner');
});
test('nobody does only what anyone may', () => {
  expect(mayAct({ kind: 'nobody' }, [...roles, 'customer'])).toBe(false);
  expect(mayAct({ kind: 'nobody' }, ['anyone'])).toBe(true);
});
test('a customer does only what a customer may', () => {
  expect(mayAct(customer, [...roles])).toBe(false);
  expect(mayAct(customer, ['customer'])).toBe(true);
});
