import { perform, readFloorChanges } from '@/server';
import { answerData, answerError } from '@/app/answer';
import { requestContext } from '@/app/session';

/** Whether the floor would show something else: asked every few seconds by whoever looks at it. */
export async function GET(): Promise<Response> {
  try {
    return answerData(await perform(readFloorChanges, await requestContext(), {}));
  } catch (error) {
    return answerError(error);
  }
}
