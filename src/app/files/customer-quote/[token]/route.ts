import { perform, readOwnQuotePdf } from '@/server';
import { answerError, answerFile } from '@/app/answer';
import { requestContext } from '@/app/session';
import { isDead } from '@/app/customer/is-dead';

export async function GET(request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  try {
    const { bytes, name } = await perform(readOwnQuotePdf, await requestContext(token), {});
    return answerFile(bytes, name);
  } catch (error) {
    // Of a dead link the page says in the customer's words what to do.
    if (isDead(error))
      return new Response(null, { status: 303, headers: { location: `/customer/${encodeURIComponent(token)}` } });
    return answerError(error);
  }
}
