import { DomainError } from '@/core/errors';

const sayBytes = (bytes: number) =>
  bytes < 1048576 ? `${Math.round(bytes / 1024)} KiB` : `${Math.round(bytes / 1048576)} MB`;

/**
 * Reads a body of limited size. What says beforehand that it is larger is refused before a byte is read; what says how
 * large it is, is put into one place piece by piece, so that its pieces need not be held. Throws DomainError.
 */
export async function readBytes(request: Request, maxBytes: number): Promise<Buffer> {
  const tooLarge = () => new DomainError('too-large', { what: `The body is larger than ${sayBytes(maxBytes)}.` });
  const said = Number(/^\d{1,15}$/.exec(request.headers.get('content-length') ?? '')?.[0] ?? 0);
  if (said > maxBytes) throw tooLarge();
  const reader = request.body?.getReader();
  let room = Buffer.allocUnsafeSlow(said);
  let size = 0;
  for (;;) {
    const part = await reader?.read();
    if (!part || part.done) return room.subarray(0, size);
    const end = size + part.value.length;
    if (end > maxBytes) {
      await reader?.cancel().catch(() => undefined);
      throw tooLarge();
    }
    if (end > room.length) room = Buffer.concat([room.subarray(0, size)], Math.min(maxBytes, 2 * end));
    room.set(part.value, size);
    size = end;
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
