import { perform, readSketch } from '@/server';
import { answerError, answerFile } from '@/app/answer';
import { requestContext } from '@/app/session';

export async function GET(
  _request: Request,
  { params }: { params: Promise<{ tag: string; partRef: string }> },
): Promise<Response> {
  try {
    const { bytes, name } = await perform(readSketch, await requestContext(), await params);
    return answerFile(bytes, name);
  } catch (error) {
    return answerError(error);
  }
}
