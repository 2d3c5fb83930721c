import { perform, readMailAttachment } from '@/server';
import { answerError, answerFile } from '@/app/answer';
import { requestContext } from '@/app/session';

export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  try {
    const { bytes, name } = await perform(readMailAttachment, await requestContext(), { mailId: (await params).id });
    return answerFile(bytes, name);
  } catch (error) {
    return answerError(error);
  }
}
