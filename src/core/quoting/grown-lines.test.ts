import f1 from '../../../test-support/plain-overhung.json';
import { buildFamily, loadFamily, type Family } from '../family';
import { present } from '../present';
import { asId, optionLevels, type Action, type JobRecord } from '../record';
import { exampleDisposition, exampleFinding } from '../record/example-record';
import { draftLine, growLines, growSupplement, offerLine, sealOffer, type DraftLine } from '.';

/** Lines field by field: what is said of a price, of where a part comes from, and of what an option leaves out. */
const family = buildFamily(loadFamily(f1));
const rates = {
  ...{ labourMinorPerHour: 6800, machiningMinorPerHour: 8400, testMinor: 24000, freightMinor: 9500 },
  ...{ partsMarkupPct: 18, wageMinorPerHour: 3900 },
};
const signed = { personId: null, personName: 'Bram', at: '2026-11-21T08:00:00.000Z', version: 1 };
const sheet = (kind: string, key: string, body: object) => ({ kind, key, body, ...signed });
const account = (ref: string, state: string, note = '') => ({ ref, state, note, ...signed });
const found = (id: string, partRef: string, action: Action, plain = `${partRef} is worn`, change: object = {}) =>
  exampleFinding({ id: asId(id), partRef, words: plain, plain, disposition: exampleDisposition(action), ...change });
const recordOf = (change: object) =>
  ({ findings: [], parts: [], readings: [], looks: [], sheets: [], ...change }) as unknown as JobRecord;
const grow = (change: object, of: Family = family) => growLines({ family: of, record: recordOf(change), rates });
const lineOf = (lines: readonly DraftLine[], key: string) => present(lines.find((line) => line.key === key));

test('a line has by itself one piece, no price of ours, nothing found, and may be declined', () => {
  const given = { key: 'k', kind: 'part', description: 'd', plain: 'p', unitPriceMinor: 5 } as const;
  expect(draftLine(given)).toEqual({
    ...given,
    ...{ itemKeys: [], quantity: 1, unit: 'pc', findingIds: [], parts: [], declinable: true, struckReason: null },
    ...{ options: [], instead: '', critical: false, byHand: false, proposed: null, proposalMoved: false },
    ...{ discountPct: 0, unitCostMinor: null },
  });
});

describe('a part', () => {
  test('that only leaks back is bought from recommended on, and its line says what happens otherwise', () => {
    const onRing = { pointId: 'ring-bore', verdict: 'out', kind: 'point' };
    const lines = grow({ findings: [found('a', 'front-ring', 'replace', 'the ring is worn', onRing)] });
    // 88.00 and 18 %.
    expect(lineOf(lines, 'replace:front-ring')).toEqual(
      draftLine({
        ...{ key: 'replace:front-ring', kind: 'part', description: 'Front wear ring, KW1-0502' },
        ...{ plain: 'The ring is worn.', itemKeys: ['replace:front-ring'], findingIds: [asId('a')] },
        ...{ options: ['recommended', 'as new'], instead: 'stays worn', parts: [{ ref: 'front-ring', qty: 1 }] },
        ...{ unitPriceMinor: 10384, unitCostMinor: 8800 },
      }),
    );
  });
  test.each([
    ['broken', 'in two pieces', 'It came broken: in two pieces.'],
    ['broken', '', 'It came broken.'],
    ['missing', '', 'It was missing when the pump came.'],
  ])('that came %s with the note “%s” says so', (state, note, plain) => {
    const line = lineOf(grow({ parts: [account('coupling-half', state, note)] }), 'replace:coupling-half');
    // 98.00 and 18 %.
    expect([line.plain, line.unitPriceMinor, line.unitCostMinor]).toEqual([plain, 11564, 9800]);
  });
  test('that came broken and was found to be more says both', () => {
    const change = {
      parts: [account('coupling-half', 'broken', 'in two pieces')],
      findings: [found('a', 'coupling-half', 'replace', 'its bore is torn')],
    };
    const { plain } = lineOf(grow(change), 'replace:coupling-half');
    expect(plain).toContain('Its bore is torn.');
  });
  test('that the customer brings costs nothing whatever was found on it; in part it is priced as ever', () => {
    const brought = (count: number) => ({
      findings: [found('a', 'sleeve', 'replace', 'the sleeve is grooved')],
      sheets: [sheet('source', 'sleeve', { source: 'customer', count, from: 'Fern', dueOn: '', reason: '' })],
    });
    expect(lineOf(grow(brought(1)), 'replace:sleeve')).toMatchObject({
      ...{ description: 'Shaft sleeve, KW1-0524: your own', unitPriceMinor: 0, unitCostMinor: 0 },
      plain: 'The sleeve is grooved. You bring this part yourself; we look at it, and it has no warranty from us.',
    });
    expect(lineOf(grow(brought(0)), 'replace:sleeve')).toMatchObject({ description: 'Shaft sleeve, KW1-0524' });
  });
  test('that is kept or only cleaned has no line', () => {
    const lines = grow({ findings: [found('a', 'casing', 'clean'), found('b', 'spacer', 'reuse as it is')] });
    expect(lines.filter(({ findingIds }) => findingIds.length)).toEqual([]);
  });
});

describe('what the shop makes', () => {
  const making = (body: object) => ({
    findings: [found('a', 'bracket', 'make in the shop', 'the frame is cracked')],
    sheets: [sheet('made', 'bracket', { number: 'M-1', minutesGuess: 150, ...body })],
  });
  test('has its hours by the machine, and its material with our mark-up', () => {
    const lines = grow(making({ material: 'ductile iron, sawn', materialMinor: 5000 }));
    expect(lineOf(lines, 'make:bracket')).toMatchObject({
      ...{ kind: 'made', description: 'Make bearing bracket in the shop', quantity: 2.5, unit: 'h' },
      ...{ unitPriceMinor: 8400, unitCostMinor: 3900, parts: [], plain: 'The frame is cracked.' },
    });
    expect(lineOf(lines, 'make:bracket/material')).toMatchObject({
      ...{ kind: 'made', description: 'Material for bearing bracket', plain: 'Ductile iron, sawn.' },
      ...{ itemKeys: ['make:bracket'], findingIds: ['a'], quantity: 1, unitPriceMinor: 5900, unitCostMinor: 5000 },
    });
  });
  test.each([
    ['of nothing that costs', { material: 'from the bin', materialMinor: 0 }],
    ['without a price', { material: 'bronze', materialMinor: null }],
  ])('%s has no line for it', (_what, body) =>
    expect(grow(making(body)).filter(({ key }) => key.endsWith('/material'))).toEqual([]),
  );
  test('without a word of its material says none', () =>
    expect(lineOf(grow(making({ material: '', materialMinor: 5000 })), 'make:bracket/material').plain).toBe(''));
});

test('work outside stands at what it asks with our mark-up; without a price it has no line yet', () => {
  const outside = (key: string, priceMinor: number | null) =>
    sheet('outside', key, { work: 'coating', what: 'two coats', parts: ['casing', 'impeller'], priceMinor });
  const lines = grow({ sheets: [outside('O-1', 10000), outside('O-2', null)] }).filter(
    ({ kind }) => kind === 'outside',
  );
  expect(lines).toEqual([
    draftLine({
      ...{ key: 'outside:O-1', kind: 'outside', description: 'Outside work, coating: casing, impeller' },
      ...{ plain: 'Two coats.', unitPriceMinor: 11800, unitCostMinor: 10000 },
    }),
  ]);
});

describe('a conversion', () => {
  const marked = (marks: Readonly<Record<string, 'comes' | 'leaves'>>): Family => ({
    ...family,
    kits: [],
    parts: family.parts.map((part) => (marks[part.ref] ? { ...part, converted: marks[part.ref] } : part)),
  });
  const said = (of: Family, part: string) =>
    present(grow({}, of).find(({ parts, kind }) => kind === 'part' && parts.some(({ ref }) => ref === part)));
  test('says what comes and what it is in place of, under its own name', () => {
    const line = said(marked({ spacer: 'comes', 'casing-gasket': 'leaves', 'cover-gasket': 'leaves' }), 'spacer');
    expect(line.description).toMatch(/^Conversion: /);
    expect(line.plain).toBe(
      'Comes with the conversion: coupling spacer. In place of: casing gasket, seal cover gasket.',
    );
    expect(line.declinable).toBe(false);
  });
  test('in whose place nothing leaves says only what comes', () =>
    expect(said(marked({ spacer: 'comes' }), 'spacer').plain).toBe('Comes with the conversion: coupling spacer.'));
  test('leaves the lines of what is always renewed as they are', () => {
    const line = said(marked({ spacer: 'comes' }), 'casing-gasket');
    expect([line.description, line.plain]).toEqual([
      expect.not.stringMatching(/^Conversion/),
      'Seals, bearings and gaskets that are always renewed: casing gasket.',
    ]);
  });
});

describe('a supplement', () => {
  const record = recordOf({
    findings: [
      found('early', 'front-ring', 'replace'),
      found('late', 'shaft', 'rework', 'the seat is loose'),
      found('kept', 'spacer', 'reuse as it is'),
      found('dirty', 'casing', 'clean'),
    ],
  });
  const of = (...ids: string[]) => growSupplement({ family, record, rates }, ids);
  test('has the lines of its own findings alone, in every option, without what every repair has', () => {
    const lines = of('late');
    expect(lines.map(({ key }) => key)).toEqual(['rework:shaft']);
    expect(lines[0]).toMatchObject({ findingIds: ['late'], options: [], instead: '', plain: 'The seat is loose.' });
  });
  test('has none for what is kept, cleaned, or somebody else’s finding', () => {
    expect(of('kept', 'dirty')).toEqual([]);
    expect(of()).toEqual([]);
    expect(optionLevels).toHaveLength(3);
  });
});

describe('a seal in place of a packing', () => {
  const part = (ref: string, name: string, price_minor: number, quantity = 1) => ({ ref, name, price_minor, quantity });
  const built = (...parts: object[]) => ({ parts }) as unknown as Family;
  const choice = (id: string, title: string) => ({ id, title, what: '' });
  const axes = [{ id: 'sealing', title: '', choices: [choice('packed', 'Packed'), choice('single', 'Single seal')] }];
  const packed = built(part('gland', 'Gland', 100));
  const sealed = built(part('gland', 'Gland', 100), part('face', 'Face', 4000), part('spring', 'Spring', 700, 2));
  const asked = (builtWith: Parameters<typeof sealOffer>[0]['builtWith'], build = {}) =>
    sealOffer({ family: packed, axes: axes, build, builtWith });

  test('has the price of every piece that comes, and of none that was there', () => {
    expect(asked(() => sealed)).toEqual({ title: 'Single seal', parts: ['Face', 'Spring'], priceMinor: 5400 });
  });
  test('is offered where it can be built and brings something, and not where it is converted already', () => {
    expect(asked(() => null)).toBeNull();
    expect(asked(() => packed)).toBeNull();
    expect(asked(() => sealed, { to: { sealing: 'single' } })).toBeNull();
    expect(asked(() => sealed, { axes: { sealing: 'single' } })).toBeNull();
  });
  test('stands in the repair as new, and says what it brings and what it wants', () => {
    expect(offerLine({ title: 'Single seal', parts: ['Face', 'Spring'], priceMinor: 5000 }, rates)).toEqual(
      draftLine({
        ...{ key: 'offer:seal', kind: 'part', options: ['as new'], instead: 'the packing stays' },
        description: 'Single seal in place of the packing',
        plain: 'It leaks less and is not tightened by hand; it wants clean liquid. With it come: face, spring.',
        ...{ unitPriceMinor: 5900, unitCostMinor: 5000 },
      }),
    );
  });
});
