import { DomainError } from '@/core/errors';

/** Reads a JSON body of limited size. Throws DomainError. */
export async function readJson(request: Request, maxBytes: number): Promise<unknown> {
  const tooLarge = () =>
    new DomainError('too-large', { what: `The body is larger than ${Math.round(maxBytes / 1024)} KiB.` });
  if (Number(request.headers.get('content-length') ?? 0) > maxBytes) throw tooLarge();
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of (request.body ?? []) as AsyncIterable<Uint8Array>) {
    size += chunk.length;
    if (size > maxBytes) throw tooLarge();
    chunks.push(chunk);
  }
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(Buffer.concat(chunks)));
  } catch (error) {
    throw new DomainError('bad-input', { what: 'The body is not JSON.' }, { cause: error });
  }
}
