import type { SupplySource } from '@/core/record';
import type { Need } from '@/core/supply';
import { sayDate } from '../job/view';

/** Sources as a line says them. */
export const sourceNames: Readonly<Record<SupplySource, string>> = {
  bought: 'bought',
  shelf: 'our shelf',
  customer: 'the customer’s own',
  donor: 'a donor',
  made: 'made here',
  outside: 'out for work',
};

const toDo: Readonly<Record<SupplySource, string>> = {
  bought: 'to order',
  shelf: 'to take from the shelf',
  customer: 'to ask for',
  donor: 'no donor chosen',
  made: 'not drawn yet',
  outside: 'to send out',
};
const coming: Readonly<Record<SupplySource, string>> = {
  bought: 'due',
  shelf: 'to lay ready',
  customer: 'promised for',
  donor: 'to lay ready',
  made: 'done on',
  outside: 'back on',
};

/** How a need stands, in a few words. */
export function sayNeed({ source, quantity, ordered, received, dueOn, leadDays }: Need): string {
  if (received >= quantity) return 'here';
  const words =
    ordered < quantity
      ? `${toDo[source]}${source === 'bought' ? `, ${leadDays} days` : ''}`
      : `${coming[source]}${dueOn ? ` ${sayDate(dueOn)}` : ''}`;
  return received > 0 ? `${quantity - received} short, ${words}` : words;
}
