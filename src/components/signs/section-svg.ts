import { halvesOf, wavesOf, type SectionDrawing, type SectionShape } from '@/core/family';
import { fillOf, hatches, sheetColours, wordShare } from './section-colours';

const named = (colours: Readonly<Record<string, string>>) =>
  Object.entries(colours)
    .map(([name, value]) => `--${name}:${value}`)
    .join(';');
/** A picture takes light or dark from the element that shows it. */
const style = `:root{${named(sheetColours.light)}}@media (prefers-color-scheme:dark){:root{${named(sheetColours.dark)}}}`;

const patterns = Object.entries(hatches)
  .map(
    ([material, [ground, stroke, turn]]) =>
      `<pattern id="${material}" width="6" height="6" patternTransform="rotate(${turn})" patternUnits="userSpaceOnUse">` +
      `<rect width="6" height="6" fill="${ground}"/><path d="M0 0V6" stroke="${stroke}" stroke-opacity=".7"/></pattern>`,
  )
  .join('');

function outline(shape: SectionShape): string {
  const { d, line } = shape;
  const filled = `fill="${fillOf(shape, (one) => one)}"`;
  return halvesOf(shape)
    .map((mirror) => `<path d="${d}" transform="translate(0 ${line}) scale(1 ${mirror})" ${filled}/>`)
    .join('');
}

const escaped = (words: string) => words.replaceAll('&', '&amp;').replaceAll('<', '&lt;');

/** Where stages are left out: the outlines are wiped away between two wavy lines, with what is said of it. */
function wiped(drawing: SectionDrawing): string {
  const { isVertical, viewBox, breaks } = drawing;
  const size = isVertical ? viewBox[3] * wordShare.upright : viewBox[2] * wordShare.lying;
  return breaks
    .map((one) => {
      const {
        x: [from, to],
        words,
      } = one;
      const { radius, paths } = wavesOf(drawing, one);
      const waves = paths.map((path) => `<path d="${path}" fill="none" stroke="var(--ink)"/>`);
      const middle = (from + to) / 2;
      const turned = isVertical ? `translate(${middle - 5} 0) rotate(90)` : `translate(${middle} ${-radius - 14})`;
      return (
        `<rect x="${from}" y="${-radius - 4}" width="${to - from}" height="${2 * radius + 8}" fill="var(--paper)"/>` +
        `${waves.join('')}<text transform="${turned}" text-anchor="middle" font-family="sans-serif" font-size="${size}" font-weight="700" fill="var(--ink)">${escaped(words)}</text>`
      );
    })
    .join('');
}

/** A section without points as a picture of its own, SVG. */
export function writeSectionSvg(drawing: SectionDrawing): string {
  const { viewBox, shapes, axes, isVertical } = drawing;
  const [, , width, height] = viewBox;
  const turned = isVertical ? ` transform="translate(0 ${height}) rotate(-90)"` : '';
  const lines = axes.map(
    ({ from, to, y }) =>
      `<path d="M${from} ${y}H${to}" stroke="var(--ink)" stroke-width=".7" stroke-dasharray="14 4 3 4"/>`,
  );
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${viewBox.join(' ')}" width="${width}" height="${height}">` +
    `<style>${style}</style><defs>${patterns}</defs><g${turned}>` +
    `<g stroke="var(--ink)" stroke-width="1.1" stroke-linejoin="round">${shapes.map(outline).join('')}</g>` +
    `${lines.join('')}${wiped(drawing)}</g></svg>`
  );
}
