import { perform, readQuotePdf } from '@/server';
import { answerError, answerFile } from '@/app/answer';
import { requestContext } from '@/app/session';

export async function GET(
  _request: Request,
  { params }: { params: Promise<{ tag: string; revision: string }> },
): Promise<Response> {
  try {
    const { tag, revision } = await params;
    const { bytes, name } = await perform(readQuotePdf, await requestContext(), { tag, revision: Number(revision) });
    return answerFile(bytes, name, { inline: true });
  } catch (error) {
    return answerError(error);
  }
}
