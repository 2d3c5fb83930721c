import { perform, readPhoto } from '@/server';
import { answerError, answerFile } from '@/app/answer';
import { requestContext } from '@/app/session';

export async function GET(
  request: Request,
  { params }: { params: Promise<{ id: string; size: string }> },
): Promise<Response> {
  try {
    const { id, size } = await params;
    const { bytes } = await perform(readPhoto, await requestContext(new URL(request.url).searchParams.get('link')), {
      photoId: id,
      size,
    });
    return answerFile(bytes, `${id}.jpg`, { inline: true, maxAge: 86400 });
  } catch (error) {
    return answerError(error);
  }
}
