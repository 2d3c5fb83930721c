import sharp from 'sharp';
import { DomainError } from '@/core/errors';
import { viewPart } from '@/core/family';
import { inTurn } from '@/core/in-turn';
import type { CommandOf } from '@/contract';
import type { Asking } from './change-job';

/** The largest picture that is taken in, in bytes. */
export const maxPictureBytes = 20 * 1024 * 1024;
const formats = new Set(['jpeg', 'png', 'webp']);
// A picture has one processor at a time: the others are for people who wait for a page.
sharp.concurrency(1);
// No picture is decoded twice: what is kept of one would only be held.
sharp.cache(false);
/** Pictures are decoded one after the other: each takes a hundred megabytes while it is. */
const decodeInTurn = inTurn();

export interface Picture {
  readonly bytes: Buffer;
  readonly thumb: Buffer;
  /** Pixels. */
  readonly width: number;
  readonly height: number;
}

/** Decodes what was sent and encodes it anew, so that nothing but a picture is ever stored. Throws DomainError. */
export function readPicture(bytes: Buffer): Promise<Picture> {
  return decodeInTurn(() => decodePicture(bytes));
}

async function decodePicture(bytes: Buffer): Promise<Picture> {
  if (bytes.length > maxPictureBytes)
    throw new DomainError('too-large', {
      what: `The picture has ${(bytes.length / 1048576).toFixed(1)} MB; ${maxPictureBytes / 1048576} MB is the most.`,
    });
  try {
    const opened = sharp(bytes, { limitInputPixels: 50_000_000, failOn: 'error' });
    const { format } = await opened.metadata();
    if (!formats.has(format))
      throw new DomainError('not-a-picture', { what: `A file of kind "${format}" is not taken.` });
    const full = await opened
      .rotate()
      .resize(1600, 1600, { fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 80, mozjpeg: false })
      .toBuffer({ resolveWithObject: true });
    // From the small one: to decode twelve million pixels a second time takes longer than all the rest.
    const thumb = await sharp(full.data).resize(320, 240, { fit: 'cover' }).jpeg({ quality: 72 }).toBuffer();
    return { bytes: full.data, thumb, width: full.info.width, height: full.info.height };
  } catch (error) {
    if (error instanceof DomainError) throw error;
    throw new DomainError('not-a-picture', {}, { cause: error });
  }
}

/** A shop's mark: decoded, made small enough for the head of a paper, and encoded anew as PNG. Throws DomainError. */
export async function readMark(bytes: Buffer): Promise<Picture> {
  if (bytes.length > maxPictureBytes) throw new DomainError('too-large', { what: 'The mark is larger than 20 MB.' });
  try {
    const opened = sharp(bytes, { limitInputPixels: 50_000_000, failOn: 'error' });
    const { format } = await opened.metadata();
    if (!formats.has(format))
      throw new DomainError('not-a-picture', {
        what: `A file of kind "${format}" is not taken; send PNG, JPEG or WebP.`,
      });
    const { data, info } = await opened
      .rotate()
      .resize(600, 240, { fit: 'inside', withoutEnlargement: true })
      .png()
      .toBuffer({ resolveWithObject: true });
    return { bytes: data, thumb: data, width: info.width, height: info.height };
  } catch (error) {
    if (error instanceof DomainError) throw error;
    throw new DomainError('not-a-picture', {}, { cause: error });
  }
}

/** A picture of a part, or of the pump as received, from the camera at the bench. */
export async function takeBenchPicture({ context, record, family, command }: Asking<CommandOf<'take-picture'>>) {
  const isWholePump = command.about.startsWith('job:');
  const part = isWholePump ? undefined : family.parts.find((one) => one.ref === command.partRef);
  const taken = await context.standIns.camera.takePicture({
    seed: `${record.tag}/${record.photos.length}/${record.version}`,
    subject: part?.picture ?? 'casing',
    label: `${record.tag} ${part?.name ?? 'as received'}`,
    seen: part || isWholePump ? viewPart(family, part?.ref ?? null) : null,
  });
  return { picture: await readPicture(taken.bytes), caption: command.caption || (part?.name ?? 'As received') };
}
