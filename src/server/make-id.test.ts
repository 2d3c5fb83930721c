import { makeId } from './make-id';

test('ids are UUIDs of version 7 and carry their moment', () => {
  const moment = Date.UTC(2031, 4, 6, 7, 8, 9, 10);
  const id = makeId(moment);
  expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
  expect(parseInt(id.replace('-', '').slice(0, 12), 16)).toBe(moment);
});

test('ids of one millisecond, and of a clock that was set back, sort in the order in which they were made', () => {
  const moment = Date.UTC(2032, 0, 1);
  const ids = Array.from({ length: 10_000 }, (_, i) => makeId(i < 9_000 ? moment : moment - 60_000));
  expect([...ids].sort()).toEqual(ids);
  expect(new Set(ids).size).toBe(ids.length);
});
