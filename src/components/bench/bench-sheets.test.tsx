import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { asId, type JobRecord, type StepDone } from '@/core/record';
import { present } from '@/core/present';
import { exampleRecord } from '@/core/record/example-record';
import { answerFetch, refusal } from '../../../test-support/answer-fetch';
import { CoreJob } from '../../../test-support/core-job';
import { exampleFamily, exampleFile, exampleView } from '../../../test-support/example-view';
import { readWaiting } from '../act/waiting';
import { CleanSheet } from './clean-sheet';
import { RebuildSheet } from './rebuild-sheet';
import { TeardownSheet } from './teardown-sheet';

const script = {
  duty: { flowM3h: 25, headM: 32, speedRpm: 2900 },
  found: { 'ring-bore': '100.70' },
  dispose: { 'ring-bore': ['replace', 'worn'] },
} as const;
const at = (station: 'teardown' | 'clean' | 'rebuild') => new CoreJob(exampleFile, script).playTo(station).record;
const done = { body: { data: { version: 9, stepVersion: 1 } } };
const stepBy = (personName: string, change: Partial<StepDone>): StepDone => ({
  ...{ phase: 'rebuild', round: 1, stepId: 'bearings', data: {}, second: null, version: 1 },
  ...{ personId: asId(`p-${personName.toLowerCase()}`), personName, at: '2026-11-24T08:00:00.000Z' },
  ...change,
});
const press = (name: string | RegExp) => userEvent.click(screen.getByRole('button', { name }));

describe('teardown', () => {
  const show = (change: Partial<JobRecord> = {}) =>
    render(<TeardownSheet view={exampleView({ ...at('teardown'), ...change })} isHere />);

  test('opens the first step that is not done, with its caution before the words', async () => {
    const asked = answerFetch(() => done);
    show();
    const [first] = exampleFamily.teardown;
    expect(screen.getByRole('button', { expanded: true })).toHaveTextContent(present(first).title);
    for (const box of screen.queryAllByRole('checkbox')) await userEvent.click(box);
    await press('Step done');
    await waitFor(() => expect(asked).toHaveLength(1));
    expect(asked[0]?.body).toEqual({
      ...{ tag: 'P-0417', phase: 'teardown', stepId: present(first).id, basedOn: 0 },
      cautionsRead: present(first).cautions,
    });
  });
  test('a step that is refused says what is missing, and stays open', async () => {
    answerFetch(() => refusal('Read the caution first.'));
    show();
    await press('Step done');
    expect(await screen.findByRole('alert')).toHaveTextContent('Read the caution first.');
    expect(screen.getByRole('button', { name: 'Step done' })).toBeInTheDocument();
  });
  test('parts are accounted for singly with a note, or the rest at once', async () => {
    const asked = answerFetch(() => done);
    show();
    const list = screen.getByRole('region', { name: 'Parts list' });
    await userEvent.type(within(list).getByRole('textbox', { name: 'Note on Impeller' }), 'one vane gone');
    await userEvent.click(
      within(within(list).getByRole('group', { name: 'Impeller' })).getByRole('button', { name: 'broken' }),
    );
    await waitFor(() =>
      expect(asked[0]?.body).toEqual({
        tag: 'P-0417',
        parts: [{ partRef: 'impeller', state: 'broken', note: 'one vane gone', basedOn: 0 }],
      }),
    );
    await press(`The other ${exampleFamily.parts.length} are present`);
    await waitFor(() =>
      expect((asked[1]?.body as { parts: unknown[] }).parts).toHaveLength(exampleFamily.parts.length),
    );
  });
  test('with the line down a finished step waits on this device', async () => {
    answerFetch(() => 'lost');
    show();
    for (const box of screen.queryAllByRole('checkbox')) await userEvent.click(box);
    await press('Step done');
    await waitFor(() =>
      expect(readWaiting()).toMatchObject([{ verb: 'finish-step', label: 'Step “Drain and vent” done' }]),
    );
  });
});

describe('cleaning', () => {
  test('nothing is cleaned before its caution is read', async () => {
    const asked = answerFetch(() => done);
    render(<CleanSheet view={exampleView(at('clean'))} isHere />);
    await userEvent.click(present(screen.getAllByRole('button', { name: 'Clean' })[0]));
    expect(await screen.findByRole('alert')).toHaveTextContent('Read the caution of cleaning first.');
    expect(asked).toEqual([]);
  });
  test('the method may be another, and what must be masked is confirmed', async () => {
    const asked = answerFetch(() => done);
    render(<CleanSheet view={exampleView(at('clean'))} isHere />);
    await userEvent.click(screen.getByRole('checkbox', { name: 'Read, and I act on it' }));
    const masked = present(exampleFamily.parts.find((part) => part.clean.mask && !part.soft));
    const method = screen.getByRole('textbox', { name: `Method for ${masked.name}` });
    await userEvent.clear(method);
    await userEvent.type(method, 'by hand, with oil');
    const row = present(method.closest('li') ?? undefined);
    await userEvent.click(within(row).getByRole('checkbox', { name: `masked: ${masked.clean.mask}` }));
    await userEvent.click(within(row).getByRole('button', { name: 'Clean' }));
    await waitFor(() =>
      expect(asked[0]?.body).toEqual({
        ...{ tag: 'P-0417', cautionRead: true },
        parts: [{ partRef: masked.ref, method: 'by hand, with oil', masked: true }],
      }),
    );
  });
});

describe('rebuild', () => {
  const show = (steps: readonly StepDone[] = [], change: Partial<JobRecord> = {}) => {
    const record = at('rebuild');
    return render(
      <RebuildSheet view={exampleView({ ...record, steps: [...record.steps, ...steps], ...change })} isHere />,
    );
  };
  test('a bearing’s temperature is reckoned for the room, and what was reached goes out with it', async () => {
    const asked = answerFetch(() => done);
    show();
    // 25 µm of interference and 20 µm to slide: 83 K above a room of 20 °C
    expect(screen.getByText(/^Heat to/)).toHaveTextContent('Heat to 103 °C');
    for (const box of screen.queryAllByRole('checkbox')) await userEvent.click(box);
    await userEvent.clear(screen.getByLabelText(/room/i));
    await userEvent.type(screen.getByLabelText(/room/i), '18');
    await userEvent.type(screen.getByLabelText(/reached/i), '104');
    await press('Step done');
    await waitFor(() => expect(asked[0]?.body).toMatchObject({ stepId: 'bearings', temperatureC: 104, ambientC: 18 }));
  });
  test('a temperature that is none is said here, and not sent', async () => {
    const asked = answerFetch(() => done);
    show();
    await userEvent.type(screen.getByLabelText(/reached/i), 'hot');
    await press('Step done');
    expect(await screen.findByRole('alert')).toHaveTextContent('What you typed is still there.');
    expect(asked).toEqual([]);
  });
  test('a lubricant in which the seal swells is not offered, and says why', () => {
    const before = exampleFamily.rebuild.slice(
      0,
      exampleFamily.rebuild.findIndex((step) => step.id === 'seat'),
    );
    const { intake } = at('rebuild');
    show(
      before.map(({ id }) => stepBy('Odile', { stepId: id })),
      { intake: { ...intake, elastomer: 'EPDM' } },
    );
    expect(screen.getByRole('radio', { name: /^mineral grease/ })).toBeDisabled();
    expect(screen.getByText(/not offered: EPDM swells in it/)).toBeInTheDocument();
    expect(screen.getByRole('radio', { name: /^soapy water/ })).toBeEnabled();
  });
  test('a hold point that is not signed is opened first; it is signed as it was seen', async () => {
    const asked = answerFetch(() => done);
    show([stepBy('Odile', { stepId: 'rotary', version: 3 })]);
    expect(screen.getByText(/Odile did it; a second person looks and signs/)).toBeInTheDocument();
    await press('Sign the hold point as Ines');
    await waitFor(() => expect(asked[0]?.body).toEqual({ tag: 'P-0417', stepId: 'rotary', basedOn: 3 }));
  });
  test('who did the step is told that another signs', () => {
    show([stepBy('Ines', { stepId: 'rotary' })]);
    expect(screen.getByText(/Somebody else takes over by PIN/)).toBeInTheDocument();
  });
  test('a step whose part is not here says which, how many and when', () => {
    const record = at('rebuild');
    const [order] = record.orders;
    const lines = present(order).lines.map((line) =>
      line.partRef === 'wet-bearing' ? { ...line, received: 0 } : line,
    );
    show([], { orders: [{ ...present(order), lines }] });
    expect(screen.getByText(/^This step waits for/)).toHaveTextContent('bearing, wet end (1 of 1, due 2026-11-30)');
  });
  test('after a failed run it is another round, with the reason above', () => {
    const record = at('rebuild');
    const failed = {
      ...{ id: 'r', run: 1, grade: '2B', verdict: 'fail' as const, points: [], guarantee: script.duty },
      ...{ decision: 'failed' as const, decisionReason: 'it rubs', decisionBy: 'Marek', decisionAt: null },
      ...{ personId: null, personName: 'Marek', at: '2026-11-25T08:00:00.000Z' },
    };
    render(<RebuildSheet view={exampleView({ ...record, runs: [failed] })} isHere />);
    expect(screen.getByText('Round 2.').parentElement).toHaveTextContent('Run 1 on the stand failed: it rubs.');
  });
});

test('a job that is closed shows its steps without presses', () => {
  render(<TeardownSheet view={exampleView(exampleRecord({ station: 'return' }))} isHere={false} />);
  expect(screen.queryByRole('button', { name: 'Step done' })).not.toBeInTheDocument();
});
