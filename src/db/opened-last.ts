import { desc, lt } from 'drizzle-orm';
import type { Connection } from './client';
import * as t from './schema';

/** Jobs by which it is judged how long things take: those that were opened last. */
const judgedBy = 700;

/** The jobs that were opened last, before a moment where one is named. */
export const openedLast = (connection: Connection, before?: Date) =>
  connection
    .select({ id: t.jobs.id, tag: t.jobs.tag, station: t.jobs.station, openedAt: t.jobs.openedAt })
    .from(t.jobs)
    .where(before && lt(t.jobs.openedAt, before))
    .orderBy(desc(t.jobs.openedAt))
    .limit(judgedBy)
    .as('opened_last');
