import { DomainError } from '@/core/errors';
import { asId, type PersonId } from '@/core/record';
import { act } from '@/server';
import { readBytes } from '@/app/body';
import { assertOwnOrigin } from '@/app/origin';
import { keepDevice, keepSession, requestContext } from '@/app/session';

const seeOther = (path: string) =>
  new Response(null, { status: 303, headers: { location: path, 'cache-control': 'no-store' } });

/** Largest form, in bytes. */
const mostBytes = 16 * 1024;

/**
 * The sign-in form as a browser sends it by itself, before the page's scripts are there: the word never stands in an
 * address.
 */
export async function POST(request: Request): Promise<Response> {
  try {
    assertOwnOrigin(request);
    const form = new URLSearchParams((await readBytes(request, mostBytes)).toString('utf8'));
    const code = form.get('code');
    const input = { email: form.get('email') ?? '', password: form.get('password') ?? '', ...(code && { code }) };
    const { sessionId, personId } = await act('sign-in', await requestContext(), input);
    await keepSession(sessionId);
    await keepDevice({ knows: asId<PersonId>(personId) });
    return seeOther('/');
  } catch (error) {
    if (error instanceof DomainError) return seeOther(`/sign-in?refused=${error.code}`);
    throw error;
  }
}
