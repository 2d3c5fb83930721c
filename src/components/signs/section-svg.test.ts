import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import f1 from '@families/f1-overhung.json';
import f4 from '@families/f4-bore-hole.json';
import { drawKnown, loadFamily } from '@/core/family';
import { hatches, sheetColours } from './section-colours';
import { writeSectionSvg } from './section-svg';

const css = readFileSync(join(__dirname, '../../app/globals.css'), 'utf8');
const rules = { light: /:root \{([^}]*)\}/, dark: /:root\[data-theme='dark'\] \{([^}]*)\}/ } as const;

test.each(['light', 'dark'] as const)('colours of a picture are those of the sheet, %s', (theme) => {
  const rule = rules[theme].exec(css)?.[1] ?? '';
  for (const [name, value] of Object.entries(sheetColours[theme])) expect(rule).toContain(`--${name}: ${value};`);
});

test('every colour that a hatch names is known to a picture', () => {
  const named = Object.values(hatches).flatMap(([ground, stroke]) => [ground, stroke]);
  const names = named.flatMap((one) => /^var\(--(\w+)\)$/.exec(one)?.[1] ?? []);
  expect(names.filter((name) => !(name in sheetColours.light))).toEqual([]);
});

describe('a section as a picture of its own', () => {
  const drawing = drawKnown(loadFamily(f1), {});
  const svg = writeSectionSvg(drawing);
  test('is a picture that can be drawn, with an outline for each half', async () => {
    const [, , width, height] = drawing.viewBox;
    const { width: wide, height: high } = await sharp(Buffer.from(svg)).png().metadata();
    expect([wide, high]).toEqual([Math.round(width), Math.round(height)]);
    await expect(
      sharp(Buffer.from(svg.replace('</defs>', '')))
        .png()
        .toBuffer(),
    ).rejects.toThrow();
    const halves = drawing.shapes.reduce((sum, { half }) => sum + (half === 'both' ? 2 : 1), 0);
    expect(svg.match(/<path d="[^"]*" transform=/g)).toHaveLength(halves);
  });
  test('names no hatch that it does not bring', () => {
    const brought = new Set([...svg.matchAll(/<pattern id="([^"]+)"/g)].map(([, id]) => id));
    expect([...svg.matchAll(/url\(#([^)]+)\)/g)].filter(([, id]) => !brought.has(id))).toEqual([]);
  });
  test('stands upright where its pump does, and says what it leaves out', () => {
    const file = loadFamily(f4);
    const most = file.sets.flatMap(({ id, count }) => (typeof count === 'number' ? [] : [[id, count.most] as const]));
    const bore = drawKnown(file, { counts: Object.fromEntries(most) });
    const picture = writeSectionSvg(bore);
    expect(picture).toContain(`<g transform="translate(0 ${bore.viewBox[3]}) rotate(-90)">`);
    expect(bore.breaks).toHaveLength(1);
    expect(picture).toContain(`>${bore.breaks[0]?.words}</text>`);
  });
});

test('a build that the family does not know is drawn as usual, one that it knows otherwise', () => {
  const file = loadFamily(f1);
  const usual = writeSectionSvg(drawKnown(file, {}));
  expect(writeSectionSvg(drawKnown(file, { axes: { seal: 'of glass' }, size: 'enormous' }))).toBe(usual);
  const others = file.axes.flatMap(({ id, choices }) =>
    choices.slice(1).map((choice) => writeSectionSvg(drawKnown(file, { axes: { [id]: choice.id } }))),
  );
  expect(others.some((one) => one !== usual)).toBe(true);
});
