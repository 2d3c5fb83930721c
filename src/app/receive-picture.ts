import { DomainError } from '@/core/errors';
import { inTurn } from '@/core/in-turn';
import { maxPictureBytes, type Context } from '@/server';
import { answerData, answerError } from './answer';
import { readBytes } from './body';
import { assertOwnOrigin } from './origin';
import { actorOf, changeContext } from './session';

/**
 * So many pictures are in hand at once, from their first byte until they are kept: one is decoded while the next comes.
 * The others wait where they are, unread; ten of them together were fifty megabytes.
 */
const someAtOnce = inTurn(3);

/**
 * Answers a picture that comes as bytes. Nobody's bytes are read before they are known.
 * @param keep keeps the picture; it reads the bytes when it knows that it may
 */
export async function receivePicture(
  request: Request,
  keep: (context: Context, read: () => Promise<Buffer>) => Promise<unknown>,
): Promise<Response> {
  try {
    assertOwnOrigin(request);
    const actor = await actorOf(request);
    if (actor.kind === 'nobody') throw new DomainError('not-signed-in');
    const context = await changeContext(request, actor);
    return answerData(await someAtOnce(() => keep(context, () => readBytes(request, maxPictureBytes))));
  } catch (error) {
    return answerError(error);
  }
}

/** What stands in the address of a picture under a name; empty where nothing does. */
export const saidOf = (request: Request, name: string) => new URL(request.url).searchParams.get(name) ?? '';
