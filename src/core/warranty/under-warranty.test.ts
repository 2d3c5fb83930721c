import { underWarrantyOf } from '.';

const stay = (tag: string, opened: string, warrantyFrom: string | null, warrantyMonths: number | null = 12) => ({
  ...{ tag, openedAt: new Date(`${opened}T08:00:00Z`), warrantyFrom, warrantyMonths },
});
const at = (day: string) => new Date(`${day}T08:00:00Z`);

test('a pump is under warranty up to its last day, and not on the one after', () => {
  const stays = [stay('P-1', '2025-03-01', '2025-03-20')];
  expect(underWarrantyOf(stays, at('2026-03-20'))).toBe('P-1');
  expect(underWarrantyOf(stays, at('2026-03-21'))).toBeNull();
});
test('only an earlier stay that left with a warranty counts', () => {
  expect(underWarrantyOf([stay('P-1', '2025-03-01', null)], at('2025-05-01'))).toBeNull();
  expect(underWarrantyOf([stay('P-1', '2025-03-01', '2025-03-20', 0)], at('2025-05-01'))).toBeNull();
  expect(underWarrantyOf([stay('P-2', '2025-06-01', '2025-06-20')], at('2025-05-01'))).toBeNull();
});
