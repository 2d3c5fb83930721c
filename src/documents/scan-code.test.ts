import { codeOf, drawCode, type Code } from './scan-code';
import type { Paper } from './paper';

/** Row by row, `#` for dark. */
const shown = ({ across, down, bars }: Code) =>
  Array.from({ length: down }, (_, y) =>
    Array.from({ length: across }, (_, at) =>
      bars.some((bar) => bar.y === y && at >= bar.x && at < bar.x + bar.width) ? '#' : '.',
    ).join(''),
  );

test('a tag in bars has the widths of the standard’s table, its check character and the stop', () => {
  // ISO/IEC 15417, table 1: start B, “P”, “-”, then pairs of digits: code C, 04, 12, and (104 + 48 + 2·13 + 3·99 + 4·4 +
  // 5·12) modulo 103 = 36, stop.
  const widths = ['211214', '313121', '122132', '113141', '121322', '112232', '112313', '2331112'].join('');
  const code = codeOf('code128', 'P-0412');
  const line = [...widths].map((width, i) => (i % 2 ? '.' : '#').repeat(Number(width))).join('');
  expect(shown(code)).toEqual([line]);
  expect(code.across).toBe(90);
});

test.each(['P-0412', 'P-0412/impeller-key', 'P-0412 · tray 3'])(
  '%s as a matrix: two solid sides and two dotted ones, as the standard has it',
  (text) => {
    // ISO/IEC 16022, 5.2.2: the left and the lower side are dark, along the upper and the right one dark and light go in turn.
    const rows = shown(codeOf('datamatrix', text));
    const side = (x: number) => rows.map((row) => row[x]).join('');
    const { length } = rows;
    expect([10, 12, 14, 16, 18, 20, 22, 24, 26]).toContain(length);
    expect(rows.every((row) => row.length === length)).toBe(true);
    expect([side(0), rows.at(-1)]).toEqual(['#'.repeat(length), '#'.repeat(length)]);
    expect([rows[0], side(length - 1)]).toEqual(['#.'.repeat(length / 2), '.#'.repeat(length / 2)]);
  },
);

test('different words are different codes', () =>
  expect(shown(codeOf('datamatrix', 'P-0412'))).not.toEqual(shown(codeOf('datamatrix', 'P-0413'))));

test('it is drawn into its place: rows reach a little into the next, never beyond the place', () => {
  const drawn: (readonly number[])[] = [];
  const paper = { rect: (...one: readonly number[]) => drawn.push(one), fill: () => undefined } as unknown as Paper;
  const code = { across: 4, down: 2, bars: [0, 1].flatMap((y) => [{ x: 2 * y, y, width: 2 }]) };
  drawCode(paper, code, { x: 10, y: 20, width: 8, height: 6 });
  expect(drawn).toEqual([
    [10, 20, 4, 3.06],
    [14, 23, 4, 3],
  ]);
});
