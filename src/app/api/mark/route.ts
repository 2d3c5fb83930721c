import { DomainError } from '@/core/errors';
import { actMark, maxPictureBytes } from '@/server';
import { answerData, answerError } from '@/app/answer';
import { readBytes } from '@/app/body';
import { assertOwnOrigin } from '@/app/origin';
import { actorOf, changeContext } from '@/app/session';

/** The shop's mark as bytes. */
export async function POST(request: Request): Promise<Response> {
  try {
    assertOwnOrigin(request);
    const actor = await actorOf(request);
    if (actor.kind === 'nobody') throw new DomainError('not-signed-in');
    const context = await changeContext(request, actor);
    return answerData(await actMark(context, () => readBytes(request, maxPictureBytes)));
  } catch (error) {
    return answerError(error);
  }
}
