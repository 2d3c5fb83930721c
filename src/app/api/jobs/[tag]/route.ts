import { perform, readJob } from '@/server';
import { answerData, answerError } from '@/app/answer';
import { requestContext } from '@/app/session';

/** The whole record of a job as JSON, with its family and what follows from them. */
export async function GET(_request: Request, { params }: { params: Promise<{ tag: string }> }): Promise<Response> {
  try {
    return answerData(await perform(readJob, await requestContext(), await params));
  } catch (error) {
    return answerError(error);
  }
}
