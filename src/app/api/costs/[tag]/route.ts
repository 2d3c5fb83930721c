import { perform, readCosts } from '@/server';
import { answerData, answerError } from '@/app/answer';
import { requestContext } from '@/app/session';

export async function GET(_request: Request, { params }: { params: Promise<{ tag: string }> }): Promise<Response> {
  try {
    return answerData(await perform(readCosts, await requestContext(), await params));
  } catch (error) {
    return answerError(error);
  }
}
