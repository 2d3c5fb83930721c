import { closeSession, getRuntime } from '@/server';
import { answerData, answerError } from '@/app/answer';
import { openSealed } from '@/app/session';

export async function POST(): Promise<Response> {
  try {
    const sealed = await openSealed();
    if (sealed.sessionId) await closeSession(getRuntime().database, sealed.sessionId, new Date());
    sealed.destroy();
    return answerData({});
  } catch (error) {
    return answerError(error);
  }
}
