import { perform, readOrderUbl } from '@/server';
import { answerError, answerFile } from '@/app/answer';
import { requestContext } from '@/app/session';

export async function GET(_request: Request, { params }: { params: Promise<{ number: string }> }): Promise<Response> {
  try {
    const { bytes, name } = await perform(readOrderUbl, await requestContext(), await params);
    return answerFile(bytes, name);
  } catch (error) {
    return answerError(error);
  }
}
