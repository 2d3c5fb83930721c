import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { asId, type Approval, type Quote } from '@/core/record';
import { exampleLine, exampleQuote, exampleRecord } from '@/core/record/example-record';
import { answerFetch } from '../../../test-support/answer-fetch';
import { exampleView } from '../../../test-support/example-view';
import { AgreedLimit, Questions, ReminderDraft, SettleDecline } from './answer-desk';
import { ApproveSheet } from './approve-sheet';

const done = { body: { data: { version: 9, number: 1, agreementVersion: 1 } } };
const sent = exampleQuote([exampleLine()], { sentAt: '2026-11-10T08:00:00.000Z' });
const approval = (change: Partial<Approval> = {}): Approval => ({
  ...{ id: 'a', quoteId: sent.id, way: 'telephone', name: 'Fern', reference: 'at ten', decisions: {}, option: null },
  ...{
    corrects: null,
    signature: '',
    text: 'x',
    fingerprint: 'f',
    personId: null,
    personName: 'Ines',
    at: '2026-11-20T08:00:00.000Z',
  },
  ...change,
});

test('a question is answered at its place, and what was answered stands there', async () => {
  const asked = answerFetch(() => done);
  const question = (id: string, answer: null | { words: string }) => ({
    ...{ id, quoteId: sent.id, askedBy: 'Hesper', askedAt: '2026-11-20T08:00:00.000Z', words: `${id}?` },
    answer: answer && { ...answer, personId: null, personName: 'Wenna', at: '2026-11-20T09:00:00.000Z' },
  });
  const questions = [question('first', { words: 'It can.' }), question('second', null)];
  render(<Questions view={exampleView(exampleRecord({ quotes: [sent], questions }))} />);
  expect(screen.getByText('It can.')).toBeInTheDocument();
  await userEvent.type(screen.getByLabelText(/^Your answer/), 'Not yet.');
  await userEvent.click(screen.getByRole('button', { name: 'Answer' }));
  await waitFor(() => expect(asked[0]?.body).toEqual({ tag: 'P-0417', questionId: 'second', words: 'Not yet.' }));
});

describe('a reminder', () => {
  const view = (today: string) => exampleView(exampleRecord({ station: 'approve', quotes: [sent] }), { today });
  test('is drafted when the shop’s days are over; one key sends it as it stands', async () => {
    const asked = answerFetch(() => done);
    render(<ReminderDraft view={view('2026-11-24')} quote={sent} />);
    expect(screen.getByText('due: 14 days without a word')).toBeInTheDocument();
    await userEvent.keyboard('r');
    await waitFor(() => expect(asked[0]?.path).toBe('/api/act/send-reminder'));
    expect(asked[0]?.body).toMatchObject({ words: expect.stringContaining('14 days ago we sent you') as string });
  });
  test('is not, before; the key does nothing', async () => {
    const asked = answerFetch(() => done);
    render(<ReminderDraft view={view('2026-11-12')} quote={sent} />);
    expect(screen.queryByRole('textbox')).not.toBeInTheDocument();
    await userEvent.keyboard('r');
    expect(asked).toEqual([]);
    await userEvent.click(screen.getByRole('button', { name: 'Remind them now' }));
    expect(screen.getByRole('textbox')).toBeInTheDocument();
  });
});

test('what was declined against advice is settled with its disclaimer, or goes back', async () => {
  const asked = answerFetch(() => done);
  const quote = exampleQuote([exampleLine({ id: asId('gear'), description: 'Gear', critical: true }), exampleLine()], {
    state: 'answered',
  });
  const declined = approval({ decisions: { gear: 'declined', 'line-1': 'approved' } });
  const record = exampleRecord({ station: 'parts', quotes: [quote], approvals: [declined] });
  render(<SettleDecline view={exampleView(record)} />);
  expect(screen.getByRole('heading', { name: 'Declined: Gear' })).toBeInTheDocument();
  expect(screen.getByRole('textbox')).toHaveValue(
    'Fern has declined: Gear. It was said that the pump may fail in service without it. The repair has no warranty for what follows from it, and the pump is not to be run without watching it.',
  );
  await userEvent.click(screen.getByRole('button', { name: 'Go on with the disclaimer' }));
  await waitFor(() => expect(asked[0]?.body).toMatchObject({ decision: 'go on' }));
  await userEvent.click(screen.getByRole('button', { name: 'Return it as it is' }));
  await waitFor(() => expect(asked[1]?.body).toMatchObject({ decision: 'return as it is' }));
});

test('a limit is kept with who agreed to it', async () => {
  const asked = answerFetch(() => done);
  render(<AgreedLimit view={exampleView(exampleRecord({ quotes: [sent] }))} />);
  await userEvent.type(screen.getByLabelText('Up to, EUR'), '400');
  await userEvent.click(screen.getByText('Keep'));
  await waitFor(() =>
    expect(asked[0]?.body).toEqual({
      ...{ tag: 'P-0417', limitMinor: 40000, saidBy: 'Fern Okonjo', forAll: false, basedOn: 0 },
    }),
  );
});

describe('the sheet of answers', () => {
  test('an answer that was written down wrongly can be put right until something is ordered by it', () => {
    const quote: Quote = { ...sent, state: 'answered' };
    const record = exampleRecord({ station: 'parts', quotes: [quote], approvals: [approval()] });
    const { unmount } = render(<ApproveSheet view={exampleView(record)} isHere={false} />);
    expect(screen.getByText('The answer was written down wrongly')).toBeInTheDocument();
    unmount();
    const signed = { ...record, approvals: [approval({ way: 'link' })] };
    render(<ApproveSheet view={exampleView(signed)} isHere={false} />);
    expect(screen.queryByText('The answer was written down wrongly')).not.toBeInTheDocument();
  });
  test('an answer put right says why, beside the earlier one', () => {
    const approvals = [approval(), approval({ id: 'b', corrects: 'misheard' })];
    const record = exampleRecord({ station: 'parts', quotes: [{ ...sent, state: 'answered' }], approvals });
    render(<ApproveSheet view={exampleView(record)} isHere={false} />);
    expect(screen.getAllByRole('region', { name: 'Answer' })).toHaveLength(2);
    expect(screen.getByText('Put right by Ines: misheard')).toBeInTheDocument();
  });
  test('a critical line is left out only after it was said what that means', async () => {
    const asked = answerFetch(() => done);
    const quote = exampleQuote([exampleLine({ id: asId('gear'), description: 'Gear', critical: true }), exampleLine()]);
    const record = exampleRecord({ station: 'approve', quotes: [quote] });
    render(<ApproveSheet view={exampleView(record)} isHere />);
    await userEvent.click(screen.getByRole('checkbox', { name: /^Gear/ }));
    await userEvent.click(screen.getByRole('checkbox', { name: /^I have said that without Gear/ }));
    await userEvent.click(screen.getByRole('button', { name: /^Approved/ }));
    await waitFor(() => expect(asked[0]?.body).toMatchObject({ declinedLines: ['gear'], criticalConfirmed: true }));
  });
  test('a supplement stands with what it stops, and is sent and taken back here', async () => {
    const asked = answerFetch(() => done);
    const supplement = exampleQuote([exampleLine({ id: asId('s1') })], {
      ...{ id: asId('supp'), kind: 'supplement', state: 'draft', sentAt: null, version: 4 },
      supplement: { findingId: asId('none'), whyOnlyNow: 'Paint hid it.', stops: [] },
    });
    const answered: Quote = { ...sent, state: 'answered' };
    const record = exampleRecord({ station: 'rebuild', quotes: [answered, supplement] });
    render(<ApproveSheet view={exampleView(record)} isHere={false} />);
    const panel = within(screen.getByRole('region', { name: 'Supplement 1' }));
    expect(panel.getByText('No step waits for it.')).toBeInTheDocument();
    await userEvent.click(panel.getByRole('button', { name: 'Send supplement 1' }));
    await waitFor(() => expect(asked[0]?.body).toEqual({ tag: 'P-0417', quoteId: 'supp', basedOn: 4 }));
    await userEvent.click(panel.getByRole('button', { name: 'Take it back' }));
    await userEvent.type(panel.getByLabelText('Why it is taken back'), 'a scratch');
    await userEvent.click(panel.getByRole('button', { name: 'Take it back' }));
    await waitFor(() => expect(asked[1]?.body).toMatchObject({ quoteId: 'supp', reason: 'a scratch' }));
  });
});
