import { bench, quote, receive, sheets, type Decider } from '..';
import { sayReason } from '../../errors';
import {
  beyondGuess,
  evaluationLetter,
  evaluationOf,
  guessOf,
  sayEvaluationAnswer,
  shareOfNew,
} from '../../evaluation';
import { isShutByResidue, namesLiquid, residueOf } from '../../residue';
import { currentQuote, type Intake } from '../../record';
import { rightRun } from '../../../../demo/right-cleaning';
import { CoreJob, terms, toolFacts, type Person } from '../../../../test-support/core-job';
import { exampleFamily, exampleFile } from '../../../../test-support/example-view';

const script = { duty: { flowM3h: 25, headM: 32, speedRpm: 2900 }, found: {}, dispose: {} } as const;
const job = (intake: Partial<Intake> = {}) => {
  const one = new CoreJob(exampleFile, script);
  const { version, isolation: _isolation, ...body } = one.record.intake;
  const changed = { ...body, ...intake, cameWith: [...body.cameWith], shims: [...body.shims] };
  const command = {
    tag: one.record.tag,
    basedOn: version,
    reason: '',
    intake: { ...changed, liquidTemperatureC: null, viscosityMm2S: null },
  };
  one.act('Ines', ['save-intake', receive.saveIntake], null, command);
  return one;
};
/** The words of a refusal; fails where the command is taken. */
function refusedBy<Command, Result, Facts>(
  one: CoreJob,
  [by, verb, decider]: readonly [Person, string, Decider<Command, Result, Facts>],
  facts: Facts,
  command: Command,
): string {
  const decided = one.decide(by, [verb, decider], facts, command);
  if (decided.ok) throw new Error(`${verb} was taken`);
  const { reason, issues } = decided.refusal.details as { reason?: Parameters<typeof sayReason>[0]; issues?: unknown };
  return reason ? sayReason(reason) : JSON.stringify(issues ?? decided.refusal.code);
}

describe('a liquid', () => {
  test.each([
    '',
    '  ',
    '?',
    'unknown',
    'Unknown oil',
    'not identified',
    'Not yet known',
    'n/a',
    'none',
    'residue',
    '-',
  ])('“%s” names none', (text) => expect(namesLiquid(text)).toBe(false));
  test.each(['pond water', 'caustic soda, 20 %', 'chocolate mass', 'brine (not filtered)', 'residue of sugar syrup'])(
    '“%s” names one',
    (text) => expect(namesLiquid(text)).toBe(true),
  );
  test('that is not identified is refused where it stands for one', () => {
    const one = job();
    const { version, isolation: _isolation, ...body } = one.record.intake;
    const intake = { ...body, cameWith: [], shims: [], liquidTemperatureC: null, viscosityMm2S: null };
    const words = refusedBy(one, ['Ines', 'save-intake', receive.saveIntake], null, {
      ...{ tag: one.record.tag, basedOn: version, reason: '', intake: { ...intake, liquid: 'not identified' } },
    });
    expect(words).toMatch(/^“not identified” names no liquid/);
  });
});

describe('a residue that nobody can name', () => {
  const residue = {
    ...{ description: 'amber, hard as glass', place: 'in both volutes', quarantine: 'cage 3' },
    ...{ sampleNumber: 'S-11', laboratory: 'Tarnbeck Laboratory', sampledOn: '2026-11-20', result: '' },
    ...{ safetySheet: '', methods: [], waste: '' },
  };
  const known = { ...residue, result: 'cured polyester resin', methods: ['blasting' as const] };
  const shut = () => {
    const one = job({ liquidState: 'foreign substance', liquid: '' });
    const { tag } = one.record;
    const write = (fields: typeof residue | typeof known, basedOn: number) =>
      one.act('Odile', ['write-residue', sheets.writeResidue], null, { tag, basedOn, residue: fields });
    const allow = (what: 'sampling' | 'opening', basedOn: number) =>
      one.act('Ines', ['allow-opening', sheets.allowOpening], null, { tag, what, protection: 'mask, gloves', basedOn });
    return { one, tag, write, allow };
  };
  test('keeps the pump shut until a named person allows it', () => {
    const { one, write, allow } = shut();
    expect(() => one.receive()).toThrow();
    write(known, 0);
    expect(isShutByResidue(one.record)).toBe(true);
    allow('opening', 1);
    expect(isShutByResidue(one.record)).toBe(false);
    one.move('Ines', 'begin-teardown');
    expect([one.record.station, residueOf(one.record)?.body.opening?.personName]).toEqual(['teardown', 'Ines']);
    expect(one.difference()).toBeNull();
  });
  test('is allowed a protected opening for its sample, which opens nothing else', () => {
    const { one, write, allow } = shut();
    write(residue, 0);
    allow('sampling', 1);
    expect(isShutByResidue(one.record)).toBe(true);
  });
  test('that the laboratory has not named cannot be opened', () => {
    const { one, tag, write } = shut();
    const command = { tag, what: 'opening' as const, protection: 'mask', basedOn: 0 };
    const rule = ['Ines', 'allow-opening', sheets.allowOpening] as const;
    expect(refusedBy(one, rule, null, command)).toMatch(/^Nothing is written down about what is in/);
    write(residue, 0);
    expect(refusedBy(one, rule, null, { ...command, basedOn: 1 })).toMatch(
      /stays shut: what the laboratory says it is and by which methods it may be removed is not written down yet/,
    );
  });
  test('shuts the pump again where its grounds change', () => {
    const { one, write, allow } = shut();
    write(known, 0);
    allow('opening', 1);
    write({ ...known, waste: '2 kg, to the works yard' }, 2);
    expect(isShutByResidue(one.record)).toBe(false);
    write({ ...known, result: 'epoxy with lead' }, 3);
    expect(isShutByResidue(one.record)).toBe(true);
    expect(one.events.at(-1)?.data).toContain('"openingFell":"Ines"');
  });
  test('that is found at teardown stops the teardown and the methods that raise dust', () => {
    const one = job().playTo('teardown');
    const { tag } = one.record;
    one.act('Odile', ['write-residue', sheets.writeResidue], null, { tag, basedOn: 0, residue });
    const [step] = one.family.teardown;
    const actionId = step?.actions[0]?.id ?? '';
    const answer = { tag, phase: 'teardown' as const, actionId, typed: '', photoId: null, consumable: '', tool: '' };
    const words = refusedBy(one, ['Odile', 'answer-action', bench.answerAction], toolFacts, {
      ...{ ...answer, notPossible: false, reason: '', cautionsRead: [...(step?.cautions ?? [])], basedOn: 0 },
    });
    expect(words).toMatch(/it stays shut until a named person does/);
  });
  test('is written by two at once: the second is shown what stands there', () => {
    const { one, tag, write } = shut();
    write(residue, 0);
    const decided = one.decide('Ines', ['write-residue', sheets.writeResidue], null, { tag, basedOn: 0, residue });
    expect(decided.ok ? '' : decided.refusal.code).toBe('changed-meanwhile');
  });
});

describe('a pump that was begun elsewhere', () => {
  const [first, second, third] = exampleFamily.parts.map(({ ref }) => ref) as [string, string, string];
  const begun = {
    ...{ by: 'the fitter of the owner', on: '2026-11-18', done: 'casing off', whyStopped: 'nut would not turn' },
    fragments: 3,
    parts: [
      { ref: first, state: 'loose in the bag' as const, note: '' },
      { ref: second, state: 'missing' as const, note: 'thrown away' },
      { ref: third, state: 'broken by them' as const, note: '' },
    ],
    lost: [] as { actionId: string; instead: string }[],
  };
  const rule = ['Odile', 'write-begun', sheets.writeBegun] as const;
  test('keeps how each part came; what is gone or broken is accounted for once', () => {
    const one = job({ arrival: 'partly dismantled' });
    one.act('Odile', ['write-begun', sheets.writeBegun], null, { tag: one.record.tag, basedOn: 0, begun });
    expect(one.record.parts.map(({ ref, state, note }) => [ref, state, note])).toEqual(
      [
        [second, 'missing', 'thrown away; began elsewhere, the fitter of the owner'],
        [third, 'broken', 'began elsewhere, the fitter of the owner'],
      ].sort(),
    );
    expect(one.difference()).toBeNull();
  });
  test('opens no teardown before it is written down', () => {
    const one = job({ arrival: 'in parts' });
    expect(() => one.receive()).toThrow();
    one.act('Odile', ['write-begun', sheets.writeBegun], null, { tag: one.record.tag, basedOn: 0, begun });
    one.move('Ines', 'begin-teardown');
    expect(one.record.station).toBe('teardown');
  });
  test('what can no longer be taken is said by one press, with what it is taken from', () => {
    const one = job({ arrival: 'in parts' });
    const { tag } = one.record;
    const [step] = one.family.teardown;
    const actionId = step?.actions[0]?.id ?? '';
    const lost = [{ actionId, instead: 'the drawing' }];
    one.act('Odile', ['write-begun', sheets.writeBegun], null, { tag, basedOn: 0, begun: { ...begun, lost } });
    one.playTo('teardown');
    one.act('Odile', ['answer-action', bench.answerAction], toolFacts, {
      ...{ tag, phase: 'teardown', actionId, typed: '', photoId: null, consumable: '', tool: '', reason: '' },
      ...{ notPossible: true, cautionsRead: [...(step?.cautions ?? [])], basedOn: 0 },
    });
    const kept = one.record.answers.find((answer) => answer.actionId === actionId);
    expect([kept?.state, kept?.data.reason]).toEqual([
      'not possible',
      'begun elsewhere by the fitter of the owner; instead: the drawing',
    ]);
  });
  test.each([
    ['a part twice', { parts: [...begun.parts, ...begun.parts] }, /stands twice/],
    ['an unknown part', { parts: [{ ref: 'flywheel', state: 'on' as const, note: '' }] }, /not in the parts list/],
    ['an unknown action', { lost: [{ actionId: 'dance', instead: 'x' }] }, /not an action of teardown/],
  ])('with %s is refused', (_what, change, words) => {
    const one = job({ arrival: 'in parts' });
    const command = { tag: one.record.tag, basedOn: 0, begun: { ...begun, ...change } };
    expect(refusedBy(one, rule, null, command)).toMatch(words);
  });
  test('and was received as complete is refused', () => {
    const one = job();
    const command = { tag: one.record.tag, basedOn: 0, begun };
    expect(refusedBy(one, rule, null, command)).toMatch(/was received as complete/);
  });
});

describe('the first look', () => {
  const evaluation = {
    ...{ turns: 'solid' as const, binds: 'at the front', substance: 'scale', causes: ['front ring scored'] },
    lost: [{ ref: 'front-ring', reason: 'scored through' }],
    atRisk: [{ ref: 'shaft', known: 'after measuring' }],
    outside: [{ what: 'balancing', to: 'Ostrey Balancing', minor: 12000 }],
    made: [],
    ...{ hours: { from: 6, to: 9 }, partsMinor: { from: 20000, to: 35000 }, days: { from: 8, to: 12 } },
    newUnit: { minor: 240000, days: 30 },
    ...{ advice: 'repair' as const, words: '' },
  };
  const facts = { labourMinorPerHour: 6800 };
  const looked = () => {
    const one = job().playTo('teardown');
    const { tag } = one.record;
    const write = (basedOn: number, again = false) =>
      one.act('Odile', ['write-evaluation', sheets.writeEvaluation], facts, { tag, basedOn, again, evaluation });
    return { one, tag, write };
  };
  test('guesses by the hour, with parts and others, and holds it against a new unit', () => {
    // 6 h × 68 + 200 + 120 = 728; 9 h × 68 + 350 + 120 = 1082; their middle, 905, is 38 % of 2400.
    const body = { ...evaluation, rateMinor: 6800 };
    expect(guessOf(body)).toEqual({ fromMinor: 72800, toMinor: 108200 });
    expect(shareOfNew(body)).toBe(38);
    expect(shareOfNew({ ...body, newUnit: null })).toBeNull();
  });
  test('writes the short first answer: what is seen, the guess and that it is one, the advice', () => {
    const { one } = looked();
    const sender = { name: 'Kettlewick Pump Works', telephone: '', letters: {} };
    const { body: words } = evaluationLetter({
      ...{ record: one.record, currency: 'EUR', sender },
      evaluation: { ...evaluation, rateMinor: 6800 },
    });
    expect(words).toContain('It does not turn by hand. It binds: at the front. In it: scale.');
    expect(words).toContain('About 6 to 9 hours of work and 8 to 12 working days; about €728.00 to €1,082.00');
    expect(words).toContain('This is a guess, not an offer');
    expect(words).toContain('A new unit costs about €2,400.00 and takes about 30 days.');
    expect(words).toContain('We advise to repair it.');
  });
  test('is sent once and stays as it was sent; another one goes beside it', () => {
    const { one, tag, write } = looked();
    write(0);
    write(1);
    expect(evaluationOf(one.record)?.version).toBe(2);
    one.act('Ines', ['send-evaluation', sheets.sendEvaluation], null, { tag, basedOn: 2, words: 'Dear Fern' });
    expect(evaluationOf(one.record)?.body.sent?.words).toBe('Dear Fern');
    expect(() => write(3)).toThrow();
    one.act('Ines', ['answer-evaluation', sheets.answerEvaluation], null, {
      ...{ tag, basedOn: 3, choice: 'repair', saidBy: 'Fern Okonjo', words: 'go on' },
    });
    expect(sayEvaluationAnswer(evaluationOf(one.record)?.body ?? { answer: null })).toMatch(
      /^Fern Okonjo answered on .+: repair: go on$/,
    );
    write(0, true);
    expect(one.record.sheets.filter(({ kind }) => kind === 'evaluation')).toHaveLength(2);
    expect(evaluationOf(one.record)?.key).toBe('2');
    expect(one.difference()).toBeNull();
  });
  test('that was sent binds the quote: one that goes beyond it says why in its note', () => {
    const { one, tag } = looked();
    const cheap = { ...evaluation, hours: { from: 1, to: 1 }, partsMinor: { from: 0, to: 0 }, outside: [] };
    one.act('Odile', ['write-evaluation', sheets.writeEvaluation], facts, {
      ...{ tag, basedOn: 0, again: false, evaluation: cheap },
    });
    one.playTo('quote');
    one.act('Ines', ['draw-up-quote', quote.drawUpQuote], terms, null);
    // Nobody was sent the guess: it binds nobody.
    const drawn = currentQuote(one.record);
    expect(drawn && beyondGuess(one.record, drawn)).toBeNull();
    one.act('Ines', ['send-evaluation', sheets.sendEvaluation], null, { tag, basedOn: 1, words: 'Dear Fern' });
    const send = ['Ines', 'send-quote', quote.sendQuote] as const;
    const link = { linkId: 'l', token: 't', origin: 'o' };
    expect(refusedBy(one, send, link, null)).toMatch(/beyond the first guess that the customer was sent: say why/);
    one.act(
      'Ines',
      ['change-quote', quote.changeQuote],
      { shopRateMinor: 6800 },
      {
        ...{ tag, quoteId: null, basedOn: 1, note: 'The front ring was worn through, which nobody could see.' },
      },
    );
    one.act('Ines', ['send-quote', quote.sendQuote], link, null);
    expect(one.record.station).toBe('approve');
  });
  test('with a part that is none is refused; without a sheet nothing can be sent', () => {
    const { one, tag } = looked();
    const lost = [{ ref: 'flywheel', reason: 'gone' }];
    const rule = ['Odile', 'write-evaluation', sheets.writeEvaluation] as const;
    const command = { tag, basedOn: 0, again: false, evaluation: { ...evaluation, lost } };
    expect(refusedBy(one, rule, facts, command)).toMatch(/flywheel is not in the parts list/);
    const send = ['Ines', 'send-evaluation', sheets.sendEvaluation] as const;
    expect(refusedBy(one, send, null, { tag, basedOn: 0, words: 'x' })).toMatch(/Nobody has evaluated/);
  });
});

test('damage that a run of cleaning shows is a finding at once, and wants its words', () => {
  const one = job().playTo('clean');
  const { tag } = one.record;
  const run = { ...rightRun('parts washer', ['bracket']), seen: { bracket: 'something' as const } };
  const command = { tag, cautionRead: true as const, run, damage: {} };
  const rule = ['Odile', 'clean-parts', bench.cleanParts] as const;
  expect(refusedBy(one, rule, null, command)).toMatch(/say what is seen on it/);
  one.act('Odile', ['clean-parts', bench.cleanParts], null, { ...command, damage: { bracket: 'cracked at the foot' } });
  expect(one.record.findings.map(({ partRef, words, phase }) => [partRef, words, phase])).toEqual([
    ['bracket', 'cracked at the foot', 'as-found'],
  ]);
});
