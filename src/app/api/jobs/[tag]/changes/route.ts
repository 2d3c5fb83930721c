import { perform, readChanges } from '@/server';
import { answerData, answerError } from '@/app/answer';
import { requestContext } from '@/app/session';

/** What changed in a job after the version that a page shows. */
export async function GET(request: Request, { params }: { params: Promise<{ tag: string }> }): Promise<Response> {
  try {
    const { tag } = await params;
    const after = new URL(request.url).searchParams.get('after') ?? '';
    return answerData(await perform(readChanges, await requestContext(), { tag, after }));
  } catch (error) {
    return answerError(error);
  }
}
