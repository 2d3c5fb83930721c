/** What was typed into a field of a form; empty for a field that is not there. */
export function textOf(data: FormData, name: string): string {
  const value = data.get(name);
  return typeof value === 'string' ? value : '';
}

/** The word of a list that was chosen; the first where the choice is none of them. */
export function oneOf<const Words extends readonly [string, ...string[]]>(words: Words, chosen: string): Words[number] {
  return words.find((word) => word === chosen) ?? words[0];
}
