import { answered, issueListSchema, schemaOf, type Json } from '../open-api';
import { warningSchema, workingStepSchema, type Sum } from './sum';

const refusal = { $ref: '#/components/schemas/Refusal' };

function pathOf(sum: Sum): Json {
  return {
    post: {
      operationId: sum.id,
      security: [],
      summary: sum.title,
      description: `Found by: ${sum.ask.join(', ')}. Numbers are in the units that the field names end with.`,
      requestBody: {
        required: true,
        content: { 'application/json': { schema: schemaOf(sum.input, 'input'), example: sum.example.input } },
      },
      responses: {
        200: answered('Result, working and warnings.', {
          type: 'object',
          required: ['result', 'working', 'warnings'],
          properties: {
            result: schemaOf(sum.result, 'output'),
            working: { type: 'array', items: { $ref: '#/components/schemas/WorkingStep' } },
            warnings: { type: 'array', items: { $ref: '#/components/schemas/Warning' } },
          },
        }),
        413: answered('The body is larger than 256 KiB.', refusal),
        422: answered('The body does not fit; each issue has its path.', refusal),
      },
    },
  };
}

/** What else an interface has beside the sums. */
interface Beside {
  readonly paths: Json;
  readonly schemas: Json;
  readonly securitySchemes: Json;
}
const nothing: Beside = { paths: {}, schemas: {}, securitySchemes: {} };

const listedSum = {
  type: 'object',
  required: ['id', 'title', 'input', 'result', 'example'],
  properties: {
    id: { type: 'string' },
    title: { type: 'string' },
    input: { type: 'object' },
    result: { type: 'object' },
    example: { type: 'object' },
  },
};

const refusalSchema = {
  type: 'object',
  required: ['error'],
  properties: {
    error: {
      type: 'object',
      required: ['code', 'message', 'issues'],
      properties: { code: { type: 'string' }, message: { type: 'string' }, issues: issueListSchema },
    },
  },
};

const listPath = {
  get: {
    operationId: 'list-sums',
    security: [],
    summary: 'All sums with the JSON Schema of input and result and a worked example',
    responses: { 200: answered('The list.', { type: 'array', items: listedSum }) },
  },
};

/**
 * The OpenAPI 3.1 description of the interface, from the same schemas that check it.
 * @param beside the doors that are no sums; they need a session where they do not say otherwise
 * Source: OpenAPI Specification 3.1.0.
 */
export function describeOpenApi({
  sums,
  version,
  beside = nothing,
}: {
  readonly sums: readonly Sum[];
  readonly version: string;
  readonly beside?: Beside;
}): Json {
  return {
    openapi: '3.1.0',
    info: {
      title: 'Puddlestone',
      version,
      summary:
        'The bench sums, without a sign-in: a sum holds no data; and the door for changes, for people who are signed in.',
      license: { name: 'AGPL-3.0-only', identifier: 'AGPL-3.0-only' },
    },
    security: Object.keys(beside.securitySchemes).map((name) => ({ [name]: [] })),
    paths: {
      '/api/sums': listPath,
      ...Object.fromEntries(sums.map((sum) => [`/api/sums/${sum.id}`, pathOf(sum)])),
      ...beside.paths,
    },
    components: {
      securitySchemes: beside.securitySchemes,
      schemas: {
        ...beside.schemas,
        WorkingStep: schemaOf(workingStepSchema, 'output'),
        Warning: schemaOf(warningSchema, 'output'),
        Refusal: refusalSchema,
      },
    },
  };
}
