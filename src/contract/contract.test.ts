import { present } from '@/core/present';
import { describeOpenApi, sums } from '@/core/sums';
import { checkOpenApi } from '../../test-support/check-open-api';
import { describeDoor } from './open-api';
import { described, isVerb, moveAudience, verbs } from '.';

const document = describeOpenApi({ sums, version: '0.1.0', beside: describeDoor() });

test('the description of the whole interface is valid OpenAPI', () =>
  expect(checkOpenApi(document)).toEqual({ valid: true }));

test('every verb of the door is described, with its input and its answer', () => {
  const paths = document.paths as Record<string, { post?: Record<string, unknown> }>;
  for (const verb of Object.keys(verbs)) {
    const post = paths[verb === 'add-photo' ? '/api/photos/{tag}' : `/api/act/${verb}`]?.post;
    expect([verb, post?.operationId]).toEqual([verb, verb]);
    expect(Object.keys(present(post).responses as object)).toEqual(
      expect.arrayContaining(['200', '409', '422', '503']),
    );
  }
});

test('sums need no session, changes need one, and what opens one needs none', () => {
  const paths = document.paths as Record<string, { post: { security?: unknown[] } }>;
  expect(document.security).toEqual([{ session: [] }]);
  expect(present(paths['/api/sums/readings']).post.security).toEqual([]);
  expect(present(paths['/api/act/record-readings']).post.security).toBeUndefined();
  expect(present(paths['/api/act/sign-in']).post.security).toEqual([]);
});

test('a name is a verb only when the table has it', () => {
  expect(['record-readings', 'toString', '__proto__', 'read-floor', ''].map(isVerb)).toEqual([
    true,
    false,
    false,
    false,
    false,
  ]);
});

test('every verb says what it does in a sentence and for whom', () => {
  for (const { about, audience } of Object.values(described)) {
    expect(about).toMatch(/^[A-Z].{10,}\.$/);
    expect(audience.length).toBeGreaterThan(0);
  }
  for (const audience of Object.values(moveAudience))
    for (const role of audience) expect(verbs['advance-job'].audience).toContain(role);
});

describe('inputs are refused in words that name the field', () => {
  const issueOf = (verb: keyof typeof verbs, input: unknown) => {
    const read = verbs[verb].input.safeParse(input);
    return read.success ? null : read.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`);
  };
  test.each([
    ['advance-job', { tag: 'P-17', event: 'begin-teardown' }, 'tag: a tag looks like P-0417'],
    ['hold-job', { tag: 'P-0417', reason: 'x', until: '2026-02-30', holder: 'C' }, 'until: there is no such day'],
    ['deliver-pump', { tag: 'P-0417', deliveredTo: ' ', deliveredOn: '2026-12-09' }, 'deliveredTo: must not be empty'],
    [
      'add-person',
      { name: 'A', email: 'a@b.example', password: 'short', role: 'parts' },
      'password: needs ten characters or more',
    ],
    ['switch-person', { personId: 'p', pin: '12' }, 'pin: a PIN has four to eight digits'],
    [
      'create-owner',
      { name: 'A', email: 'a@b.example', password: 'long enough word', shopName: 'S', zone: 'Moon/Crater' },
      'zone: is not a time zone',
    ],
    [
      'clean-parts',
      { tag: 'P-0417', cautionRead: false, parts: [] },
      'cautionRead: Read the caution of cleaning first.',
    ],
    ['record-readings', { tag: 'P-0417', phase: 'as-found', entries: [] }, 'entries: no reading is given'],
  ] as const)('%s', (verb, input, words) => expect(issueOf(verb, input)).toContain(words));
  test('fields that no verb knows are refused by name', () =>
    expect(present(issueOf('resume-job', { tag: 'P-0417', also: 1 })).join()).toContain('also'));
});
