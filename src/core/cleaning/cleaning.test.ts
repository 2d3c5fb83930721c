import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildFamily, loadFamily, type Family } from '../family';
import { buildsToCheck } from '../family/builds-to-check';
import { exampleRecord } from '../record/example-record';
import { cleaningMethods, type CleaningRun, type JobRecord } from '../record';
import { rightRun, rightRuns } from '../../../demo/right-cleaning';
import { exampleFamily } from '../../../test-support/example-view';
import { maskList, methodTable, methodsNamed, nextMethod, partsToClean, runFault, sayRun, spoiledBy } from '.';

type Part = Family['parts'][number];
const part = (change: Partial<Part>): Part => ({
  ...(exampleFamily.parts.find(({ soft }) => !soft) as Part),
  ...{ class: 'steel', picture: 'plate', soft: false },
  ...change,
});
const families = readdirSync('families')
  .filter((name) => name.endsWith('.json'))
  .map((name) => loadFamily(JSON.parse(readFileSync(join('families', name), 'utf8'))))
  .flatMap((file) => buildsToCheck(file).map((build) => buildFamily(file, build)));

describe('what a method must never touch', () => {
  // Written down a second time, from the handbook's table of cleaning.
  test.each<[CleaningRun['method'], Partial<Part>, boolean]>([
    ['parts washer', { class: 'cast' }, false],
    ['parts washer', { class: 'plastic' }, true],
    ['parts washer', { class: 'elastomer' }, true],
    ['parts washer', { picture: 'bearing' }, true],
    ['solvent by hand', { picture: 'seal', class: 'carbon-ceramic' }, false],
    ['solvent by hand', { class: 'plastic' }, true],
    ['mild acid', { class: 'bronze' }, false],
    ['mild acid', { class: 'stainless' }, false],
    ['mild acid', { class: 'plastic' }, true],
    ['mild acid', { class: 'elastomer' }, true],
    ['mild acid', { class: 'carbon-ceramic' }, true],
    ['blasting', { class: 'cast' }, false],
    ['blasting', { class: 'bronze' }, true],
    ['blasting', { class: 'plastic' }, true],
    ['blasting', { picture: 'shaft' }, true],
    ['blasting', { picture: 'seal' }, true],
    ['scraping', { picture: 'casing' }, false],
    ['scraping', { class: 'carbon-ceramic' }, true],
    ['ultrasonic', { class: 'carbon-ceramic' }, true],
    ['ultrasonic', { class: 'steel' }, false],
    ['polish', { picture: 'seal' }, true],
    ['polish', { picture: 'shaft' }, false],
    ['wash by hand', { class: 'plastic' }, false],
  ])('%s on %j: %s', (method, change, isSpoiled) =>
    expect(spoiledBy(part(change), { method }) !== null).toBe(isSpoiled),
  );
  test.each([
    ['hydrochloric acid 5 %', 'stainless', true],
    ['HCl', 'stainless', true],
    ['citric acid', 'stainless', false],
    ['hydrochloric acid 5 %', 'cast', false],
  ] as const)('%s on %s: %s', (acid, material, isSpoiled) =>
    expect(spoiledBy(part({ class: material }), { method: 'mild acid', facts: { acid } }) !== null).toBe(isSpoiled),
  );
  test.each([
    ['steel shot', true],
    ['used grit', true],
    ['glass bead', false],
  ])('stainless blasted with %s: %s', (media, isSpoiled) =>
    expect(spoiledBy(part({ class: 'stainless' }), { method: 'blasting', facts: { media } }) !== null).toBe(isSpoiled),
  );
  test('a soft part does not go into the basket', () =>
    expect(spoiledBy(part({ soft: true }), { method: 'parts washer' })).toBe('soft parts do not go into the basket'));
});

test('every shipped family names a method for every part that is cleaned, and none that spoils it first', () => {
  const wrong = families.flatMap((family) =>
    family.parts
      .filter((one) => !one.soft && !one.stays)
      .flatMap((one) => {
        const [first] = methodsNamed(one.clean.method);
        if (!first) return [`${family.id} ${one.ref}: no method in “${one.clean.method}”`];
        const spoiled = spoiledBy(one, { method: first });
        return spoiled ? [`${family.id} ${one.ref} (${one.class}): ${first}, ${spoiled}`] : [];
      }),
  );
  expect(families.length).toBeGreaterThan(50);
  expect([...new Set(wrong)]).toEqual([]);
});

describe('a run', () => {
  const casing = part({ ref: 'casing', class: 'cast', picture: 'casing', name: 'Casing' });
  const record = exampleRecord({ station: 'clean' });
  const faultOf = (run: CleaningRun, change = record) =>
    runFault(run, { record: change, parts: [casing] })?.code ?? null;
  test.each(cleaningMethods)('by %s may be kept when all is answered', (method) =>
    expect(faultOf(rightRun(method, ['casing']))).toBeNull(),
  );
  test.each(
    cleaningMethods.flatMap((method) =>
      methodTable[method].questions.filter(({ must }) => must).map(({ id }) => [method, id] as const),
    ),
  )('by %s without its “%s” is no record', (method, id) => {
    const run = rightRun(method, ['casing']);
    const { [id]: _gone, ...facts } = run.facts;
    expect(faultOf({ ...run, facts })).toBe('cleaning-fact-wanted');
  });
  test.each(maskList)('by blasting without a word on %s is refused', (mask) => {
    const run = rightRun('blasting', ['casing']);
    const { [mask]: _gone, ...masks } = run.masks;
    expect(faultOf({ ...run, masks })).toBe('mask-unsaid');
  });
  test('with a plug left in is refused; with a figure below nothing too', () => {
    const run = rightRun('blasting', ['casing']);
    expect(faultOf({ ...run, facts: { ...run.facts, opened: 1 } })).toBe('plugs-left');
    expect(faultOf({ ...run, facts: { ...run.facts, pressure: -1 } })).toBe('cleaning-fact-wanted');
  });
  test('after which nobody looked at a part is refused', () =>
    expect(faultOf({ ...rightRun('parts washer', ['casing']), seen: {} })).toBe('part-unseen-after-cleaning'));
  test('that leaves a film is refused where the job is cleaned to metal everywhere', () => {
    const run = rightRun('mild acid', ['casing']);
    const filmed = { ...run, facts: { ...run.facts, film: 'in the volute' } };
    const toMetal: JobRecord['sheets'][number] = {
      ...{ kind: 'policy', key: 'surface rust', version: 1, personId: null, personName: 'Ines' },
      ...{ at: '2026-11-20T08:00:00.000Z', body: { matter: 'surface rust', school: 'all to metal', reason: '' } },
    };
    expect(faultOf(filmed)).toBeNull();
    expect(faultOf(filmed, { ...record, sheets: [toMetal] })).toBe('film-under-policy');
    expect(faultOf(run, { ...record, sheets: [toMetal] })).toBeNull();
  });
  test('that raises dust waits for the word on a residue; a bath does not', () => {
    const unknown = { ...record, intake: { ...record.intake, liquidState: 'not known' as const } };
    expect(faultOf(rightRun('blasting', ['casing']), unknown)).toBe('residue-shut');
    expect(faultOf(rightRun('scraping', ['casing']), unknown)).toBe('residue-shut');
    expect(faultOf(rightRun('parts washer', ['casing']), unknown)).toBeNull();
  });
  test('says itself in a line', () =>
    expect(sayRun({ ...rightRun('blasting', ['casing']), masks: { ports: 'masked', faces: 'none here' } })).toBe(
      'blasting; media glass bead; pressure 3 bar; ports plugged 2; plugs taken out again 2; no packing and no gasket left on it; washed again; air blown through every port; no grit: looked at, and signed by this entry; masked: ports',
    ));
});

describe('what comes next', () => {
  const came = exampleFamily.parts.map(({ ref }) => ({
    ...{ ref, state: 'present' as const, note: '', version: 1 },
    ...{ personId: null, personName: 'Odile', at: '2026-11-24T10:00:00.000Z' },
  }));
  test('is every hard part that is here', () => {
    const missing = came.map((one, i) => (i === 0 ? { ...one, state: 'missing' as const } : one));
    const refs = partsToClean(exampleFamily, { parts: missing }).map(({ ref }) => ref);
    expect(refs).toEqual(
      exampleFamily.parts
        .slice(1)
        .filter(({ soft, stays }) => !soft && !stays)
        .map(({ ref }) => ref),
    );
  });
  test('is the methods that the family names, one after the other', () => {
    const blasted = part({ ref: 'x', clean: { method: 'parts washer, then blast the rough faces' } });
    const sheets = (...methods: CleaningRun['method'][]) =>
      methods.map((method, i) => ({
        ...{ kind: 'cleaning' as const, key: String(i), version: 1, body: rightRun(method, ['x']) },
        ...{ personId: null, personName: 'Odile', at: '2026-11-24T10:00:00.000Z' },
      }));
    expect(nextMethod(blasted, { sheets: [] })).toBe('parts washer');
    expect(nextMethod(blasted, { sheets: sheets('parts washer') })).toBe('blasting');
    expect(nextMethod(blasted, { sheets: sheets('parts washer', 'blasting') })).toBeNull();
  });
  test('of the example all hard parts have their run', () => {
    const runs = rightRuns(exampleFamily.parts.filter(({ soft }) => !soft));
    expect(new Set(runs.flatMap(({ parts }) => parts)).size).toBe(
      exampleFamily.parts.filter(({ soft }) => !soft).length,
    );
  });
});
