import sharp from 'sharp';
import { DomainError } from '@/core/errors';

export const maxPictureBytes = 12 * 1024 * 1024;
const formats = new Set(['jpeg', 'png', 'webp']);

/** Decodes what was sent and encodes it anew, so that nothing but a picture is ever stored. Throws DomainError. */
export async function readPicture(bytes: Buffer) {
  if (bytes.length > maxPictureBytes)
    throw new DomainError('too-large', {
      what: `The picture has ${(bytes.length / 1048576).toFixed(1)} MB; 12 MB is the most.`,
    });
  try {
    const opened = sharp(bytes, { limitInputPixels: 50_000_000, failOn: 'error' });
    const { format } = await opened.metadata();
    if (!format || !formats.has(format))
      throw new DomainError('not-a-picture', { what: `A file of kind "${format ?? 'unknown'}" is not taken.` });
    const upright = opened.rotate();
    const full = await upright
      .clone()
      .resize(1600, 1600, { fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 80, mozjpeg: false })
      .toBuffer({ resolveWithObject: true });
    const thumb = await upright.clone().resize(320, 240, { fit: 'cover' }).jpeg({ quality: 72 }).toBuffer();
    return { bytes: full.data, thumb, width: full.info.width, height: full.info.height };
  } catch (error) {
    if (error instanceof DomainError) throw error;
    throw new DomainError('not-a-picture', {}, { cause: error });
  }
}
