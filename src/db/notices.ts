import { present } from '@/core/present';
import * as z from 'zod';
import { decodeRow } from './child-rows';
import { fromJson, rowsOf, type Connection } from './client';
import { audits, backups, people } from './schema';
import { statement } from './written-once';

const texts = z.array(z.string()).nullable();
const moments = { since: people.createdAt, lastGood: backups.startedAt };
const lastGood = `select started_at from backups where finished_at is not null and failure is null
 order by finished_at desc limit 1`;
/** One statement: it is asked for each page that the owner looks at. */
const facts = `select json_array((select min(created_at) from people), (${lastGood})) as moments,
 (select json_arrayagg(words order by at desc limit 20) from audits where kind = 'locked' and at > ?) as locks`.split(
  '?',
);

/** What the notices to the owner follow from. */
export interface NoticeFacts {
  /** Since when there is a shop, by the first of its people; null where there is nobody yet. */
  readonly since: Date | null;
  /** When the last backup without a fault was begun. */
  readonly lastGood: Date | null;
  /** What was locked, newest first. */
  readonly locks: readonly string[];
}

/** @param lockedAfter what was locked before is not told */
export async function readNoticeFacts(connection: Connection, lockedAfter: Date): Promise<NoticeFacts> {
  const asked = statement(facts, [audits.at.mapToDriverValue(lockedAfter)]);
  const row = present((await rowsOf<{ moments: unknown; locks: unknown }>(connection, asked))[0]);
  return { ...present(decodeRow(moments, row.moments)), locks: texts.parse(fromJson(row.locks)) ?? [] };
}
