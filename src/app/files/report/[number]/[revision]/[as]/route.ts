import { perform, readReport } from '@/server';
import { answerError, answerFile } from '@/app/answer';
import { requestContext } from '@/app/session';

export async function GET(
  _request: Request,
  { params }: { params: Promise<{ number: string; revision: string; as: string }> },
): Promise<Response> {
  try {
    const { bytes, name } = await perform(readReport, await requestContext(), await params);
    return answerFile(bytes, name, { inline: true });
  } catch (error) {
    return answerError(error);
  }
}
