import { perform, readLabelsPdf } from '@/server';
import { answerError, answerFile } from '@/app/answer';
import { requestContext } from '@/app/session';

export async function GET(_request: Request, { params }: { params: Promise<{ tag: string }> }): Promise<Response> {
  try {
    const { bytes, name } = await perform(readLabelsPdf, await requestContext(), await params);
    return answerFile(bytes, name, { inline: true });
  } catch (error) {
    return answerError(error);
  }
}
