import { perform, readOrderPdf } from '@/server';
import { answerError, answerFile } from '@/app/answer';
import { requestContext } from '@/app/session';

export async function GET(_request: Request, { params }: { params: Promise<{ number: string }> }): Promise<Response> {
  try {
    const { bytes, name } = await perform(readOrderPdf, await requestContext(), await params);
    return answerFile(bytes, name, { inline: true });
  } catch (error) {
    return answerError(error);
  }
}
