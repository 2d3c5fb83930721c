import { DomainError } from '@/core/errors';
import { actUseCases, perform } from '@/server';
import { openSealed, requestContext } from '@/app/session';

const signIn = actUseCases.find((useCase) => useCase.verb === 'sign-in')!;
const seeOther = (path: string) =>
  new Response(null, { status: 303, headers: { location: path, 'cache-control': 'no-store' } });

/** The sign-in form as a browser sends it by itself, before the page's scripts are there: the word never stands in an address. */
export async function POST(request: Request): Promise<Response> {
  try {
    const form = await request.formData();
    const { sessionId } = (await perform(signIn, await requestContext(), {
      email: String(form.get('email') ?? ''),
      password: String(form.get('password') ?? ''),
    })) as { sessionId: string };
    const sealed = await openSealed();
    sealed.sessionId = sessionId;
    await sealed.save();
    return seeOther('/');
  } catch (error) {
    if (error instanceof DomainError || error instanceof TypeError)
      return seeOther(`/sign-in?refused=${error instanceof DomainError ? error.code : 'bad-input'}`);
    throw error;
  }
}
