import { sayReason } from '../errors';
import type { FormOf } from '../family';
import { isPlausible, judgeAnswer, plausibleBand, readValue, type Against } from '.';

const nothing: Against = { phase: 'rebuild', found: null, should: null, asked: null };
const wordsOf = (judged: ReturnType<typeof judgeAnswer>) => {
  const fault = judged.refused ?? judged.wrong;
  return fault ? [judged.refused ? 'refused' : 'wrong', sayReason(fault)] : ['right', ''];
};

describe('a value is read in its own unit', () => {
  test.each([
    ['112', 'N·m', 112, 0],
    ['83 ft-lb', 'N·m', 112.532894, 0],
    ['1 7/8 in', 'mm', 47.625, 0],
    ['0,05', 'mm', 0.05, 2],
    ['2 bar', 'kPa', 200, 0],
    ['200 kPa', 'bar', 2, 0],
    ['222 °F', '°C', 105.555556, 0],
    ['150', 'MΩ', 150, 0],
    ['30', 'drops/min', 30, 0],
  ])('%s for %s is %d', (typed, unit, value, digits) => {
    const read = readValue(typed, unit);
    expect(read).toMatchObject({ ok: true });
    if (!read.ok) return;
    expect(read.value).toBeCloseTo(value, 5);
    if (digits) expect(read.digits).toBe(digits);
  });
  test.each([
    ['', 'mm', 'Nothing is typed yet.'],
    ['wide', 'MΩ', '"wide" is not a number of MΩ.'],
    ['3 mm', 'MΩ', '"3 mm" is not a number of MΩ.'],
    ['', 'MΩ', 'Nothing is typed yet.'],
  ])('%j for %s is refused in words', (typed, unit, sentence) =>
    expect(readValue(typed, unit)).toEqual({ ok: false, sentence }),
  );
  test('a unit of another kind is refused', () => expect(readValue('3 bar', 'mm').ok).toBe(false));
});

describe('what can be meant at all', () => {
  const form = (change: Partial<FormOf<'value'>> = {}): FormOf<'value'> => ({
    ...{ kind: 'value', ask: 'Length', unit: 'mm', wrong: 'stop' },
    ...change,
  });
  test.each([
    // A point eight times off is a slip of the decimal point: 4.5 for 45, 450 for 45.
    [4.5, form({ should: 45 }), null, false],
    [450, form({ should: 45 }), null, false],
    [44.9, form({ should: 45 }), null, true],
    [12, form({ window: { min: 40, max: 50 } }), null, true],
    [4.5, form({ window: { min: 40, max: 50 } }), null, false],
    [4.5, form(), 45, false],
    [44, form(), 45, true],
    // Without anything to hold it against: nothing negative, not nought, not metres.
    [0, form(), null, false],
    [-5, form(), null, false],
    [9999, form(), null, false],
    [2999, form(), null, true],
    // Small gaps may well be many times off.
    [0.5, form({ should: 0.05 }), null, true],
    [0, form({ window: { min: 0, max: 0.03 } }), null, true],
    [0, form({ should: 0 }), null, true],
    // What the file says goes first.
    [-3, form({ plausible: { min: -5, max: 5 } }), 45, true],
    [6, form({ plausible: { min: -5, max: 5 } }), 45, false],
    [0, form({ plausible: { min: 0, max: 5 } }), null, true],
    [0, form({ unit: 'MΩ' }), null, true],
    [-1, form({ unit: 'MΩ' }), null, false],
    [-20, form({ unit: '°C' }), null, true],
    [-61, form({ unit: '°C' }), null, false],
  ])('%d: %j, found %p → %s', (value, one, found, expected) => expect(isPlausible(value, one, found)).toBe(expected));
  test('the band reaches an eighth and eight times, and never past three metres', () => {
    expect(plausibleBand(form({ should: 40 }), null)).toEqual({ min: 5, max: 320 });
    expect(plausibleBand(form({ should: 800 }), null)).toEqual({ min: 100, max: 3000 });
    expect(plausibleBand(form({ window: { max: 80 } }), null)).toEqual({ min: 10, max: 640 });
  });
});

describe('each kind of answer can be wrong', () => {
  const check = { kind: 'check', ask: 'Bar out of the port', right: 'yes', wrong: 'stop' } as const;
  const choice = {
    ...{ kind: 'choice', about: 'orientation', ask: 'Plate side up', choices: ['recess', 'flat'], wrong: 'stop' },
  } as const;
  const count = { kind: 'count', ask: 'Half-rings', expect: 2, wrong: 'stop' } as const;
  const value = { kind: 'value', ask: 'Gap', unit: 'mm', wrong: 'stop' } as const;
  const torque = {
    ...{ kind: 'torque', window_nm: { min: 100, max: 120 }, thread: 'M26', grade: 'A4-70', bolts: 1, pattern: 'once' },
  } as const;
  const turn = { kind: 'turn', ask: 'One turn by hand', allows: [] } as const;
  const found = (typed: string, own: number | null = null): Against => ({ ...nothing, found: { typed, value: own } });
  test.each([
    [check, 'yes', nothing, 'right', ''],
    [check, 'no', nothing, 'wrong', 'Bar out of the port: no. Put it right'],
    [{ ...check, means: 'It jams the rotor.' }, 'no', nothing, 'wrong', 'It jams the rotor.'],
    [{ ...check, right: 'no' as const }, 'no', nothing, 'right', ''],
    [check, 'maybe', nothing, 'refused', 'answer yes or no'],
    [choice, 'flat', nothing, 'right', ''],
    [choice, 'sideways', nothing, 'refused', 'Choose recess or flat.'],
    [{ ...choice, should: 'recess' }, 'flat', nothing, 'wrong', 'flat is not right here, it must be recess'],
    // What it should be goes before what was found.
    [{ ...choice, should: 'recess' }, 'recess', found('flat'), 'right', ''],
    [choice, 'recess', { ...found('flat'), should: 'recess' }, 'right', ''],
    [choice, 'flat', { ...found('flat'), should: 'recess' }, 'wrong', 'must be recess'],
    [choice, 'flat', found('recess'), 'wrong', 'flat does not agree with recess at teardown'],
    [count, '2', nothing, 'right', ''],
    [count, '1', nothing, 'wrong', 'Half-rings: 1 counted, this pump has 2'],
    [count, 'two', nothing, 'refused', '"two" is not a count.'],
    [count, '-2', nothing, 'refused', 'is not a count'],
    [{ ...count, expect: undefined }, '3', found('4', 4), 'wrong', 'this pump has 4'],
    [{ ...count, expect: undefined }, '3', nothing, 'right', ''],
    [{ ...value, window: { min: 0.1, max: 0.3 } }, '0.3', nothing, 'right', ''],
    [{ ...value, window: { min: 0.1, max: 0.3 } }, '0.31', nothing, 'wrong', '0.31 mm is outside 0.1 to 0.3 mm'],
    [{ ...value, window: { max: 0.3 } }, '0.4', nothing, 'wrong', 'outside at most 0.3 mm'],
    [{ ...value, window: { min: 0.3 } }, '0.2', nothing, 'wrong', 'outside at least 0.3 mm'],
    [{ ...value, should: 2, tolerance: 0.2 }, '2.2', nothing, 'right', ''],
    [
      { ...value, should: 2, tolerance: 0.2 },
      '2.3',
      nothing,
      'wrong',
      '2.3 mm is 0.3 mm off from 2 mm, allowed 0.2 mm',
    ],
    [value, '48.8', found('48.2', 48.2), 'wrong', '48.8 mm differs from 48.2 mm at teardown by 0.6 mm, allowed 0.5 mm'],
    [value, '48.7', found('48.2', 48.2), 'right', ''],
    // Found is not held against where the file knows a window, or what it should be.
    [{ ...value, window: { min: 48, max: 50 } }, '49.5', found('48.2', 48.2), 'right', ''],
    [value, '50', { ...found('48.2', 48.2), should: 50 }, 'right', ''],
    [{ ...value, unit: 'MΩ' }, '150', found('90', 90), 'right', ''],
    [value, '-3', nothing, 'refused', '-3 cannot be meant'],
    [torque, '100', nothing, 'right', ''],
    [torque, '120', nothing, 'right', ''],
    [torque, '121', nothing, 'wrong', '121 N·m is outside the window of 100 to 120 N·m'],
    [torque, '90 ft-lb', nothing, 'wrong', 'outside the window'],
    [torque, '', nothing, 'refused', 'Type the torque; the window is 100 to 120 N·m'],
    [torque, '0', nothing, 'refused', 'cannot be meant'],
    [torque, '10001', nothing, 'refused', 'cannot be meant'],
    [turn, 'free and even', nothing, 'right', ''],
    [turn, 'heavy and even', nothing, 'wrong', 'One turn by hand: heavy and even'],
    [{ ...turn, allows: ['heavy and even'] }, 'heavy and even', nothing, 'right', ''],
    [turn, 'catches at 4', nothing, 'wrong', 'catches at 4'],
    [turn, 'catches at 13', nothing, 'refused', 'Choose'],
    [{ kind: 'mark', ask: 'Across joint' }, '', nothing, 'refused', 'nothing is typed yet'],
    [{ kind: 'mark', ask: 'Across joint' }, 'two punches', nothing, 'right', ''],
    [{ kind: 'mark', ask: 'Across joint', agrees_with: 'm' }, 'in line', nothing, 'right', ''],
    [{ kind: 'mark', ask: 'Across joint', agrees_with: 'm' }, 'not in line', nothing, 'wrong', 'not in line'],
    [{ kind: 'mark', ask: 'Across joint', agrees_with: 'm' }, 'yes', nothing, 'refused', 'Choose in line'],
    [{ kind: 'note', ask: 'Type' }, '', nothing, 'refused', 'nothing is typed yet'],
    [{ kind: 'note', ask: 'Type' }, 'rubber', nothing, 'right', ''],
    [undefined, '', nothing, 'right', ''],
  ] as const)('%j answered “%s”', (form, typed, against, state, words) => {
    const [is, said] = wordsOf(judgeAnswer(form as Parameters<typeof judgeAnswer>[0], typed, against));
    expect([is, said?.includes(words)]).toEqual([state, true]);
  });
});

describe('a setting', () => {
  const set: FormOf<'setting'> = {
    ...{ kind: 'setting', mode: 'set', sum: 'end-clearance', title: 'Arc', input: {}, from: {}, gives: 'arc_mm' },
    ...{ unit: 'mm', tolerance: 0.5 },
  };
  const asked = (figure: number | null): Against => ({ ...nothing, asked: figure });
  test('is confirmed by what was done, within what the file allows', () => {
    expect(judgeAnswer(set, '33.0', asked(33.2))).toMatchObject({ value: 33, unit: 'mm', wrong: null });
    expect(wordsOf(judgeAnswer(set, '32.6', asked(33.2)))).toEqual([
      'wrong',
      'Arc: 32.6 mm is set, 33.2 mm is asked, allowed 0.5 mm off.',
    ]);
    expect(wordsOf(judgeAnswer(set, 'some', asked(33.2)))[0]).toBe('refused');
  });
  test('outside its window it stops whatever was asked', () =>
    expect(wordsOf(judgeAnswer({ ...set, window: { min: 20, max: 30 } }, '33', asked(33)))).toEqual([
      'wrong',
      'Arc: 33 mm is outside 20 to 30 mm.',
    ]));
  test('that judges what was measured takes its figure from the sum', () => {
    const judge: FormOf<'setting'> = { ...set, mode: 'judge', title: 'Float', window: { min: 1.5, max: 3.8 } };
    expect(judgeAnswer(judge, '', asked(2.5))).toMatchObject({ value: 2.5, wrong: null });
    expect(wordsOf(judgeAnswer(judge, '', asked(4.1)))).toEqual(['wrong', 'Float: 4.1 mm is outside 1.5 to 3.8 mm.']);
  });
  test('whose sum gives no number is seen and goes on', () =>
    expect(judgeAnswer(set, '', asked(null))).toMatchObject({ value: null, refused: null, wrong: null }));
});

describe('the tag of a kit', () => {
  const form: FormOf<'kit'> = {
    kind: 'kit',
    ask: 'Number on the kit’s tag',
    kits: [
      { number: 'KW6-N10', title: 'Seal kit' },
      { number: 'KW6-N30', title: 'Rebuild kit' },
    ],
  };
  test.each([
    ['KW6-N30', 'KW6-N30'],
    ['kw6 n30', 'KW6-N30'],
    ['KW6N10', 'KW6-N10'],
    ['by model and serial number', 'by model and serial number'],
  ])('%s is kept as %s', (typed, kept) =>
    expect(judgeAnswer(form, typed, nothing)).toMatchObject({ typed: kept, refused: null, wrong: null }),
  );
  test('a kit of another pump is said with the kits of this one', () =>
    expect(wordsOf(judgeAnswer(form, 'KW6-N40', nothing))).toEqual([
      'wrong',
      'Number on the kit’s tag: KW6-N40 is no kit of this pump as it is received; its kits are KW6-N10 (Seal kit) and KW6-N30 (Rebuild kit). Look at the plate, and at how it is built.',
    ]));
  test('nothing typed is refused', () => expect(wordsOf(judgeAnswer(form, '', nothing))[0]).toBe('refused'));
});

describe('what may be more than was found, and not less', () => {
  const form: FormOf<'value'> = {
    ...{ kind: 'value', ask: 'Insulation of this phase', unit: 'MΩ', window: { min: 20 }, not_below_found: true },
    means: 'Wet.',
  };
  const found = { typed: '200', value: 200 };
  test.each([
    ['200', 'right', ''],
    ['350', 'right', ''],
    ['199', 'wrong', 'Insulation of this phase: 199 MΩ is less than 200 MΩ at teardown. Wet.'],
    ['12', 'wrong', 'Insulation of this phase: 12 MΩ is outside at least 20 MΩ. Wet.'],
  ])('%s MΩ after 200 MΩ', (typed, state, words) =>
    expect(wordsOf(judgeAnswer(form, typed, { ...nothing, found }))).toEqual([state, words]),
  );
  test('without a reading before it, the window alone counts', () =>
    expect(wordsOf(judgeAnswer(form, '30', nothing))).toEqual(['right', '']));
});
