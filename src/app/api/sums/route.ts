import { present } from '@/core/present';
import * as z from 'zod';
import { sums, type Sum } from '@/core/sums';
import { reckonHeavy } from '@/server/sums/reckon-heavy';

const list = sums.map(({ id, title, input, result, example }) => ({
  id,
  title,
  input: z.toJSONSchema(input, { io: 'input', unrepresentable: 'any' }),
  result: z.toJSONSchema(result, { unrepresentable: 'any' }),
  example: { input: example.input },
}));

async function workOut(sum: Sum): Promise<object> {
  const input = sum.input.parse(sum.example.input);
  return sum.needsSolver ? reckonHeavy(sum.id, input) : sum.compute(input);
}

let worked: Promise<unknown> | undefined;

/**
 * All bench sums with the JSON Schema of their input and result, and a worked example. Needs no sign-in: a sum holds no
 * data.
 */
export async function GET(): Promise<Response> {
  worked ??= Promise.all(
    list.map(async (one, i) => ({ ...one, example: { ...one.example, ...(await workOut(present(sums[i]))) } })),
  );
  try {
    return Response.json(await worked, { headers: { 'access-control-allow-origin': '*' } });
  } catch (error) {
    // The examples are asked for again next time.
    worked = undefined;
    console.error('list of sums', error);
    return Response.json(list, { headers: { 'access-control-allow-origin': '*' } });
  }
}
