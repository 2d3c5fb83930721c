import { exampleRecord } from '../record/example-record';
import { tablesOf } from '../record';
import { replayEvents } from '.';

/** Events as they were written before answers, steps with a state, and findings of the bench. */
const written = (changes: readonly object[]) => ({ data: JSON.stringify({ changes }) });
const who = { personId: 'p-1', personName: 'Odile', at: '2026-10-01T08:00:00.000Z' };
const capture = (row: object) => ({
  put: 'capture',
  row: { phase: 'teardown', text: '', valueMm: null, typed: '', photoId: null, version: 1, ...who, ...row },
  was: null,
});
const answers = (changes: readonly object[]) => [...replayEvents([written(changes)]).answer.values()];

describe('events of before', () => {
  test('a position becomes an answer in mm, in the first round', () =>
    expect(answers([capture({ captureId: 'seal-setting', typed: '1.9 in', valueMm: 48.26 })])).toEqual([
      {
        ...{ phase: 'teardown', round: 1, actionId: 'seal-setting', state: 'done', typed: '1.9 in', value: 48.26 },
        ...{ unit: 'mm', photoId: null, data: {}, conceded: false, version: 1, ...who },
      },
    ]));
  test('a picture and words keep what was said of them', () =>
    expect(answers([capture({ captureId: 'seal-photo', text: 'photo', photoId: 'ph-1' })])).toMatchObject([
      { actionId: 'seal-photo', value: null, unit: '', photoId: 'ph-1', data: { text: 'photo' } },
    ]));
  test('a later capture of the same place replaces the one before', () =>
    expect(
      answers([
        capture({ captureId: 'nut-hand', typed: 'left' }),
        capture({ captureId: 'nut-hand', typed: 'right', version: 2 }),
      ]),
    ).toMatchObject([{ typed: 'right', version: 2 }]));
  test('a step that was finished is done; what it held stays', () => {
    const row = { phase: 'rebuild', round: 1, stepId: 'casing-on', data: { torqueNm: 74 }, second: null, version: 1 };
    const [step] = [...replayEvents([written([{ put: 'step', row: { ...row, ...who }, was: null }])]).step.values()];
    expect(step).toMatchObject({ state: 'done', data: { torqueNm: 74 } });
  });
  test('a finding was of no action; one of today keeps its own', () => {
    const put = (row: object) => ({ put: 'finding', row: { id: 'f-1', ...who, ...row }, was: null });
    const of = (row: object) => [...replayEvents([written([put(row)])]).finding.values()][0]?.actionId;
    expect([of({}), of({ actionId: 'nut-hand' })]).toEqual([null, 'nut-hand']);
    const round = (row: object) => [...replayEvents([written([put(row)])]).finding.values()][0]?.round;
    expect([round({}), round({ round: 2 })]).toEqual([0, 2]);
  });
  test('a reading was a length in mm, of no round, its gauge unsure by so many µm', () => {
    const row = {
      phase: 'as-left',
      pointId: 'seat-bore',
      place: 'A:0',
      typed: '48.01',
      typedUnit: 'mm',
      typedDigits: 2,
    };
    const gauged = { ...row, valueMm: 48.01, instrument: 'B-02', uncertaintyUm: 1.5, version: 1, ...who };
    const of = (one: object) => [
      ...replayEvents([written([{ put: 'reading', row: one, was: null }])]).reading.values(),
    ];
    const expected = { ...row, value: 48.01, unit: 'mm', round: 0, instrument: 'B-02', uncertainty: 0.0015 };
    expect(of(gauged)).toEqual([{ ...expected, conceded: null, version: 1, ...who }]);
    expect(of({ ...gauged, uncertaintyUm: null })).toMatchObject([{ uncertainty: null }]);
    const today = { ...expected, round: 2, conceded: 'checked', version: 1, ...who };
    expect(of(today)).toEqual([today]);
  });
  test('what is of today passes through as it is', () => {
    const changes = [...tablesOf(exampleRecord()).intake.values()].map((row) => ({ put: 'intake', row, was: null }));
    expect([...replayEvents([written(changes)]).intake.values()]).toEqual([exampleRecord().intake]);
  });
  test('a quote of before languages was written in English; one of today keeps its own', () => {
    const put = (row: object) => ({ put: 'quote', row: { id: 'q-1', revision: 1, state: 'draft', ...row }, was: null });
    const language = (row: object) => [...replayEvents([written([put(row)])]).quote.values()][0]?.language;
    expect([language({}), language({ language: 'de' })]).toEqual(['en', 'de']);
  });
});
