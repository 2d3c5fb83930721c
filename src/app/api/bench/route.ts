import { audiences, perform, readBench } from '@/server';
import { answerData, answerError } from '@/app/answer';
import { requestContext } from '@/app/session';

/** What a tablet at the bench holds for a time without a line; `also` names jobs that were opened on it. */
export async function GET(request: Request): Promise<Response> {
  try {
    const tags = new URL(request.url).searchParams.getAll('also');
    return answerData({ ...(await perform(readBench, await requestContext(), { tags })), audiences });
  } catch (error) {
    return answerError(error);
  }
}
