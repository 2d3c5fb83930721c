import { perform, tryPlan } from '@/server';
import { answerData, answerError } from '@/app/answer';
import { requestContext } from '@/app/session';

/** What a change would do to the plan; the change stands as JSON in the query, for nothing is kept. */
export async function GET(request: Request): Promise<Response> {
  try {
    const text = new URL(request.url).searchParams.get('change') ?? '';
    let change: unknown = null;
    try {
      change = JSON.parse(text);
    } catch {
      // What is no JSON is refused by the schema, by name.
    }
    return answerData(await perform(tryPlan, await requestContext(), { change }));
  } catch (error) {
    return answerError(error);
  }
}
