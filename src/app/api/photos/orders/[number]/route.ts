import { DomainError } from '@/core/errors';
import { actOrderPhoto, maxPictureBytes } from '@/server';
import { answerData, answerError } from '@/app/answer';
import { readBytes } from '@/app/body';
import { assertOwnOrigin } from '@/app/origin';
import { actorOf, changeContext } from '@/app/session';

/** A picture of a piece of an order as bytes; which piece and its caption stand in the address. */
export async function POST(request: Request, { params }: { params: Promise<{ number: string }> }): Promise<Response> {
  try {
    assertOwnOrigin(request);
    const actor = await actorOf(request);
    if (actor.kind === 'nobody') throw new DomainError('not-signed-in');
    const context = await changeContext(request, actor);
    const { number } = await params;
    const { searchParams } = new URL(request.url);
    const fields = { number, piece: searchParams.get('piece') ?? '', caption: searchParams.get('caption') ?? '' };
    return answerData(await actOrderPhoto(context, fields, () => readBytes(request, maxPictureBytes)));
  } catch (error) {
    return answerError(error);
  }
}
