import { perform, readJobFolder } from '@/server';
import { answerError, answerFile } from '@/app/answer';
import { requestContext } from '@/app/session';

/** A job as a folder in a zip. */
export async function GET(_request: Request, { params }: { params: Promise<{ tag: string }> }): Promise<Response> {
  try {
    const { bytes, name } = await perform(readJobFolder, await requestContext(), await params);
    return answerFile(bytes, name);
  } catch (error) {
    return answerError(error);
  }
}
