import f5 from '@families/f5-plastic-booster.json';
import f8 from '@families/f8-two-screw.json';
import { findCaution, buildFamily, loadFamily, sayBuild, type Family } from '@/core/family';
import { present } from '@/core/present';
import { readPdfText } from '../../test-support/read-pdf-text';
import { writeBookletPdf, writeTravellerPdf } from '.';

const textOf = async (bytes: Buffer) => (await readPdfText(bytes)).join(' ').replace(/\s+/g, ' ');
const cartridges = buildFamily(loadFamily(f8), { axes: { seal: 'cartridge' } });
const stages = buildFamily(loadFamily(f5), { counts: { stage: 4 } });
const times = (text: string, words: string) => text.split(words).length - 1;
const withWords = (family: Family) => family.end_view?.labels.map(({ words }) => words) ?? [];

describe('a traveller on paper', () => {
  let two: string;
  let stack: string;
  beforeAll(async () => {
    two = await textOf(await writeTravellerPdf(cartridges));
    stack = await textOf(await writeTravellerPdf(stages));
  });
  test('says the version and how it is built in words, never as the program writes it', () => {
    expect(two).toContain(sayBuild(loadFamily(f8), cartridges.version).replace(/\s+/g, ' '));
    expect(two).not.toContain('seal--cartridge');
  });
  test('shows the end view with its words, and from where it is seen', () => {
    expect(withWords(cartridges).length).toBeGreaterThan(0);
    for (const words of withWords(cartridges)) expect(two).toContain(words);
    expect(two).toContain('Seen from the drive end.');
    expect(stack).not.toContain('Seen from');
  });
  test('has a step with its boxes for every stage and for every seal', () => {
    for (const stage of [1, 2, 3, 4]) expect(stack).toContain(`stage ${stage}`);
    const ofSeals = cartridges.rebuild.filter(({ id }) => /cartridges-\d$/.test(id));
    expect(ofSeals).toHaveLength(4);
    for (const { title } of ofSeals) expect(two).toContain(title);
    // Each step is signed in a box of its own.
    const steps = [...cartridges.teardown, ...cartridges.rebuild, ...cartridges.test.steps];
    expect(times(two, 'done by, on')).toBe(steps.length);
    expect(times(two, 'hold point: second person, on')).toBe(steps.filter((step) => step.hold_point).length);
  });
  test('has a row of boxes for each row of a record, under the titles of its columns', () => {
    const record = present(
      cartridges.teardown
        .flatMap(({ actions }) => actions)
        .find(({ answer }) => answer?.kind === 'record' && answer.rows !== undefined),
    ).answer;
    if (record?.kind !== 'record') throw new Error('no record');
    for (const row of record.rows ?? []) expect(two).toContain(row);
    for (const { title, unit } of record.columns) expect(two).toContain(unit ? `${title}, ${unit}` : title);
  });
  test('says a caution once a step, however many actions name it', () => {
    const steps = [...cartridges.teardown, ...cartridges.rebuild, ...cartridges.test.steps];
    const heavy = present(findCaution('heavy-parts'));
    const named = steps.map(({ cautions, actions }) =>
      [...cautions, ...actions.flatMap((action) => action.cautions)].filter((id) => id === 'heavy-parts'),
    );
    const needed = named.filter((ids) => ids.length > 0);
    expect(Math.max(...named.map((ids) => ids.length))).toBeGreaterThan(1);
    expect(times(two, `${heavy.title}: `)).toBe(needed.length);
  });
});

test('a booklet lists every part with its number, and every point with its limits and their source', async () => {
  const text = await textOf(await writeBookletPdf(stages));
  for (const part of stages.parts) expect(text).toContain(part.number);
  for (const point of stages.points) expect(text).toContain(point.title.split(',')[0]);
  expect(text).not.toContain('n-stage--');
});
