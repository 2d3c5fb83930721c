import { perform, readListCsv } from '@/server';
import { answerError, answerFile } from '@/app/answer';
import { requestContext } from '@/app/session';

/** A list of the shop as CSV. */
export async function GET(_request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> {
  try {
    const { bytes, name } = await perform(readListCsv, await requestContext(), await params);
    return answerFile(bytes, name);
  } catch (error) {
    return answerError(error);
  }
}
