import { DomainError } from '@/core/errors';
import { findSum, SumRefusal } from '@/core/sums';
import { readJson } from '@/app/body';
import { reckonHeavy } from '@/server/sums/reckon-heavy';

const headers = { 'access-control-allow-origin': '*', 'cache-control': 'no-store' };
const refuse = (
  status: number,
  code: string,
  message: string,
  issues: readonly { path: string; message: string }[] = [],
) => Response.json({ error: { code, message, issues } }, { status, headers });

/** Reckons one sum. 422 for a body that does not fit, 404 for an unknown sum, 413 above 256 KiB; never a 500. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const sum = findSum(id);
  if (!sum) return refuse(404, 'unknown-sum', `There is no sum "${id.slice(0, 60)}"; GET /api/sums lists them all.`);
  try {
    const read = sum.input.safeParse(await readJson(request, 256 * 1024));
    if (!read.success)
      return refuse(
        422,
        'bad-input',
        'The input does not fit this sum.',
        read.error.issues.map((issue) => ({ path: issue.path.join('.'), message: issue.message })),
      );
    return Response.json(sum.needsSolver ? await reckonHeavy(id, read.data) : sum.compute(read.data), { headers });
  } catch (error) {
    if (error instanceof SumRefusal)
      return refuse(422, 'refused', error.message, [{ path: error.path, message: error.message }]);
    if (error instanceof DomainError)
      return error.code === 'too-large'
        ? refuse(413, 'too-large', error.message)
        : refuse(422, 'bad-input', error.message, [{ path: '', message: error.message }]);
    console.error(`sum ${id}`, error);
    return refuse(422, 'not-reckoned', 'This sum cannot be reckoned with these values.');
  }
}
