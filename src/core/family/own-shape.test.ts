import { readFileSync } from 'node:fs';
import { present } from '../present';
import { buildFamily } from './build-family';
import { drawSection } from './section';
import { readFamilyFile } from './read-file';

interface Body {
  part: string;
  symbol: string;
  with?: Record<string, number>;
}
interface Written {
  shapes?: Record<string, object>;
  section: { bodies: Body[] };
}

/** The example of docs/families.md: what a shop copies must be taken in. */
const finnedCap = (() => {
  const [, json] = /```json\n("shapes": [^]*?)```/.exec(readFileSync('docs/families.md', 'utf8')) ?? [];
  return (JSON.parse(`{${present(json)}}`) as { shapes: Record<string, object> }).shapes;
})();

function taken(change: (family: Written) => void) {
  const family = JSON.parse(readFileSync('families/f9-belt-packed.json', 'utf8')) as Written;
  change(family);
  return readFamilyFile(JSON.stringify(family, null, 2));
}
const firstBody = (family: Written) => present(family.section.bodies[0]);

test('a shape of a family’s own draws a part, with the figures that the body gives', () => {
  const { family, faults } = taken((one) => {
    one.shapes = finnedCap;
    Object.assign(firstBody(one), { symbol: 'finned-cap', with: { fins: 3 }, x: [10, 40], r: [20, 40] });
  });
  expect(faults).toEqual([]);
  const drawing = drawSection(buildFamily(present(family)));
  // Fins of half a pitch: from 10, 20 and 30 on, each 5 long, on a rim that lies 0.4 x 20 below the outside.
  const path = 'M10 -20L10 -32L10 -40L15 -40L15 -32L20 -40L25 -40L25 -32L30 -40L35 -40L35 -32L40 -32L40 -20Z';
  expect(drawing.shapes.filter((shape) => shape.symbol === 'finned-cap').map(({ d }) => d)).toEqual([path]);
});

test.each<readonly [string, (family: Written) => void, string, string]>([
  [
    'an expression that cannot be read',
    (one) => (one.shapes = { cap: { view: 'section', what: 'x', outlines: [{ fill: 'open', path: 'M {from+} 0' }] } }),
    'shapes.cap.outlines.0.path',
    '“from+” cannot be read',
  ],
  [
    'a name that nothing gives',
    (one) => (one.shapes = { cap: { view: 'section', what: 'x', outlines: [{ fill: 'open', path: 'M {depth} 0' }] } }),
    'shapes.cap',
    'nothing gives “depth”',
  ],
  [
    'a shape that is not there',
    (one) => (firstBody(one).symbol = 'flywheel'),
    'section.bodies.0.symbol',
    'there is no shape “flywheel” for a section',
  ],
  [
    'a figure that the shape does not take',
    (one) => {
      one.shapes = finnedCap;
      Object.assign(firstBody(one), { symbol: 'finned-cap', with: { blades: 3 } });
    },
    'section.bodies.0.with',
    'shape “finned-cap” takes fins, pitch, rim, not blades',
  ],
  [
    'a figure that comes out as none',
    (one) => {
      Object.assign(firstBody(one), { symbol: 'finned-cap', with: { fins: 0 } });
      one.shapes = {
        'finned-cap': {
          ...{ view: 'section', what: 'x', values: { fins: 1 } },
          outlines: [{ fill: 'open', path: 'M {1 / fins} 0' }],
        },
      };
    },
    'section.bodies.0',
    'a figure of it comes out as none',
  ],
  [
    'a body that ends before it begins',
    (one) => Object.assign(firstBody(one), { x: [40, 10] }),
    'section.bodies.0.x',
    'before it begins',
  ],
  [
    'a body larger inside than outside',
    (one) => Object.assign(firstBody(one), { r: [40, 10] }),
    'section.bodies.0.r',
    'larger inside',
  ],
])('%s is a fault with its place', (_what, change, path, words) => {
  const { faults } = taken(change);
  const said = faults.find((fault) => fault.path === path);
  expect(said?.message ?? JSON.stringify(faults)).toContain(words);
  expect(said?.line).toBeGreaterThan(1);
});
