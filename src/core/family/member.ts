import type { Family } from './format';

/** The id of an element of one member of a set. @example memberId('ring-bore', 3) // 'ring-bore-3' */
export const memberId = (id: string, member: number): string => `${id}-${member}`;

/** What a member is called in a title: its own name, or its number. @example 'stage 3', 'drive end' */
export function memberName(family: Pick<Family, 'sets'>, set: string, member: number): string {
  const found = family.sets.find((one) => one.id === set);
  return found?.names[member - 1] ?? `${found?.title ?? set} ${member}`;
}
