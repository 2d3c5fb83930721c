import { perform, readOwnSessions } from '@/server';
import { answerData, answerError } from '@/app/answer';
import { requestContext } from '@/app/session';

/** Where the person who asks is signed in. */
export async function GET(): Promise<Response> {
  try {
    return answerData(await perform(readOwnSessions, await requestContext(), {}));
  } catch (error) {
    return answerError(error);
  }
}
