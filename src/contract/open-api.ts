import { errorCodes, httpStatusOf, wordsOf, type ErrorCode } from '@/core/errors';
import { answered, issueListSchema, schemaOf, type Json } from '@/core/open-api';
import type { VerbDescription } from './verb';
import { verbs, type Verb } from './verbs';

const refusal = { $ref: '#/components/schemas/DoorRefusal' };
const dataOf = (schema: Json): Json => ({ type: 'object', required: ['data'], properties: { data: schema } });

const changed: Json = {
  type: 'object',
  description: 'What changed in the job since the version that was said to be shown.',
};
const doneOf = (schema: Json): Json => ({ type: 'object', required: ['data'], properties: { data: schema, changed } });

/** Refusals that every change can meet; each status once, with the codes that have it. */
function refusals(codes: readonly ErrorCode[]): Json {
  const byStatus = new Map<number, ErrorCode[]>();
  for (const code of codes) byStatus.set(httpStatusOf[code], [...(byStatus.get(httpStatusOf[code]) ?? []), code]);
  return Object.fromEntries(
    [...byStatus].map(([status, own]) => [
      String(status),
      answered(own.map((code) => `${code}: ${wordsOf[code].what}`).join(' '), refusal),
    ]),
  );
}

const header = (name: string, description: string, pattern?: string): Json => ({
  name,
  in: 'header',
  required: false,
  description,
  schema: { type: 'string', ...(pattern && { pattern }) },
});

/** What says whose entry it is; every change takes them. */
const entryHeaders: readonly Json[] = [
  header(
    'entry-key',
    'Made where the entry is made, before the first try; a repeat with the same key gets the first answer.',
    '^[\\w-]{8,64}$',
  ),
  header('entry-made-at', 'When the entry was made, ISO 8601 in UTC, where it waited before it was sent.'),
  header('entry-pass', 'Pass of the person who made an entry that waited; it is recorded under that person.'),
];
const shownHeader = header(
  'changes-after',
  'The version of the job that the page shows; then “changed” in the answer says what changed since, where that can be told.',
  '^\\d{1,9}$',
);
const customerHeader = header('x-customer-link', 'Token of a customer’s link.');

function audienceOf({ audience }: VerbDescription): string {
  if (audience.includes('anyone')) return 'Anyone.';
  return `For ${audience.join(', ')}${audience.some((one) => one !== 'customer' && one !== 'service') ? '; the owner always' : ''}.`;
}

function pathOf(verb: Verb): Json {
  const description: VerbDescription = verbs[verb];
  const isForCustomer = description.audience.includes('customer');
  return {
    post: {
      operationId: verb,
      tags: ['changes'],
      summary: description.about,
      description: audienceOf(description),
      ...(description.audience.includes('anyone') && { security: [] }),
      parameters: [...entryHeaders, shownHeader, ...(isForCustomer ? [customerHeader] : [])],
      requestBody: {
        required: true,
        content: { 'application/json': { schema: schemaOf(description.input, 'input') } },
      },
      responses: {
        200: answered('Done; what follows from it.', doneOf(schemaOf(description.result, 'output'))),
        ...refusals(errorCodes),
      },
    },
  };
}

/** A picture travels as bytes; what it is about stands in the address. */
const photoPath: Json = {
  post: {
    operationId: 'add-photo',
    tags: ['changes'],
    summary: verbs['add-photo'].about,
    description: audienceOf(verbs['add-photo']),
    parameters: [
      { name: 'tag', in: 'path', required: true, schema: { type: 'string' } },
      { name: 'about', in: 'query', required: true, schema: { type: 'string' } },
      { name: 'caption', in: 'query', required: false, schema: { type: 'string' } },
      ...entryHeaders,
    ],
    requestBody: {
      required: true,
      description: 'The picture itself, at most 20 MB.',
      content: { 'image/jpeg': {}, 'image/png': {}, 'image/webp': {} },
    },
    responses: {
      200: answered('Kept.', dataOf(schemaOf(verbs['add-photo'].result, 'output'))),
      ...refusals(errorCodes),
    },
  },
};

const refusalSchema: Json = {
  type: 'object',
  required: ['error'],
  properties: {
    error: {
      type: 'object',
      required: ['code', 'what', 'kept', 'todo', 'issues'],
      properties: {
        code: { type: 'string', enum: [...errorCodes, 'unexpected'] },
        what: { type: 'string', description: 'What is wrong, naming the value.' },
        kept: { type: 'string' },
        todo: { type: 'string' },
        issues: issueListSchema,
        missing: { type: 'array', items: { type: 'object' }, description: 'What keeps a gate shut, line by line.' },
        theirs: { description: 'What stands there now, where somebody else changed it meanwhile.' },
        yours: { description: 'What was sent.' },
      },
    },
  },
};

/** The door for changes as OpenAPI 3.1 describes it: every verb, from the schemas that check it. */
export function describeDoor(): { readonly paths: Json; readonly schemas: Json; readonly securitySchemes: Json } {
  const names = Object.keys(verbs).filter((name): name is Verb => name !== 'add-photo');
  return {
    paths: {
      ...Object.fromEntries(names.map((verb) => [`/api/act/${verb}`, pathOf(verb)])),
      '/api/photos/{tag}': photoPath,
    },
    schemas: { DoorRefusal: refusalSchema },
    securitySchemes: {
      session: { type: 'apiKey', in: 'cookie', name: 'puddlestone', description: 'Given by sign-in.' },
    },
  };
}
