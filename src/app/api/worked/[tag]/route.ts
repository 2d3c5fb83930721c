import { perform, readWorked } from '@/server';
import { answerData, answerError } from '@/app/answer';
import { requestContext } from '@/app/session';

/** The work on a pump, piece by piece and by station. */
export async function GET(_request: Request, { params }: { params: Promise<{ tag: string }> }): Promise<Response> {
  try {
    return answerData(await perform(readWorked, await requestContext(), await params));
  } catch (error) {
    return answerError(error);
  }
}
