import { parse } from 'csv-parse/sync';
import { withoutApostrophe, writeCsv } from './write-csv';

test.each(['=1+1', '+49 123', '-5', '@SUM(A1)', '\tx'])(
  '%j is no formula in the file, and itself when it comes back',
  (cell) => {
    const text = writeCsv([[cell, 'plain']], ['a', 'b']);
    const rows: string[][] = parse(text);
    const [written = '', plain] = rows[1] ?? [];
    expect(written.startsWith("'")).toBe(true);
    expect([withoutApostrophe(written), plain]).toEqual([cell, 'plain']);
  },
);

test('an apostrophe of one’s own stays', () => {
  expect(withoutApostrophe("'s-Gravenhage pumps")).toBe("'s-Gravenhage pumps");
});
