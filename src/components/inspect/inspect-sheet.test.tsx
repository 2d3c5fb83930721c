import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { JobRecord } from '@/core/record';
import { exampleDisposition, exampleFinding, exampleReading, exampleRecord } from '@/core/record/example-record';
import { asId } from '@/core/record';
import { answerFetch, refusal } from '../../../test-support/answer-fetch';
import { exampleView } from '../../../test-support/example-view';
import { readWaiting } from '../act/waiting';
import type { JobView } from '../job/view';
import { InspectSheet } from './inspect-sheet';

const done = { body: { data: { version: 9 } } };
const changed = (theirs: object) => ({
  status: 409,
  body: {
    error: { code: 'changed-meanwhile', what: 'Somebody else changed it.', kept: 'k', todo: 't', issues: [], theirs },
  },
});
const show = (change: Partial<JobRecord> = {}, view: Partial<JobView> = {}) =>
  render(<InspectSheet view={exampleView(exampleRecord({ station: 'inspect', ...change }), view)} isHere />);
const reading = () => screen.getByRole('textbox', { name: /^Reading of/ });
const keep = () => userEvent.click(screen.getByRole('button', { name: 'Keep and go on' }));
const openRing = () => userEvent.click(screen.getByRole('button', { name: /^1 ?Front wear ring bore$/ }));
const present = <Value,>(value: Value | undefined): Value => {
  if (value === undefined) throw new Error('not there');
  return value;
};
const ringRead = (a: number, b: number) => [
  exampleReading('ring-bore', 'A:0', a),
  exampleReading('ring-bore', 'A:90', b),
];

describe('a reading', () => {
  test('goes out as it was typed, with its gauge, and the next place is asked for', async () => {
    const asked = answerFetch(() => done);
    show();
    expect(reading()).toHaveAccessibleName('Reading of Front wear ring bore, plane A, 0°');
    await userEvent.type(reading(), '100,35');
    await keep();
    await waitFor(() => expect(asked).toHaveLength(1));
    expect(asked[0]).toMatchObject({
      path: '/api/act/record-readings',
      body: {
        phase: 'as-found',
        entries: [{ pointId: 'ring-bore', place: 'A:0', typed: '100,35', instrument: 'B-02', basedOn: 0 }],
      },
    });
    await waitFor(() => expect(reading()).toHaveAccessibleName('Reading of Front wear ring bore, plane A, 90°'));
    expect(reading()).toHaveValue('');
  });
  test('is judged before the shop has answered; its field stays until it has', async () => {
    answerFetch(() => 'never');
    show();
    await userEvent.type(reading(), '100.90{Enter}');
    expect(await screen.findByText('100.90', { selector: 'b.block' })).toBeInTheDocument();
    expect(reading()).toHaveAccessibleName('Reading of Front wear ring bore, plane A, 0°');
    expect(readWaiting()).toEqual([]);
  });
  test('that is refused is taken back, and what was typed stays', async () => {
    answerFetch(() => refusal('The gauge is not due'));
    show();
    await userEvent.type(reading(), '100.90{Enter}');
    expect(await screen.findByRole('alert')).toHaveTextContent('The gauge is not due');
    expect(screen.queryByText('100.90', { selector: 'b.block' })).not.toBeInTheDocument();
    expect(reading()).toHaveValue('100.90');
  });
  test('that is no length is said, stays in its field and does not go out', async () => {
    const asked = answerFetch(() => done);
    show();
    await userEvent.type(reading(), 'wide{Enter}');
    expect(screen.getByRole('alert')).toHaveTextContent('What you typed is still in the field');
    expect(reading()).toHaveValue('wide');
    expect(asked).toEqual([]);
  });
  test('with nobody to answer waits here, shows at its point, and the next is asked for', async () => {
    answerFetch(() => 'lost');
    show();
    await userEvent.type(reading(), '100.35{Enter}');
    await waitFor(() => expect(readWaiting()).toHaveLength(1));
    expect(await screen.findByText('100.35', { selector: 'b.block' })).toBeInTheDocument();
  });
  test('that somebody else put there meanwhile: both are shown, and either may stand', async () => {
    const theirs = { typed: '100.40', typedUnit: 'mm', version: 3, personName: 'Marek' };
    let answers = [changed(theirs), done];
    const asked = answerFetch(() => present(answers.shift()));
    show();
    await userEvent.type(reading(), '100.35{Enter}');
    await userEvent.click(await screen.findByRole('button', { name: 'Mine stands: 100.35' }));
    await waitFor(() => expect(asked).toHaveLength(2));
    expect(asked[1]?.body).toMatchObject({ entries: [{ typed: '100.35', basedOn: 3 }] });
    answers = [changed(theirs)];
    await userEvent.type(reading(), '100.36{Enter}');
    await userEvent.click(await screen.findByRole('button', { name: 'Theirs stands: 100.40 mm' }));
    await waitFor(() => expect(reading()).toHaveValue(''));
  });
  test('in a shop of inches goes out in inches, and the gauge’s millimetres are named', async () => {
    const asked = answerFetch(({ path }) =>
      path.endsWith('read-gauge') ? { body: { data: { typed: '100.352', unit: 'mm' } } } : done,
    );
    show({}, { lengthDisplay: 'inch' });
    await userEvent.type(reading(), '3.951{Enter}');
    await waitFor(() => expect(asked[0]?.body).toMatchObject({ entries: [{ typed: '3.951 in' }] }));
    await userEvent.click(screen.getByRole('button', { name: 'Gauge' }));
    await waitFor(() => expect(reading()).toHaveValue('100.352 mm'));
  });
});

describe('a point', () => {
  test('is judged as its readings stand: the words, the worst value and the reason', async () => {
    show({ readings: ringRead(100.36, 100.7) });
    expect(screen.getByText(/of 15 measured · 1 out/)).toBeInTheDocument();
    await openRing();
    expect(screen.getByText(/^Proposed:/)).toHaveTextContent(
      'Proposed: out. 100.70 mm is past the limit for reuse (to 100.64).',
    );
  });
  test('has a disposition whose reason follows the readings until it is changed by hand', async () => {
    const asked = answerFetch(() => done);
    const { rerender } = show({ readings: ringRead(100.36, 100.7) });
    await openRing();
    const reason = () => screen.getByRole('textbox', { name: 'Reason of the disposition' });
    expect(reason()).toHaveValue('100.70 mm is past the limit for reuse (to 100.64)');
    const corrected = exampleRecord({ station: 'inspect', readings: ringRead(100.36, 100.66) });
    rerender(<InspectSheet view={exampleView(corrected)} isHere />);
    expect(reason()).toHaveValue('100.66 mm is past the limit for reuse (to 100.64)');
    await userEvent.clear(reason());
    await userEvent.type(reason(), 'shallow groove');
    rerender(
      <InspectSheet
        view={exampleView(exampleRecord({ station: 'inspect', readings: ringRead(100.36, 100.68) }))}
        isHere
      />,
    );
    expect(reason()).toHaveValue('shallow groove');
    await userEvent.click(screen.getByRole('button', { name: 'replace' }));
    await waitFor(() =>
      expect(asked.at(-1)?.body).toEqual({
        ...{ tag: 'P-0417', target: { pointId: 'ring-bore' }, action: 'replace' },
        ...{ reason: 'shallow groove', basedOn: 0 },
      }),
    );
  });
  test('is overruled or waived with a reason, based on its finding', async () => {
    const asked = answerFetch(() => done);
    const finding = exampleFinding({
      kind: 'point',
      pointId: 'ring-bore',
      version: 2,
      overruledReason: 'polished',
      verdict: 'reuse',
    });
    show({ readings: ringRead(100.36, 100.7), findings: [finding] });
    await openRing();
    expect(screen.getByText(/^Overruled to/)).toHaveTextContent('Overruled to reusable by Marek: polished');
    await userEvent.click(screen.getByRole('button', { name: 'Overrule the verdict' }));
    await userEvent.click(screen.getByRole('button', { name: 'near limit' }));
    await userEvent.type(screen.getByRole('textbox', { name: /printed in the report/ }), 'seen by two');
    await userEvent.click(screen.getByRole('button', { name: 'Overrule' }));
    await waitFor(() =>
      expect(asked[0]?.body).toMatchObject({
        pointId: 'ring-bore',
        decision: 'near',
        reason: 'seen by two',
        basedOn: 2,
      }),
    );
  });
});

describe('what the eye sees', () => {
  test('a known damage says what it points to, and lends its plain words', async () => {
    const asked = answerFetch(() => done);
    show();
    const { damage } = exampleView(exampleRecord()).family;
    const known = present(damage.find((one) => one.part === 'impeller'));
    await userEvent.selectOptions(screen.getByLabelText('Part'), 'impeller');
    await userEvent.type(screen.getByLabelText('What is seen'), known.seen);
    expect(screen.getByText(`Points to ${known.points_to}`)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Keep the finding' }));
    await waitFor(() =>
      expect(asked[0]?.body).toEqual({
        ...{ tag: 'P-0417', partRef: 'impeller', words: known.seen },
        ...{ plain: known.plain, photoId: null },
      }),
    );
  });
  test('what teardown found different stands here for its disposition, until it is corrected', () => {
    const bench = exampleFinding({ kind: 'bench', actionId: 'nut-hand', verdict: 'differs', words: 'Nut turned left' });
    const { unmount } = show({ findings: [bench, exampleFinding({ id: asId('f-2'), words: 'pitted' })] });
    const list = within(screen.getByRole('region', { name: 'Findings' }));
    expect(list.getByText(/Nut turned left/)).toBeInTheDocument();
    expect(list.getAllByText(/Different at teardown/)).toHaveLength(1);
    unmount();
    show({ findings: [{ ...bench, verdict: 'agrees' }] });
    expect(screen.queryByText(/Nut turned left/)).not.toBeInTheDocument();
  });
  test('a finding shows its disposition and by whom, and can be disposed of anew', async () => {
    const asked = answerFetch(() => done);
    const finding = exampleFinding({
      id: asId('f-7'),
      disposition: { ...exampleDisposition('clean', 'only scale'), version: 4 },
    });
    show({ findings: [finding] });
    expect(screen.getByText(/^Disposition:/)).toHaveTextContent('Disposition: clean, only scale. Marek, 21 Nov, 08:00');
    const list = screen.getByRole('region', { name: 'Findings' });
    await userEvent.click(within(list).getByRole('button', { name: 'replace' }));
    await waitFor(() =>
      expect(asked[0]?.body).toEqual({
        ...{ tag: 'P-0417', target: { findingId: 'f-7' }, action: 'replace', reason: 'pitted', basedOn: 4 },
      }),
    );
  });
});

describe('each part is looked at', () => {
  const came = (ref: string) => ({
    ...{ ref, state: 'present' as const, note: '', version: 1 },
    ...{ personId: null, personName: 'Odile', at: '2026-11-21T08:00:00.000Z' },
  });
  const looked = () => within(screen.getByRole('region', { name: 'Looked at' }));
  test('nothing seen is said part by part; soft parts and parts that never came are not asked for', async () => {
    const asked = answerFetch(() => done);
    show({ parts: [came('shaft'), came('casing-gasket'), { ...came('impeller'), state: 'missing' }] });
    expect(looked().getByText('0 of 1 parts')).toBeInTheDocument();
    await userEvent.click(looked().getByRole('button', { name: 'Nothing seen on the shaft' }));
    await waitFor(() =>
      expect(asked[0]).toMatchObject({
        path: '/api/act/look-at-parts',
        body: { tag: 'P-0417', parts: [{ partRef: 'shaft', basedOn: 0 }] },
      }),
    );
  });
  test('what was said stays beside the part, with who said it', () => {
    const { state: _state, note: _note, ...who } = came('shaft');
    show({ parts: [came('shaft')], looks: [{ ...who, seen: 'nothing' }] });
    expect(looked().getByText(/nothing seen, Odile/)).toBeInTheDocument();
    expect(looked().queryByRole('button', { name: /^Nothing seen/ })).toBeNull();
  });
});

describe('a gauge that is overdue', () => {
  const refused = {
    status: 422,
    body: {
      error: {
        ...{ code: 'bad-input', what: 'B-02 was due.', kept: 'k', todo: 't' },
        issues: [{ path: 'instrument', message: 'B-02 was due.' }],
      },
    },
  };
  test('is refused; an inspector may let its reading stand, with a reason', async () => {
    const asked = answerFetch(({ path }) => (path.endsWith('concede-readings') ? done : refused));
    show({}, { audiences: { 'concede-readings': ['coordinator'] } });
    await userEvent.type(reading(), '100.35');
    await keep();
    await userEvent.click(await screen.findByRole('button', { name: 'Let “100.35” by B-02 stand, with a reason' }));
    await userEvent.type(screen.getByLabelText('Why “100.35” by B-02 may stand'), 'checked on a ring gauge');
    await userEvent.click(screen.getByRole('button', { name: 'Concede as Ines' }));
    await waitFor(() => expect(asked).toHaveLength(2));
    expect(asked[1]).toMatchObject({
      path: '/api/act/concede-readings',
      body: { reason: 'checked on a ring gauge', entries: [{ typed: '100.35', instrument: 'B-02' }] },
    });
  });
  test('a technician is not offered that', async () => {
    answerFetch(() => refused);
    show({}, { audiences: { 'concede-readings': ['inspector'] } });
    await userEvent.type(reading(), '100.35');
    await keep();
    expect(await screen.findByRole('alert')).toHaveTextContent('B-02 was due.');
    expect(screen.queryByRole('button', { name: /^Let “100.35”/ })).toBeNull();
  });
});
