import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { asId, type JobRecord, type StepDone } from '@/core/record';
import { present } from '@/core/present';
import f6 from '@families/f6-internal-gear.json';
import { actionTitle, loadFamily } from '@/core/family';
import { exampleAnswer, exampleRecord, exampleStep } from '@/core/record/example-record';
import { answerFetch, refusal } from '../../../test-support/answer-fetch';
import { workUntil } from '../../../test-support/bench-moves';
import { CoreJob } from '../../../test-support/core-job';
import { exampleFamily, exampleFile, exampleView } from '../../../test-support/example-view';
import { readWaiting } from '../act/waiting';
import { RebuildSheet } from './rebuild-sheet';
import { TeardownSheet } from './teardown-sheet';

const script = {
  duty: { flowM3h: 25, headM: 32, speedRpm: 2900 },
  found: { 'ring-bore': '100.70' },
  dispose: { 'ring-bore': ['replace', 'worn'] },
} as const;
const at = (station: 'teardown' | 'clean' | 'rebuild') => new CoreJob(exampleFile, script).playTo(station).record;
const done = { body: { data: { version: 9, answerVersion: 1 } } };
const stepBy = (personName: string, change: Partial<StepDone>): StepDone =>
  exampleStep({ stepId: 'bearings', personName, personId: asId(`p-${personName.toLowerCase()}`), ...change });
/** The rebuild played to a step, its actions not yet answered. */
function rebuiltTo(stepId: string): JobRecord {
  const job = new CoreJob(exampleFile, script).playTo('rebuild');
  const steps = exampleFamily.rebuild;
  job.workThrough(
    'rebuild',
    steps.slice(
      0,
      steps.findIndex((step) => step.id === stepId),
    ),
  );
  return job.record;
}
/** Presses a button as soon as what was pressed before is done with. */
async function press(name: string | RegExp): Promise<void> {
  const button = screen.getByRole('button', { name });
  await waitFor(() => expect(button).toBeEnabled());
  await userEvent.click(button);
}

describe('teardown', () => {
  const show = (change: Partial<JobRecord> = {}) =>
    render(<TeardownSheet view={exampleView({ ...at('teardown'), ...change })} isHere />);

  test('opens the first action that is not answered, with its caution before the words, and goes on from it', async () => {
    const asked = answerFetch(() => done);
    show();
    const [first] = exampleFamily.teardown;
    const [action] = present(first).actions;
    expect(screen.getByRole('button', { expanded: true })).toHaveTextContent(present(first).title);
    for (const box of screen.queryAllByRole('checkbox')) await userEvent.click(box);
    await press('Done, go on');
    await waitFor(() => expect(asked).toHaveLength(1));
    expect(asked[0]?.body).toEqual({
      ...{ tag: 'P-0417', phase: 'teardown', actionId: present(action).id, typed: '', photoId: null, basedOn: 0 },
      cautionsRead: present(first).cautions,
    });
  });
  test('what is not possible goes out with its reason and the cautions that were read', async () => {
    const asked = answerFetch(() => done);
    show();
    const [first] = exampleFamily.teardown;
    for (const box of screen.queryAllByRole('checkbox')) await userEvent.click(box);
    await press('It is not possible');
    await userEvent.type(screen.getByLabelText('Why it is not possible'), 'it came in pieces');
    await press('Not possible, by Ines');
    await waitFor(() => expect(asked).toHaveLength(1));
    expect(asked[0]).toMatchObject({
      path: '/api/act/answer-action',
      body: { notPossible: true, reason: 'it came in pieces', typed: '', cautionsRead: present(first).cautions },
    });
    expect(present(first).cautions).not.toEqual([]);
  });
  test('what is picked in the list comes into view, however long the list is', async () => {
    const scroll = jest.spyOn(Element.prototype, 'scrollIntoView');
    show();
    const step = present(exampleFamily.teardown[2]);
    await press(new RegExp(step.title));
    await waitFor(() => expect(scroll).toHaveBeenCalledWith({ block: 'nearest' }));
    expect(scroll.mock.contexts.at(-1)).toHaveProperty('id', `action-${present(step.actions[0]).id}`);
  });
  test('an action that is refused says what is missing, and stays open', async () => {
    answerFetch(() => refusal('Read the caution first.'));
    show();
    await press('Done, go on');
    expect(await screen.findByRole('alert')).toHaveTextContent('Read the caution first.');
    expect(screen.getByRole('button', { name: 'Done, go on' })).toBeInTheDocument();
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
  test('with the line down an answer waits on this device, and the bench goes on from it', async () => {
    answerFetch(() => 'lost');
    show();
    const [first, second] = present(exampleFamily.teardown[0]).actions;
    for (const box of screen.queryAllByRole('checkbox')) await userEvent.click(box);
    await press('Done, go on');
    await waitFor(() => expect(readWaiting()).toMatchObject([{ verb: 'answer-action' }]));
    expect(readWaiting()[0]?.place).toBe(`P-0417 teardown ${present(first).id}`);
    expect(await screen.findByText(/waits here/)).toBeInTheDocument();
    const next = second ?? present(present(exampleFamily.teardown[1]).actions[0]);
    expect(screen.getByRole('region', { name: actionTitle(next) })).toBeInTheDocument();
  });
});

describe('the tag of a kit', () => {
  const gear = loadFamily(f6);
  const script = {
    build: { axes: { variant: 'packed' } },
    ...{ duty: { flowM3h: 16, headM: 60, speedRpm: 400 }, found: {}, dispose: {} },
  };
  const show = () => {
    const job = new CoreJob(gear, script).playTo('teardown');
    workUntil(job, 'teardown', 'kit-tag');
    render(<TeardownSheet view={exampleView(job.record, {}, job.family)} isHere />);
    return job;
  };
  test('the plate finds the kits of this build, and one press keeps one of them', async () => {
    const asked = answerFetch(() => done);
    const job = show();
    for (const box of screen.queryAllByRole('checkbox')) await userEvent.click(box);
    const kits = within(screen.getByRole('list', { name: 'Kits of this pump' })).getAllByRole('button');
    expect(kits.map((kit) => kit.textContent)).toEqual(job.family.kits.map((kit) => `${kit.number}${kit.title}`));
    expect(screen.getByText(/this pump takes/)).toHaveTextContent(`serial number ${job.record.pump.serial}, `);
    await userEvent.click(present(kits[1]));
    await waitFor(() =>
      expect(asked[0]?.body).toMatchObject({ actionId: 'kit-tag', typed: job.family.kits[1]?.number }),
    );
  });
  test('a tag of another pump is said before it is kept; without a tag it is found by the plate', async () => {
    const asked = answerFetch(() => done);
    show();
    for (const box of screen.queryAllByRole('checkbox')) await userEvent.click(box);
    await userEvent.type(screen.getByRole('textbox', { name: 'Number on the kit’s tag' }), 'KW1-N10');
    expect(screen.getByText(/KW1-N10 is no kit of this pump as it is received/)).toBeInTheDocument();
    await press(/^The tag is gone/);
    await waitFor(() => expect(asked[0]?.body).toMatchObject({ typed: 'by model and serial number' }));
  });
});

describe('rebuild', () => {
  const show = (record: JobRecord) => render(<RebuildSheet view={exampleView(record)} isHere />);
  test('a bearing’s temperature is reckoned for the room, and what was reached goes out with it', async () => {
    const asked = answerFetch(() => done);
    show(at('rebuild'));
    // 25 µm of interference and 20 µm to slide: 83 K above a room of 20 °C
    expect(await screen.findByText(/^Heat to/)).toHaveTextContent('Heat to 103 °C');
    for (const box of screen.queryAllByRole('checkbox')) await userEvent.click(box);
    await userEvent.clear(screen.getByLabelText(/room/i));
    await userEvent.type(screen.getByLabelText(/room/i), '18');
    await userEvent.type(screen.getByLabelText(/reached/i), '104');
    await press('Keep 104 °C and go on');
    await waitFor(() =>
      expect(asked[0]?.body).toMatchObject({ actionId: 'bearings-heat', typed: '104', ambientC: 18 }),
    );
  });
  test('digits go in by the pad, and a torque is judged before it is sent', async () => {
    const job = new CoreJob(exampleFile, script).playTo('rebuild');
    const steps = exampleFamily.rebuild;
    const step = present(steps.find((one) => one.id === 'impeller-on'));
    job.workThrough('rebuild', steps.slice(0, steps.indexOf(step)));
    for (const action of step.actions.slice(0, -1)) job.answer('rebuild', step, action);
    const asked = answerFetch(() => done);
    show(job.record);
    const torque = present(step.actions.at(-1));
    expect(torque.answer).toMatchObject({ kind: 'torque', window_nm: { min: 95, max: 115 } });
    for (const digit of ['1', '2', '0']) await press(digit);
    expect(screen.getByText('120 N·m is outside the window of 95 to 115 N·m.')).toBeInTheDocument();
    await press('take one back');
    await press('take one back');
    for (const digit of ['0', '5', 'point', '5']) await press(digit);
    expect(screen.getByText('In order.')).toBeInTheDocument();
    await press('Keep 105.5 N·m and go on');
    await waitFor(() => expect(asked[0]?.body).toMatchObject({ actionId: torque.id, typed: '105.5', basedOn: 0 }));
  });
  test('what was found stands beside what is asked again; what differs is said before it is sent', async () => {
    const job = new CoreJob(exampleFile, script).playTo('rebuild');
    const steps = exampleFamily.rebuild;
    const step = present(steps.find((one) => one.id === 'rotary'));
    job.workThrough('rebuild', steps.slice(0, steps.indexOf(step)));
    job.answer('rebuild', step, present(step.actions[0]));
    show(job.record);
    expect(screen.getByText(/Found at teardown/)).toHaveTextContent('Found at teardown: 12.0');
    await userEvent.type(screen.getByRole('textbox', { name: /Seal setting length/ }), '14');
    expect(screen.getByText(/14 mm differs from 12 mm at teardown by 2 mm, allowed 0.3 mm/)).toBeInTheDocument();
  });
  test('an answer that may not stand may be let stand by an inspector, with all that was entered', async () => {
    const job = new CoreJob(exampleFile, script).playTo('rebuild');
    const steps = exampleFamily.rebuild;
    const step = present(steps.find((one) => one.id === 'bearings'));
    job.workThrough('rebuild', steps.slice(0, steps.indexOf(step)));
    const wrong = refusal('It may not stand.', { path: 'typed', message: 'It may not stand.' });
    const asked = answerFetch(({ path }) => (path.endsWith('concede-answer') ? done : wrong));
    render(
      <RebuildSheet view={exampleView(job.record, { audiences: { 'concede-answer': ['coordinator'] } })} isHere />,
    );
    for (const box of screen.queryAllByRole('checkbox')) await userEvent.click(box);
    expect(screen.queryByRole('button', { name: /stand, with a reason/ })).not.toBeInTheDocument();
    await userEvent.type(await screen.findByLabelText(/reached/i), '90');
    await press('Keep 90 °C and go on');
    await press('Let “90” stand, with a reason');
    await userEvent.type(screen.getByLabelText('Why “90” may stand'), 'it went on by hand');
    await press('Concede as Ines');
    await waitFor(() => expect(asked).toHaveLength(2));
    const sent = present(asked[0]).body as { cautionsRead: string[] };
    expect(sent).toMatchObject({ actionId: 'bearings-heat', typed: '90', ambientC: 20 });
    expect(sent.cautionsRead.length).toBeGreaterThan(0);
    expect(asked[1]).toMatchObject({ path: '/api/act/concede-answer' });
    expect(asked[1]?.body).toEqual({ ...sent, reason: 'it went on by hand' });
  });
  test('a refusal about something else than the answer is nothing to concede', async () => {
    answerFetch(() => refusal('Read the caution first.', { path: 'cautionsRead', message: 'Read it.' }));
    render(
      <RebuildSheet view={exampleView(at('rebuild'), { audiences: { 'concede-answer': ['coordinator'] } })} isHere />,
    );
    await userEvent.type(await screen.findByLabelText(/reached/i), '104');
    await press('Keep 104 °C and go on');
    expect(await screen.findByRole('alert')).toHaveTextContent('Read the caution first.');
    expect(screen.queryByRole('button', { name: /stand, with a reason/ })).not.toBeInTheDocument();
  });
  test('a lubricant in which the seal swells is not offered, and says why', () => {
    const record = rebuiltTo('seat');
    show({ ...record, intake: { ...record.intake, elastomer: 'EPDM' } });
    expect(screen.getByRole('radio', { name: /^mineral grease/ })).toBeDisabled();
    expect(screen.getByText(/not offered: EPDM swells in it/)).toBeInTheDocument();
    expect(screen.getByRole('radio', { name: /^soapy water/ })).toBeEnabled();
  });
  test('a hold point that is not signed is opened first; it is signed as it was seen', async () => {
    const asked = answerFetch(() => done);
    const record = at('rebuild');
    show({
      ...record,
      steps: [...record.steps, stepBy('Odile', { stepId: 'rotary', version: 3 })],
      answers: [
        ...record.answers,
        exampleAnswer({ phase: 'rebuild', actionId: 'rotary-do', personName: 'Odile', personId: asId('p-odile') }),
      ],
    });
    expect(screen.getByText(/Odile worked on this step and cannot sign it/)).toBeInTheDocument();
    const who = within(screen.getByRole('group', { name: 'Who signs' }));
    expect(who.getAllByRole('button').map((button) => button.textContent)).toEqual(['Marek inspector']);
    await userEvent.click(who.getByRole('button', { name: /Marek/ }));
    await userEvent.type(screen.getByLabelText('PIN of Marek'), '5005');
    await press('Sign as Marek');
    await waitFor(() =>
      expect(asked[0]?.body).toEqual({
        ...{ tag: 'P-0417', stepId: 'rotary', basedOn: 3, signer: { personId: 'p-marek', pin: '5005' } },
      }),
    );
  });
  test('a PIN that does not belong says so, and is typed anew', async () => {
    answerFetch(() => refusal('Person and PIN do not belong together.'));
    const record = at('rebuild');
    show({ ...record, steps: [...record.steps, stepBy('Odile', { stepId: 'rotary' })] });
    await press(/^Marek/);
    await userEvent.type(screen.getByLabelText('PIN of Marek'), '1111');
    await press('Sign as Marek');
    expect(await screen.findByRole('alert')).toHaveTextContent('Person and PIN do not belong together.');
    expect(screen.getByLabelText('PIN of Marek')).toHaveValue('');
  });
  test('a signature that a later change made void is said', () => {
    const record = at('rebuild');
    show({ ...record, steps: [...record.steps, stepBy('Odile', { stepId: 'rotary', data: { voided: 'Marek' } })] });
    expect(screen.getByText(/The signature of Marek is void/)).toBeInTheDocument();
  });
  test('a step that comes later says what comes first; who may allow another order sees how', async () => {
    const asked = answerFetch(() => done);
    render(
      <RebuildSheet view={exampleView(at('rebuild'), { audiences: { 'allow-deviation': ['coordinator'] } })} isHere />,
    );
    const later = present(exampleFamily.rebuild[2]);
    await press(new RegExp(later.title));
    expect(screen.getByText(/comes first\.$/)).toHaveTextContent(present(exampleFamily.rebuild[1]).title);
    expect(screen.queryByRole('button', { name: /go on$/ })).not.toBeInTheDocument();
    await press('Allow this order');
    await userEvent.type(screen.getByLabelText(/Why it may be done in this order/), 'cover is with the machine shop');
    await press('Allow it as Ines');
    await waitFor(() =>
      expect(asked[0]?.body).toEqual({
        ...{ tag: 'P-0417', phase: 'rebuild', stepId: later.id, reason: 'cover is with the machine shop' },
      }),
    );
  });
  test('a step whose part is not here says which, how many and when', () => {
    const record = at('rebuild');
    const [order] = record.orders;
    const lines = present(order).lines.map((line) =>
      line.partRef === 'wet-bearing' ? { ...line, received: 0 } : line,
    );
    show({ ...record, orders: [{ ...present(order), lines }] });
    expect(screen.getByText(/^This step waits for/)).toHaveTextContent('bearing, wet end (1 of 1, due 2026-11-30)');
  });
  test('after a failed run it is another round, with the reason above', () => {
    const record = at('rebuild');
    const failed = {
      ...{ id: 'r', run: 1, grade: '2B', verdict: 'fail' as const, points: [], guarantee: script.duty },
      ...{ decision: 'failed' as const, decisionReason: 'it rubs', decisionBy: 'Marek', decisionAt: null },
      ...{ personId: null, personName: 'Marek', at: '2026-11-25T08:00:00.000Z' },
    };
    show({ ...record, runs: [failed] });
    expect(screen.getByText('Round 2.').parentElement).toHaveTextContent('Run 1 on the stand failed: it rubs.');
  });
});

test('a job that is closed shows its steps without presses', () => {
  render(<TeardownSheet view={exampleView(exampleRecord({ station: 'return' }))} isHere={false} />);
  expect(screen.queryByRole('button', { name: 'Done, go on' })).not.toBeInTheDocument();
});
