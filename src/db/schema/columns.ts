import { customType, datetime, text, varchar } from 'drizzle-orm/mysql-core';

/** Identifier made by the application: UUID text. */
export const idColumn = (name: string) => varchar(name, { length: 36 });
/** Moment in UTC, milliseconds. */
export const momentColumn = (name: string) => datetime(name, { mode: 'date', fsp: 3 });
export const shortText = (name: string) => varchar(name, { length: 191 });
export const longText = (name: string) => text(name);
export const bytesColumn = customType<{ data: Buffer }>({ dataType: () => 'mediumblob' });
export const bigText = customType<{ data: string }>({ dataType: () => 'longtext' });
