import { closeSession, getRuntime } from '@/server';
import { answerData, answerError } from '@/app/answer';
import { assertOwnOrigin } from '@/app/origin';
import { currentSessionId, dropSession } from '@/app/session';

export async function POST(request: Request): Promise<Response> {
  try {
    assertOwnOrigin(request);
    const sessionId = await currentSessionId();
    if (sessionId) await closeSession(getRuntime().database, sessionId, new Date());
    await dropSession();
    return answerData({});
  } catch (error) {
    return answerError(error);
  }
}
