import { present } from '../present';
import Ajv from 'ajv/dist/2020';
import { loadSolver } from '@/solver/highs-solver';
import { checkOpenApi } from '../../../test-support/check-open-api';
import { describeOpenApi, sums } from '.';

const described = describeOpenApi({ sums, version: '1.2.3' }) as {
  paths: Record<
    string,
    {
      post?: {
        requestBody: { content: { 'application/json': { schema: object; example: unknown } } };
        responses: Record<string, { content: { 'application/json': { schema: object } } }>;
      };
    }
  >;
  components: { schemas: Record<string, object> };
};

test('the document is valid OpenAPI 3.1', () => expect(checkOpenApi(described)).toEqual({ valid: true }));
test('a broken document is not valid', () =>
  expect(checkOpenApi({ ...described, paths: { 'no-slash': {} } }).valid).toBe(false));
test.each(sums.map((sum) => [sum.id, sum] as const))(
  '%s: its example and its outcome fit what is described',
  async (id, sum) => {
    const { requestBody, responses } = present(present(described.paths[`/api/sums/${id}`]).post);
    const ajv = new Ajv({ strict: false });
    ajv.addSchema({ $id: 'root', components: described.components });
    const rooted = (schema: object) =>
      JSON.parse(JSON.stringify(schema).replaceAll('"#/components', '"root#/components')) as object;
    expect(
      ajv.validate(requestBody.content['application/json'].schema, requestBody.content['application/json'].example),
    ).toBe(true);
    const outcome = JSON.parse(
      JSON.stringify(sum.compute(sum.input.parse(sum.example.input), await loadSolver())),
    ) as unknown;
    expect([
      ajv.validate(rooted(present(responses['200']).content['application/json'].schema), outcome),
      ajv.errors,
    ]).toEqual([true, null]);
  },
);
