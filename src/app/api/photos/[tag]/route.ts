import { DomainError } from '@/core/errors';
import { actPhoto, maxPictureBytes } from '@/server';
import { answerData, answerError } from '@/app/answer';
import { readBytes } from '@/app/body';
import { assertOwnOrigin } from '@/app/origin';
import { actorOf, changeContext } from '@/app/session';

/**
 * A picture as bytes; what it is about and its caption stand in the address. Nobody's bytes are read before they are
 * known.
 */
export async function POST(request: Request, { params }: { params: Promise<{ tag: string }> }): Promise<Response> {
  try {
    assertOwnOrigin(request);
    const actor = await actorOf(request);
    if (actor.kind === 'nobody') throw new DomainError('not-signed-in');
    const context = await changeContext(request, actor);
    const { tag } = await params;
    const { searchParams } = new URL(request.url);
    const fields = { tag, about: searchParams.get('about') ?? '', caption: searchParams.get('caption') ?? '' };
    return answerData(await actPhoto(context, fields, () => readBytes(request, maxPictureBytes)));
  } catch (error) {
    return answerError(error);
  }
}
