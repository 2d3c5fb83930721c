import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { addPhoto as addPhotoRow } from '@/db';
import { changeJob } from '../change-job';
import { sha256 } from '../fingerprint';
import { defineUseCase, optionalText, tagField } from '../use-case';
import { readPicture } from './pictures';

/** Adds a picture that a person uploads: base64 of a JPEG, PNG or WebP. */
export const addPhoto = defineUseCase({
  verb: 'add-photo',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({
    tag: tagField,
    about: z
      .string()
      .regex(/^[a-z]+:[\w-]+$/, 'says what the picture is about, such as part:impeller')
      .max(80),
    caption: optionalText(300),
    base64: z.string().min(1).max(17_000_000),
  }),
  async run(context, { tag, about, caption, base64 }) {
    if (!/^[A-Za-z0-9+/]+={0,2}$/.test(base64)) throw new DomainError('not-a-picture');
    const picture = await readPicture(Buffer.from(base64, 'base64'));
    const photoId = context.newId();
    return changeJob(context, { tag, kind: 'add-photo' }, async ({ connection, record, who }) => {
      await addPhotoRow(connection, { id: photoId, jobId: record.id, about, caption, ...picture, ...who });
      return { result: { photoId }, data: { photoId, about, caption, fingerprint: sha256(picture.bytes) } };
    });
  },
});
