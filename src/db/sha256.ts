import { createHash } from 'node:crypto';

/** SHA-256 of a text or of bytes, lower-case hex. */
export function sha256(data: string | Buffer): string {
  return createHash('sha256').update(data).digest('hex');
}
