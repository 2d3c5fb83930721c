import { eq, inArray } from 'drizzle-orm';
import type { JobId, PhotoId } from '@/core/record';
import type { Connection } from './client';
import * as t from './schema';

/** A picture of a job, or of an order, which is no job's; null for none. */
export async function findPhoto(connection: Connection, id: string, size: 'full' | 'thumb') {
  const [row] = await connection
    .select({ jobId: t.photos.jobId, bytes: size === 'full' ? t.photos.bytes : t.photos.thumb })
    .from(t.photos)
    .where(eq(t.photos.id, id as PhotoId));
  if (row) return row;
  const { orderPhotos } = t;
  const [other] = await connection
    .select({ bytes: size === 'full' ? orderPhotos.bytes : orderPhotos.thumb })
    .from(orderPhotos)
    .where(eq(orderPhotos.id, id as PhotoId));
  return other ? { jobId: null, bytes: other.bytes } : null;
}

export async function addOrderPhotoRow(connection: Connection, row: typeof t.orderPhotos.$inferInsert): Promise<void> {
  await connection.insert(t.orderPhotos).values(row);
}

/** Pictures that lie with an order, oldest first, without their bytes. */
export function listOrderPhotos(connection: Connection, orderNumber: string) {
  const { id, piece, caption, at } = t.orderPhotos;
  return connection
    .select({ id, piece, caption })
    .from(t.orderPhotos)
    .where(eq(t.orderPhotos.orderNumber, orderNumber))
    .orderBy(at, id)
    .limit(60);
}

/** Pictures of a job for its documents, at most `limit`. */
export async function listPhotoBytes(connection: Connection, jobId: JobId, limit: number) {
  return connection
    .select({
      id: t.photos.id,
      caption: t.photos.caption,
      about: t.photos.about,
      bytes: t.photos.bytes,
      at: t.photos.at,
    })
    .from(t.photos)
    .where(eq(t.photos.jobId, jobId))
    .orderBy(t.photos.at, t.photos.id)
    .limit(limit);
}

/** To which jobs some pictures belong. */
export async function tagsOfPhotos(
  connection: Connection,
  ids: readonly PhotoId[],
): Promise<ReadonlyMap<PhotoId, string>> {
  if (!ids.length) return new Map();
  const rows = await connection
    .select({ id: t.photos.id, tag: t.jobs.tag })
    .from(t.photos)
    .innerJoin(t.jobs, eq(t.jobs.id, t.photos.jobId))
    .where(inArray(t.photos.id, [...ids]));
  return new Map(rows.map(({ id, tag }) => [id, tag]));
}
