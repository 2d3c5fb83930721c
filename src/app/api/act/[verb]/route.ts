import { DomainError } from '@/core/errors';
import { actUseCases, perform } from '@/server';
import { answerData, answerError } from '@/app/answer';
import { readJson } from '@/app/body';
import { openSealed, requestContext } from '@/app/session';

const opensSession = new Set(['sign-in', 'switch-person', 'create-owner']);
const verbs = new Map(actUseCases.map((useCase) => [useCase.verb, useCase]));

/** The one door for every change: one verb, one JSON body, one answer. */
export async function POST(request: Request, { params }: { params: Promise<{ verb: string }> }): Promise<Response> {
  try {
    const useCase = verbs.get((await params).verb);
    if (!useCase) throw new DomainError('not-found', { what: 'There is no such verb.' });
    const context = await requestContext(request.headers.get('x-customer-link'));
    const body = await readJson(request, useCase.verb === 'add-photo' ? 18 * 1024 * 1024 : 256 * 1024);
    const result = (await perform(useCase, context, body)) as Record<string, unknown>;
    if (!opensSession.has(useCase.verb)) return answerData(result);
    const sealed = await openSealed();
    sealed.sessionId = result.sessionId as string;
    await sealed.save();
    return answerData({ name: result.name, role: result.role });
  } catch (error) {
    return answerError(error);
  }
}
