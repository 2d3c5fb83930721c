import * as z from 'zod';
import { sums } from '@/core/sums';

const list = sums.map(({ id, title, input, result, example }) => ({ id, title, input: z.toJSONSchema(input, { io: 'input', unrepresentable: 'any' }), result: z.toJSONSchema(result, { unrepresentable: 'any' }), example: { input: example.input } }));

/** All bench sums with the JSON Schema of their input and result, and a worked example. Needs no sign-in: a sum holds no data. */
export function GET(): Response {
  const worked = list.map((one, i) => ({ ...one, example: { ...one.example, ...sums[i]!.compute(sums[i]!.input.parse(one.example.input)) } }));
  return Response.json(worked, { headers: { 'access-control-allow-origin': '*' } });
}
