import { perform, readCatalogueFile } from '@/server';
import { answerError, answerFile } from '@/app/answer';
import { requestContext } from '@/app/session';

export async function GET(_request: Request, { params }: { params: Promise<{ kind: string }> }): Promise<Response> {
  try {
    const { text, name } = await perform(readCatalogueFile, await requestContext(), await params);
    return answerFile(Buffer.from(text), name);
  } catch (error) {
    return answerError(error);
  }
}
