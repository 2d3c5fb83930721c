import { perform, readFeed } from '@/server';
import { answerError, answerFile } from '@/app/answer';
import { requestContext } from '@/app/session';

/** A calendar by its link: whoever has it reads it, without signing in. */
export async function GET(_request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  try {
    const { text } = await perform(readFeed, await requestContext(), await params);
    return answerFile(Buffer.from(text), 'calendar.ics');
  } catch (error) {
    return answerError(error);
  }
}
