import { dateFormat, numberFormat } from './formats';

test('a format is made once for each language and its options', () => {
  const day = { timeZone: 'UTC', day: 'numeric', month: 'short' } as const;
  expect(dateFormat('en-GB', { ...day })).toBe(dateFormat('en-GB', { ...day }));
  expect(dateFormat('de-AT', day)).not.toBe(dateFormat('en-GB', day));
  expect(dateFormat('en-GB', day).format(new Date('2026-11-24T23:30:00Z'))).toBe('24 Nov');
  expect(dateFormat('en-GB', { ...day, timeZone: 'Europe/Vienna' }).format(new Date('2026-11-24T23:30:00Z'))).toBe(
    '25 Nov',
  );
  expect(numberFormat('en-GB', { style: 'currency', currency: 'EUR' }).format(1234.5)).toBe('€1,234.50');
});

test('a zone or a currency that there is not is refused, each time', () => {
  const away = { timeZone: 'Kettlewick/Mill' };
  expect(() => dateFormat('en-GB', away)).toThrow(RangeError);
  expect(() => dateFormat('en-GB', away)).toThrow(RangeError);
  expect(() => numberFormat('en-GB', { style: 'currency', currency: 'gold' })).toThrow(RangeError);
});
