const same = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other);

/** A draft that outlived a reload: what stood there when it was begun, and what it says. */
export interface Draft<Fields extends object> {
  readonly base: Fields;
  readonly mine: Fields;
}

export interface Merged<Fields extends object> {
  readonly fields: Fields;
  /** Fields that both sides changed, and differently: a person chooses. */
  readonly conflicts: readonly (keyof Fields & string)[];
  /** Fields that only somebody else changed; they stand as they are now. */
  readonly taken: readonly (keyof Fields & string)[];
}

/**
 * A draft held against what stands now, field by field: what only one side changed is taken from that side; what both
 * changed stays as drafted and is named.
 */
export function mergeDraft<Fields extends object>({ base, mine }: Draft<Fields>, now: Fields): Merged<Fields> {
  const keys = Object.keys(now) as (keyof Fields & string)[];
  const isMine = (key: keyof Fields) => !same(mine[key], base[key]);
  const isTheirs = (key: keyof Fields) => !same(now[key], base[key]);
  const fields = { ...now };
  for (const key of keys) if (isMine(key)) fields[key] = mine[key];
  return {
    fields,
    conflicts: keys.filter((key) => isMine(key) && isTheirs(key) && !same(mine[key], now[key])),
    taken: keys.filter((key) => !isMine(key) && isTheirs(key)),
  };
}

/** The draft after a person chose for one field: theirs as it is now, or their own in spite of it. */
export function chooseField<Fields extends object>(
  { base, mine }: Draft<Fields>,
  now: Fields,
  key: keyof Fields,
  stands: 'mine' | 'theirs',
): Draft<Fields> {
  const chosen = stands === 'mine' ? mine[key] : now[key];
  return { base: { ...base, [key]: now[key] }, mine: { ...mine, [key]: chosen } };
}
