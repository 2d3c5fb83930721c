import * as z from 'zod';
import { addPhoto as addPhotoRow, loadJobRecord } from '@/db';
import { changeJob } from '../change-job';
import { findFamily } from '../families';
import { sha256 } from '../fingerprint';
import { DomainError } from '@/core/errors';
import { defineUseCase, optionalText, tagField } from '../use-case';
import { readPicture } from './pictures';

/** Takes a picture with the camera at the bench. */
export const takePicture = defineUseCase({
  verb: 'take-picture',
  audience: ['coordinator', 'technician', 'inspector'],
  input: z.strictObject({
    tag: tagField,
    about: z
      .string()
      .regex(/^[a-z]+:[\w-]+$/)
      .max(80),
    partRef: z.string().max(60),
    caption: optionalText(300),
  }),
  async run(context, { tag, about, partRef, caption }) {
    const record = await loadJobRecord(context.database, tag);
    if (!record) throw new DomainError('not-found', { what: `There is no job ${tag}.` });
    const family = await findFamily(context.database, record.familyId, record.familyVersion);
    const part = family.parts.find((one) => one.ref === partRef);
    const taken = await context.standIns.camera.takePicture({
      seed: `${tag}/${record.photos.length}/${record.version}`,
      subject: part?.picture ?? 'casing',
      label: `${tag} ${part?.name ?? 'as received'}`,
    });
    const picture = await readPicture(taken.bytes);
    const photoId = context.newId();
    return changeJob(context, { tag, kind: 'take-picture' }, async ({ connection, record: locked, who }) => {
      await addPhotoRow(connection, {
        id: photoId,
        jobId: locked.id,
        about,
        caption: caption || (part?.name ?? 'As received'),
        ...picture,
        ...who,
      });
      return { result: { photoId }, data: { photoId, about, fingerprint: sha256(picture.bytes) } };
    });
  },
});
