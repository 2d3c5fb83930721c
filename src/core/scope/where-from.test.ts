import f1 from '../../../test-support/plain-overhung.json';
import { buildFamily, loadFamily, type Family } from '../family';
import { present } from '../present';
import { asId, type Action, type Finding, type JobRecord, type Look, type PartAccount, type Sheet } from '../record';
import { exampleDisposition, exampleFinding } from '../record/example-record';
import { costingFindings, findingsThatStay } from './costing-findings';
import { proposeScope, type ScopeItem } from '.';

// Where what is proposed comes from, when it fails in service, and what is renewed or kept by rule: written out by hand
// from the plain overhung pump of the tests.
const family = buildFamily(loadFamily(f1));
const who = { personId: null, personName: 'Odile', at: '' };

const finding = (partRef: string, action: Action | null, change: Partial<Finding> = {}): Finding =>
  exampleFinding({
    ...{ id: asId(`on-${partRef}-${action}`), partRef, words: 'worn' },
    disposition: action && exampleDisposition(action, 'as agreed'),
    ...change,
  });
const account = (ref: string, state: PartAccount['state'], note = ''): PartAccount => ({
  ...{ ref, state, note, version: 1 },
  ...who,
});
const look = (ref: string, seen: Look['seen'] = 'nothing'): Look => ({ ref, seen, version: 1, ...who });
const sheet = (kind: string, key: string, body: object): Sheet =>
  ({ kind, key, version: 1, body, ...who }) as unknown as Sheet;

interface Given {
  readonly findings?: readonly Finding[];
  readonly parts?: readonly PartAccount[];
  readonly looks?: readonly Look[];
  readonly sheets?: readonly Sheet[];
  readonly of?: Family;
}
const propose = ({ findings = [], parts = [], looks = [], sheets = [], of = family }: Given) =>
  proposeScope({ family: of, record: { findings, parts, looks, sheets, readings: [] as JobRecord['readings'] } });
const on = (items: readonly ScopeItem[], ref: string) => items.filter(({ partRef }) => partRef === ref);
const withPart = (ref: string, change: Partial<Family['parts'][number]>): Family => ({
  ...family,
  parts: family.parts.map((part) => (part.ref === ref ? { ...part, ...change } : part)),
});

describe('standing work', () => {
  test('stands whole: every repair, our own hands, of no part, in every option', () => {
    expect(propose({}).at(-1)).toEqual({
      ...{ key: 'work:stand', action: 'work', title: 'Test on the stand', partRef: null, parts: [], findingIds: [] },
      ...{ policy: 'every repair', reason: '', source: 'our own hands', stepIds: [], critical: false },
      ...{ levels: ['minimum', 'recommended', 'as new'], instead: '' },
      work: [{ title: 'Test on the stand', minutes: 120, workCentre: 'stand' }],
    });
  });
  test('a task of the report is done at the desk, a machined one at the machines', () => {
    const first = present(family.labour.find(({ on: part }) => !part));
    const of: Family = {
      ...family,
      labour: [
        { ...first, id: 'papers', station: 'report', machining: false },
        { ...first, id: 'bore', station: 'rebuild', machining: true },
      ],
    };
    expect(
      propose({ of })
        .slice(-2)
        .map(({ key, work }) => [key, work[0]?.workCentre]),
    ).toEqual([
      ['work:papers', 'desk'],
      ['work:bore', 'machines'],
    ]);
  });
});

describe('work of which the family lists nothing', () => {
  test('a rework is an hour at the machines, by the name of the part', () =>
    expect(on(propose({ findings: [finding('spacer', 'rework')] }), 'spacer')[0]?.work).toEqual([
      {
        title: `Rework ${present(family.parts.find(({ ref }) => ref === 'spacer')).name.toLowerCase()}`,
        minutes: 60,
        workCentre: 'machines',
      },
    ]));
  test('a part that is made takes the minutes of its sketch; a rework of it does not', () => {
    const sheets = [sheet('made', 'spacer', { minutesGuess: 85 })];
    const [made] = on(propose({ findings: [finding('spacer', 'make in the shop')], sheets }), 'spacer');
    expect(made?.work[0]?.minutes).toBe(85);
    const [reworked] = on(propose({ findings: [finding('spacer', 'rework')], sheets }), 'spacer');
    expect(reworked?.work[0]?.minutes).toBe(60);
    const other = [sheet('made', 'casing', { minutesGuess: 85 })];
    const [unsketched] = on(propose({ findings: [finding('spacer', 'make in the shop')], sheets: other }), 'spacer');
    expect(unsketched?.work[0]?.minutes).toBe(150);
  });
});

describe('where it comes from', () => {
  const source = (of: string) => [sheet('source', 'spacer', { source: of })];
  test.each([
    ['bought', 'bought'],
    ['shelf', 'shelf'],
    ['customer', 'customer’s own'],
    ['donor', 'donor'],
    ['made', 'made here'],
  ])('chosen as %s it is said as %s', (chosen, said) =>
    expect(on(propose({ findings: [finding('spacer', 'replace')], sheets: source(chosen) }), 'spacer')[0]?.source).toBe(
      said,
    ),
  );
  test('a choice for another part changes nothing, nor does one for what is kept', () => {
    const sheets = [sheet('source', 'casing', { source: 'shelf' })];
    expect(on(propose({ findings: [finding('spacer', 'replace')], sheets }), 'spacer')[0]?.source).toBe('bought');
    const kept = propose({ findings: [finding('spacer', 'reuse as it is')], sheets: source('shelf') });
    expect(on(kept, 'spacer')[0]?.source).toBe('kept');
  });
  test.each(['rework', 'clean'] as const)('what is to %s goes out where a sheet sends it out', (action) => {
    const findings = [finding('spacer', action)];
    const sent = (parts: readonly string[]) => [sheet('outside', 'W-1', { parts })];
    expect(on(propose({ findings, sheets: sent(['casing', 'spacer']) }), 'spacer')[0]?.source).toBe('outside');
    expect(on(propose({ findings, sheets: sent(['casing']) }), 'spacer')[0]?.source).toBe('our own hands');
  });
  test('a new part is bought though its old one went out', () => {
    const sheets = [sheet('outside', 'W-1', { parts: ['spacer'] })];
    expect(on(propose({ findings: [finding('spacer', 'replace')], sheets }), 'spacer')[0]?.source).toBe('bought');
  });
});

describe('what the pump may fail without', () => {
  const [critical, plain] = ['spacer', 'casing'];
  const called = withPart(critical, { critical: true });
  const isCritical = (given: Given, ref: string) => on(propose({ of: called, ...given }), ref)[0]?.critical;
  test('a critical part with a finding, or that came broken or not at all', () => {
    expect(isCritical({ findings: [finding(critical, 'replace')] }, critical)).toBe(true);
    expect(isCritical({ parts: [account(critical, 'broken')] }, critical)).toBe(true);
    expect(isCritical({ parts: [account(critical, 'missing')] }, critical)).toBe(true);
  });
  test('not one that the family does not call critical, however it came', () => {
    expect(isCritical({ findings: [finding(plain, 'replace')] }, plain)).toBe(false);
    expect(isCritical({ parts: [account(plain, 'broken')] }, plain)).toBe(false);
    expect(isCritical({ parts: [account(plain, 'missing')] }, plain)).toBe(false);
  });
  test('not what is kept or cleaned, and not a critical part that is only given away', () => {
    expect(isCritical({ findings: [finding(critical, 'reuse as it is')] }, critical)).toBe(false);
    expect(isCritical({ findings: [finding(critical, 'clean')] }, critical)).toBe(false);
    const given = propose({ of: called, sheets: [sheet('given', critical, { to: 'P-0400' })] });
    expect(on(given, critical)).toMatchObject([{ policy: 'given away', critical: false, action: 'replace' }]);
  });
  test('what is worn at a critical point, on whatever part it is', () => {
    const point = present(family.points.find((one) => one.critical && !one.derived));
    const atPoint = { kind: 'point' as const, pointId: point.id, verdict: 'out' as const };
    const of = withPart(point.part, { critical: false });
    expect(isCritical({ findings: [finding(point.part, 'replace', atPoint)], of }, point.part)).toBe(true);
    const harmless = { ...of, points: of.points.map((one) => ({ ...one, critical: false })) };
    expect(isCritical({ findings: [finding(point.part, 'replace', atPoint)], of: harmless }, point.part)).toBe(false);
  });
});

describe('soft parts', () => {
  const byCondition = sheet('policy', 'soft parts', { school: 'by condition' });
  const whole = { parts: [account('deflector', 'present')], looks: [look('deflector')], sheets: [byCondition] };
  const deflector = (given: Given) => on(propose(given), 'deflector');
  test('kept by condition they stand with who looked at them', () =>
    expect(deflector(whole)).toMatchObject([
      {
        ...{ key: 'keep:deflector', policy: 'kept by condition', reason: 'looked at by Odile', source: 'kept' },
        ...{ parts: [], work: [] },
      },
    ]));
  test.each([
    ['where the job renews them', { ...whole, sheets: [] }],
    ['where nobody looked', { ...whole, looks: [] }],
    ['where something was seen', { ...whole, looks: [look('deflector', 'something')] }],
    ['where another was looked at', { ...whole, looks: [look('lip-seal')] }],
    ['where it was not there', { ...whole, parts: [] }],
    ['where it came broken', { ...whole, parts: [account('deflector', 'broken')] }],
    ['where another part was there', { ...whole, parts: [account('lip-seal', 'present')] }],
    ['where something was found on it', { ...whole, findings: [finding('deflector', null)] }],
  ] as const)('%s they are always new', (_when, given) =>
    expect(deflector(given as Given)).toMatchObject([{ policy: 'always new', action: 'replace' }]),
  );
  test('a finding on another part, or of what it was left as, does not count against it', () => {
    expect(deflector({ ...whole, findings: [finding('lip-seal', null)] })).toMatchObject([{ action: 'keep' }]);
    expect(deflector({ ...whole, findings: [finding('deflector', null, { phase: 'as-left' })] })).toMatchObject([
      { action: 'keep' },
    ]);
  });
  test('what is not soft is not kept by rule', () =>
    expect(
      on(propose({ parts: [account('spacer', 'present')], looks: [look('spacer')], sheets: [byCondition] }), 'spacer'),
    ).toEqual([]));
});

describe('how it came', () => {
  test('a conversion adds its part, and what it takes away is not renewed', () => {
    const comes = propose({ of: withPart('spacer', { converted: 'comes' }) });
    expect(on(comes, 'spacer')).toMatchObject([
      { key: 'add:spacer', action: 'add', policy: 'conversion', source: 'bought', parts: [{ ref: 'spacer' }] },
    ]);
    const goes = withPart('spacer', { converted: 'leaves' });
    expect(on(propose({ of: goes, parts: [account('spacer', 'broken')] }), 'spacer')).toEqual([]);
  });
  test('given back, or given to nobody, it is not renewed; given away it is, before how it came is asked', () => {
    expect(on(propose({ sheets: [sheet('given', 'spacer', { to: '' })] }), 'spacer')).toEqual([]);
    expect(on(propose({ sheets: [sheet('given', 'casing', { to: 'P-0400' })] }), 'spacer')).toEqual([]);
    const both = { parts: [account('spacer', 'broken')], sheets: [sheet('given', 'spacer', { to: 'P-0400' })] };
    expect(on(propose(both), 'spacer')).toMatchObject([{ policy: 'given away' }]);
  });
  test('its note and the reasons of its findings stand together, each once, none that is empty', () => {
    const findings = [
      finding('spacer', 'replace'),
      finding('spacer', 'replace', { id: asId('b') }),
      finding('spacer', 'replace', { id: asId('c'), disposition: exampleDisposition('replace', 'cracked') }),
      finding('spacer', 'replace', { id: asId('d'), disposition: exampleDisposition('replace', '') }),
    ];
    expect(on(propose({ findings, parts: [account('spacer', 'broken', 'in two')] }), 'spacer')).toMatchObject([
      { reason: 'in two; as agreed; cracked', findingIds: ['on-spacer-replace', 'b', 'c', 'd'] },
    ]);
    expect(on(propose({ findings }), 'spacer')).toMatchObject([{ reason: 'as agreed; cracked' }]);
  });
});

describe('a repair as new', () => {
  const reworkOf = (ref: string, given: Given = {}) =>
    on(propose({ findings: [finding(ref, 'rework')], ...given }), ref);
  test('renews what is reworked, in that option alone', () =>
    expect(reworkOf('spacer')).toMatchObject([
      { key: 'rework:spacer', levels: ['minimum', 'recommended'], instead: 'with a new part' },
      {
        ...{ key: 'renew:spacer', action: 'replace', policy: 'as new', reason: 'reworked', levels: ['as new'] },
        ...{ instead: 'kept', critical: false },
      },
    ]));
  test('not what stays in its place, nor what is bought anyway', () => {
    expect(reworkOf('spacer', { of: withPart('spacer', { stays: {} }) }).map(({ key }) => key)).toEqual([
      'rework:spacer',
    ]);
    const broken = { parts: [account('spacer', 'broken')] };
    expect(reworkOf('spacer', broken).map(({ key }) => key)).toEqual(['replace:spacer']);
  });
  test('another part that is not reworked keeps its options', () => {
    const items = propose({ findings: [finding('spacer', 'rework'), finding('casing', 'make in the shop')] });
    expect(on(items, 'casing')).toMatchObject([{ key: 'make:casing', levels: ['minimum', 'recommended', 'as new'] }]);
  });
});

describe('what is kept', () => {
  test('stands once, and not where the part is replaced after all', () => {
    const items = propose({ findings: [finding('spacer', 'reuse as it is'), finding('spacer', 'replace')] });
    expect(on(items, 'spacer').map(({ key }) => key)).toEqual(['replace:spacer']);
  });
  test('stands only once somebody has decided it, and only of parts that the pump has', () => {
    expect(on(propose({ findings: [finding('spacer', null)] }), 'spacer')).toEqual([]);
    expect(
      propose({ findings: [finding('no-such-part', 'reuse as it is')] }).some(({ action }) => action === 'keep'),
    ).toBe(false);
  });
});

describe('findings that cost something', () => {
  const refs = (findings: readonly Finding[]) => findings.map(({ partRef }) => partRef);
  const all = [
    finding('spacer', 'replace'),
    finding('casing', 'reuse as it is'),
    finding('shaft', 'clean'),
    finding('bracket', null),
    finding('no-such-part', 'replace'),
  ];
  test('are those that were decided, and not for keeping or cleaning, on parts that the pump has', () =>
    expect(refs(costingFindings(all, family))).toEqual(['spacer']));
  test('stay where the part stays: what leaves by a conversion is asked about no more', () => {
    expect(refs(findingsThatStay(all, family))).toEqual(['spacer', 'casing', 'shaft', 'bracket']);
    expect(refs(findingsThatStay(all, withPart('spacer', { converted: 'leaves' })))).toEqual([
      'casing',
      'shaft',
      'bracket',
    ]);
  });
});
