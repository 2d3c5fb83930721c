import { customType, datetime, text, varchar } from 'drizzle-orm/mysql-core';
import type { MadeId } from '@/core/record';

/** Identifier made by the application: UUID text. */
export const idColumn = (name: string) => varchar(name, { length: 36 });
/** The same, of one kind. */
export const idOf = <Id extends MadeId>(name: string) => varchar(name, { length: 36 }).$type<Id>();
/** One of the domain's words, checked when it is read. */
export function oneOf<const Words extends readonly string[]>(name: string, words: Words, length = 20) {
  const read = (value: string): Words[number] => {
    const found = words.find((word) => word === value);
    if (found === undefined) throw new RangeError(`${name} holds “${value}”, which is none of ${words.join(', ')}`);
    return found;
  };
  const column = customType<{ data: Words[number]; driverData: string }>({
    dataType: () => `varchar(${length})`,
    fromDriver: read,
    toDriver: (value) => value,
  });
  return column(name);
}
/** Moment in UTC, milliseconds. */
export const momentColumn = (name: string) => datetime(name, { mode: 'date', fsp: 3 });
export const shortText = (name: string) => varchar(name, { length: 191 });
export const longText = (name: string) => text(name);
export const bytesColumn = customType<{ data: Buffer }>({ dataType: () => 'mediumblob' });
export const bigText = customType<{ data: string }>({ dataType: () => 'longtext' });
/** A word that is compared sign by sign. */
export const exactText = customType<{ data: string }>({
  dataType: () => 'varchar(60) character set utf8mb4 collate utf8mb4_bin',
});
