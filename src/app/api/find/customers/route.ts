import { findCustomers, perform } from '@/server';
import { answerData, answerError } from '@/app/answer';
import { requestContext } from '@/app/session';

export async function GET(request: Request): Promise<Response> {
  try {
    const text = new URL(request.url).searchParams.get('text') ?? '';
    return answerData(await perform(findCustomers, await requestContext(), { text: text.slice(0, 200) }));
  } catch (error) {
    return answerError(error);
  }
}
