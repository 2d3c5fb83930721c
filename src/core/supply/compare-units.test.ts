import f1 from '../../../test-support/plain-overhung.json';
import { buildFamily, loadFamily } from '../family';
import { exampleFinding, exampleReading, exampleRecord } from '../record/example-record';
import { asId } from '../record';
import { compareUnits, conditionOf, donorMatchOf, groupsOf, partsOffered, type PartOffered } from '.';

const family = buildFamily(loadFamily(f1));
const part: PartOffered = {
  ...{ ref: 'impeller', name: 'Impeller', number: 'KW1-0230', isNumberRead: true, look: 'nothing seen' },
  ...{ isCracked: false, wearPct: 0, tray: '', givenTo: '' },
};

describe('the condition of a part', () => {
  test.each([
    ['that nobody looked at or measured is poor', { look: '', wearPct: null }, 'poor'],
    ['that is cracked is poor, however little it is worn', { isCracked: true }, 'poor'],
    ['of which more than three quarters are worn is poor', { wearPct: 76 }, 'poor'],
    ['on which something is seen is fair at best', { look: 'light rust', wearPct: 0 }, 'fair'],
    ['that is worn by half is fair', { wearPct: 50 }, 'fair'],
    ['that is whole and hardly worn is good', { wearPct: 12 }, 'good'],
    ['that was looked at and has nothing to measure is good', { wearPct: null }, 'good'],
  ] as const)('%s', (_what, change, condition) => expect(conditionOf({ ...part, ...change })).toBe(condition));
});

describe('a unit as it lies there', () => {
  const record = exampleRecord({
    readings: [exampleReading('ring-bore', 'A:0', 100.45)],
    findings: [exampleFinding({ id: asId('f-1'), partRef: 'shaft', words: 'cracked at the keyway' })],
    looks: [{ ref: 'impeller', seen: 'nothing', version: 1, personId: null, personName: 'Odile', at: '' }],
    parts: [{ ref: 'casing', state: 'missing', note: '', version: 1, personId: null, personName: 'Odile', at: '' }],
  });
  const offered = partsOffered(record, family);
  const on = (ref: string) => offered.find((one) => one.ref === ref);
  test('offers what is there, by the number that was read or the list’s', () => {
    expect(on('casing')).toBeUndefined();
    expect(on('impeller')).toMatchObject({ look: 'nothing seen', isNumberRead: false, wearPct: null });
    expect(on('shaft')).toMatchObject({ isCracked: true, look: 'cracked at the keyway' });
    expect(on('bracket')).toMatchObject({ look: '' });
  });
  test('says how much of its wear a part has used: of a ring that may grow from 100.35 to 100.60', () => {
    const point = family.points.find(({ id }) => id === 'ring-bore');
    const [asNew, reuse] = [Number(point?.new_mm?.max), Number(point?.reuse_mm?.max)];
    // By hand: the distance past the new limit over the whole allowance.
    expect(on('front-ring')?.wearPct).toBeCloseTo((100 * (100.45 - asNew)) / (reuse - asNew), 1);
  });
});

test('a split cone is no crack; a hole is', () => {
  const seen = (words: string) =>
    partsOffered(exampleRecord({ findings: [exampleFinding({ partRef: 'shaft', words })] }), family).find(
      ({ ref }) => ref === 'shaft',
    )?.isCracked;
  expect([seen('the split cone slipped'), seen('hole eaten through'), seen('cracked')]).toEqual([false, true, true]);
});

describe('units beside each other', () => {
  const units = [
    { tag: 'P-0001', parts: [part] },
    { tag: 'P-0002', parts: [{ ...part, number: 'KW1-0231', wearPct: 20 }] },
    { tag: 'P-0003', parts: [{ ...part, givenTo: 'P-0009' }] },
    { tag: 'P-0004', parts: [{ ...part, isCracked: true }] },
  ];
  const rows = compareUnits(units, family);
  test('have a row a part that wears or is critical, and none for what is always new', () => {
    const refs = rows.map(({ ref }) => ref);
    expect(refs).toContain('impeller');
    expect(family.parts.filter(({ soft }) => soft).some(({ ref }) => refs.includes(ref))).toBe(false);
    expect(rows.find(({ ref }) => ref === 'front-ring')?.mates).toEqual(['Impeller']);
  });
  test('ask the sum with what may be taken: not what is cracked, nor what was given to another pump', () => {
    const groups = groupsOf({
      parts: family.parts.map((one) => (one.ref === 'impeller' ? { ...one, alternatives: ['KW1-0231'] } : one)),
    });
    const { slots, candidates } = donorMatchOf(rows, 'P-0001', groups);
    expect(candidates.map(({ id }) => id)).toEqual(['P-0001/impeller', 'P-0002/impeller']);
    const [own, other] = candidates;
    expect(own?.interchange_group).toBe(other?.interchange_group);
    expect(slots.find(({ id }) => id === 'impeller')).toMatchObject({ number: 'KW1-0230', pump: 'P-0001' });
    const forNine = donorMatchOf(rows, 'P-0009', groups).candidates.map(({ id }) => id);
    expect(forNine).toContain('P-0003/impeller');
  });
  describe('matched sets', () => {
    const matched = {
      ...family,
      parts: family.parts.map((one) =>
        ['impeller', 'front-ring'].includes(one.ref) ? { ...one, together: 'wheel and ring' } : one,
      ),
    };
    const ring: PartOffered = { ...part, ref: 'front-ring', name: 'Front wear ring', number: 'KW1-0502' };
    const unit = (tag: string, wheel: Partial<PartOffered>, own: Partial<PartOffered> | null) => ({
      tag,
      parts: [{ ...part, ...wheel }, ...(own ? [{ ...ring, ...own }] : [])],
    });
    const asked = (units: readonly { readonly tag: string; readonly parts: readonly PartOffered[] }[]) =>
      donorMatchOf(compareUnits(units, matched), 'P-0001', groupsOf(matched));
    test('are one slot, as good as the worse of the two', () => {
      const { slots, candidates } = asked([
        unit('P-0001', { wearPct: 90 }, {}),
        unit('P-0002', { wearPct: 10 }, { wearPct: 60 }),
      ]);
      const own = slots.filter(({ part: ref }) => ['impeller', 'front-ring'].includes(ref));
      expect(own.map(({ id, number }) => [id, number])).toEqual([['impeller', 'KW1-0230 + KW1-0502']]);
      expect(candidates.map(({ unit: tag, condition, wear_used_pct }) => [tag, condition, wear_used_pct])).toEqual([
        ['P-0001', 'poor', 90],
        ['P-0002', 'fair', 60],
      ]);
    });
    test('are not offered where one of them is gone, cracked or given away', () => {
      const { candidates } = asked([
        unit('P-0001', {}, {}),
        unit('P-0002', {}, null),
        unit('P-0003', {}, { isCracked: true }),
        unit('P-0004', { givenTo: 'P-0009' }, {}),
      ]);
      expect(candidates.map(({ unit: tag }) => tag)).toEqual(['P-0001']);
    });
    test('interchange where every one of their numbers does', () => {
      const { slots, candidates } = asked([unit('P-0001', {}, {}), unit('P-0002', { number: 'strange' }, {})]);
      const group = slots.find(({ part: ref }) => ref === 'impeller')?.interchange_group;
      expect(group).toContain('KW1');
      expect(candidates.map(({ interchange_group }) => interchange_group ?? '')).toEqual([group, '']);
    });
  });
});
