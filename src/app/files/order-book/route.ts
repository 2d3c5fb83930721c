import { perform, readOrderBook } from '@/server';
import { answerError, answerFile } from '@/app/answer';
import { requestContext } from '@/app/session';

export async function GET(): Promise<Response> {
  try {
    const { bytes, name } = await perform(readOrderBook, await requestContext(), {});
    return answerFile(bytes, name);
  } catch (error) {
    return answerError(error);
  }
}
