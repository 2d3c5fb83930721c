import { askPromise, perform } from '@/server';
import { answerData, answerError } from '@/app/answer';
import { requestContext } from '@/app/session';

/** When, if a pump came on a day: in its turn or put first. */
export async function GET(request: Request): Promise<Response> {
  try {
    const query = new URL(request.url).searchParams;
    const input = {
      ...{ familyId: query.get('familyId') ?? '', size: query.get('size') ?? '', comesOn: query.get('comesOn') ?? '' },
      isFirst: query.get('first') === 'yes',
    };
    return answerData(await perform(askPromise, await requestContext(), input));
  } catch (error) {
    return answerError(error);
  }
}
