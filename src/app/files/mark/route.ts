import { perform, readMarkPicture } from '@/server';
import { answerError, answerFile } from '@/app/answer';
import { requestContext } from '@/app/session';

export async function GET(): Promise<Response> {
  try {
    const { bytes } = await perform(readMarkPicture, await requestContext(), {});
    return answerFile(bytes, 'mark.png', { inline: true });
  } catch (error) {
    return answerError(error);
  }
}
