import * as z from 'zod';
import { DomainError } from '@/core/errors';
import { perform, readFamilyDocument } from '@/server';
import { answerError, answerFile } from '@/app/answer';
import { requestContext } from '@/app/session';

const kinds = z.enum(['file', 'booklet', 'traveller']);

export async function GET(
  request: Request,
  { params }: { params: Promise<{ id: string; as: string }> },
): Promise<Response> {
  try {
    const { id, as } = await params;
    const kind = kinds.safeParse(as);
    if (!kind.success)
      throw new DomainError('not-found', { what: `A family is given as ${kinds.options.join(', ')}.` });
    const asked = new URL(request.url).searchParams;
    const { bytes, name } = await perform(readFamilyDocument, await requestContext(), {
      familyId: id,
      as: kind.data,
      words: [...asked.entries()],
    });
    return answerFile(bytes, name, { inline: kind.data !== 'file' });
  } catch (error) {
    return answerError(error);
  }
}
