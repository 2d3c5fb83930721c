import { DomainError } from '@/core/errors';

const sayBytes = (bytes: number) =>
  bytes < 1048576 ? `${Math.round(bytes / 1024)} KiB` : `${Math.round(bytes / 1048576)} MB`;

/**
 * Reads a body of limited size. What says beforehand that it is larger is refused before a byte is read. Throws
 * DomainError.
 */
export async function readBytes(request: Request, maxBytes: number): Promise<Buffer> {
  const tooLarge = () => new DomainError('too-large', { what: `The body is larger than ${sayBytes(maxBytes)}.` });
  if (Number(request.headers.get('content-length') ?? 0) > maxBytes) throw tooLarge();
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  for (;;) {
    const part = await reader?.read();
    if (!part || part.done) return Buffer.concat(chunks);
    size += part.value.length;
    if (size > maxBytes) {
      await reader?.cancel().catch(() => undefined);
      throw tooLarge();
    }
    chunks.push(part.value);
  }
}

/** Reads a JSON body of limited size. Throws DomainError. */
export async function readJson(request: Request, maxBytes: number): Promise<unknown> {
  const bytes = await readBytes(request, maxBytes);
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch (error) {
    throw new DomainError('bad-input', { what: 'The body is not JSON.' }, { cause: error });
  }
}
