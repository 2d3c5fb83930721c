import { DomainError } from '@/core/errors';
import { isAway, translateError } from './translate-error';

/** As a driver says it, with a statement around it as the query builder wraps it. Numbers: MariaDB's list of errors. */
const said = (errno: number) => new Error('a statement failed', { cause: Object.assign(new Error('x'), { errno }) });
const codeOf = (error: unknown) => (error instanceof DomainError ? error.code : 'as it came');

describe('what a driver says becomes what a person can act on', () => {
  test.each([
    ['a deadlock that met others again and again', 1213, 'changed-meanwhile'],
    ['a lock that was waited for too long', 1205, 'changed-meanwhile'],
    ['the same entry twice', 1062, 'changed-meanwhile'],
    ['a node that is none of those that go on', 1047, 'database-away'],
    ['a node that left in the middle of a commit', 1180, 'database-away'],
    ['a full disk', 1021, 'disk-full'],
    ['a value too long for its column', 1406, 'bad-input'],
    ['a statement that is none', 1064, 'as it came'],
  ])('%s', (_, errno, code) => {
    expect(codeOf(translateError(said(errno)))).toBe(code);
  });

  test('a connection that is gone is told by its code, however deep it lies', () => {
    const deep = new Error('outer', { cause: new Error('middle', { cause: { code: 'ECONNREFUSED' } }) });
    expect(isAway(deep)).toBe(true);
    expect(isAway(said(1064))).toBe(false);
  });
});
