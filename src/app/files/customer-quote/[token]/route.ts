import { perform, readOwnQuotePdf } from '@/server';
import { answerError, answerFile } from '@/app/answer';
import { requestContext } from '@/app/session';

export async function GET(_request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  try {
    const { bytes, name } = await perform(readOwnQuotePdf, await requestContext((await params).token), {});
    return answerFile(bytes, name);
  } catch (error) {
    return answerError(error);
  }
}
