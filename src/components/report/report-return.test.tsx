import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { asId, type JobRecord, type Packing } from '@/core/record';
import { exampleReading, exampleRecord } from '@/core/record/example-record';
import { rightPacking } from '../../../demo/right-packing';
import { answerFetch, refusal } from '../../../test-support/answer-fetch';
import { exampleView } from '../../../test-support/example-view';
import { ReportSheet } from './report-sheet';
import { ReturnSheet } from './return-sheet';

const done = { body: { data: { version: 9, number: 'R-1', revision: 'B', fingerprint: 'f' } } };
const report = (revision: string, whatChanged = '') => ({
  ...{ id: asId<JobRecord['reports'][number]['id']>(`r-${revision}`), number: 'R-2026-0001', revision, whatChanged },
  ...{ fingerprint: 'abc', personId: null, personName: 'Wenna', at: '2026-11-28T08:00:00.000Z' },
});

describe('the report', () => {
  const show = (change: Partial<JobRecord> = {}) =>
    render(<ReportSheet view={exampleView(exampleRecord({ station: 'report', ...change }))} isHere />);
  test('shows as found and as left side by side, and what was not measured', () => {
    show({
      readings: [
        ...['A:0', 'A:90'].map((place) => exampleReading('ring-bore', place, 100.7)),
        ...['A:0', 'A:90'].map((place) => exampleReading('ring-bore', place, 100.36, 'as-left')),
      ],
    });
    const row = screen.getByRole('row', { name: /^1 Front wear ring bore/ });
    expect(row).toHaveTextContent(/out.*as new/);
    expect(screen.getByRole('row', { name: /^2 Impeller hub/ })).toHaveTextContent(/not measured.*not measured/);
  });
  test('is issued by one press under the person’s name', async () => {
    const asked = answerFetch(() => done);
    show();
    await userEvent.click(screen.getByRole('button', { name: 'Issue it as Ines' }));
    await waitFor(() => expect(asked[0]).toMatchObject({ path: '/api/act/issue-report', body: { tag: 'P-0417' } }));
  });
  test('once issued it is corrected by a revision that says what changed', async () => {
    const asked = answerFetch(() => done);
    show({ reports: [report('A'), report('B', 'running hours')] });
    expect(screen.getByText('Changed: running hours')).toBeInTheDocument();
    expect(screen.getAllByRole('link', { name: 'PDF' })[1]).toHaveAttribute('href', '/files/report/R-2026-0001/B/pdf');
    await userEvent.type(screen.getByLabelText('What changes, and why'), 'serial number');
    await userEvent.click(screen.getByRole('button', { name: 'Issue the next revision' }));
    await waitFor(() => expect(asked[0]?.body).toEqual({ tag: 'P-0417', whatChanged: 'serial number' }));
    await waitFor(() => expect(screen.getByLabelText('What changes, and why')).toHaveValue(''));
  });
  test('a correction that is refused keeps its words', async () => {
    answerFetch(() => refusal('whatChanged: say what', { path: 'whatChanged', message: 'say what' }));
    show({ reports: [report('A')] });
    await userEvent.type(screen.getByLabelText('What changes, and why'), ' ');
    await userEvent.click(screen.getByRole('button', { name: 'Issue the next revision' }));
    expect(await screen.findByText('say what')).toBeInTheDocument();
  });
});

describe('the way back', () => {
  const show = (change: Partial<JobRecord> = {}) =>
    render(<ReturnSheet view={exampleView(exampleRecord({ station: 'return', ...change }))} isHere />);
  const returned = {
    ...{ packing: 'on its pallet', releasedBy: 'Ines', releasedAt: '2026-11-29T08:00:00.000Z' },
    ...{ deliveredTo: null, deliveredAt: null, warrantyFrom: null, warrantyMonths: 12, signature: '' },
  };
  const packing = (change: Partial<Packing> = {}): JobRecord['sheets'][number] => ({
    ...{ kind: 'packing', key: 'one', version: 1, personId: null, personName: 'Odile', at: '2026-11-29T07:00:00.000Z' },
    body: { ...rightPacking(exampleRecord({ outcome: 'repaired' })), ...change },
  });
  test('the list proposes what came with it and its shims by their foot, and goes out as it is ticked', async () => {
    const asked = answerFetch(() => done);
    const { intake } = exampleRecord();
    const shims = [{ foot: 'front left', thicknesses: '0.5 mm' }];
    show({ outcome: 'repaired', intake: { ...intake, cameWith: ['guard', 'key'], shims } });
    await userEvent.click(screen.getByRole('checkbox', { name: 'guard' }));
    await userEvent.click(screen.getByRole('checkbox', { name: 'shim pack, front left: 0.5 mm' }));
    expect(screen.getByText('2 do not agree.')).toBeInTheDocument();
    await userEvent.clear(screen.getByLabelText('Blanks fitted'));
    await userEvent.type(screen.getByLabelText('Blanks fitted'), '2');
    expect(screen.getByText('They agree.')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Keep the packing list' }));
    await waitFor(() => expect(asked[0]?.path).toBe('/api/act/pack'));
    expect(asked[0]?.body).toMatchObject({
      ...{ tag: 'P-0417', basedOn: 0 },
      packing: {
        ...{ ports: 2, blanks: 2 },
        loose: [
          { what: 'guard', count: 1, isPacked: true },
          { what: 'key', count: 1, isPacked: false },
          { what: 'shim pack, front left: 0.5 mm', count: 1, isPacked: true },
        ],
      },
    });
  });
  test('a list that is kept says what is missing; one that is whole is released by one press', async () => {
    const asked = answerFetch(() => done);
    const { unmount } = show({ outcome: 'repaired', sheets: [packing({ blanks: 1, carrier: '' })] });
    const gaps = screen.getByRole('list', { name: 'Before it is released' });
    expect(gaps).toHaveTextContent('1 of 2 ports are blankednobody is named who carries it');
    expect(screen.queryByRole('button', { name: /^Release/ })).toBeNull();
    unmount();
    show({ outcome: 'repaired', sheets: [packing()] });
    await userEvent.click(screen.getByRole('button', { name: 'Release, and write to Fern Okonjo' }));
    await waitFor(() => expect(asked[0]).toMatchObject({ path: '/api/act/release-pump', body: { tag: 'P-0417' } }));
  });
  test('what becomes of a pump that is not repaired is the owner’s word', async () => {
    const asked = answerFetch(() => done);
    show({ outcome: 'declined' });
    await userEvent.click(screen.getByRole('radio', { name: /^kept as a donor/ }));
    await userEvent.type(screen.getByLabelText('When, and in their words'), 'keep it for the other one');
    await userEvent.click(screen.getByRole('button', { name: 'Keep the owner’s word' }));
    await waitFor(() =>
      expect(asked[0]?.body).toEqual({
        ...{ tag: 'P-0417', basedOn: 0 },
        fate: { fate: 'donor', saidBy: 'Fern Okonjo', words: 'keep it for the other one' },
      }),
    );
  });
  test('one that is scrapped is not packed, and its job is closed by its own press', async () => {
    const asked = answerFetch(() => done);
    const who = { personId: null, personName: 'Ines', at: '2026-11-29T07:00:00.000Z' };
    const body = { fate: 'scrapped' as const, saidBy: 'Fern Okonjo', words: 'scrap it', reassembled: null };
    show({ outcome: 'scrapped', sheets: [{ kind: 'fate', key: 'one', version: 1, body, ...who }] });
    expect(screen.queryByText('Packing list and release')).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Close the job: scrapped' }));
    await waitFor(() => expect(asked[0]?.path).toBe('/api/act/close-unreturned'));
  });
  test('the delivery is on a day that is not later than today', async () => {
    const asked = answerFetch(() => done);
    show({ outcome: 'repaired', returned });
    expect(screen.getByLabelText('On')).toHaveAttribute('max', '2026-11-24');
    await userEvent.click(screen.getByRole('button', { name: 'Delivered: close the job' }));
    await waitFor(() =>
      expect(asked[0]?.body).toEqual({
        tag: 'P-0417',
        deliveredTo: 'Fern Okonjo',
        deliveredOn: '2026-11-24',
        signature: '',
      }),
    );
  });
  test.each([
    [12, '2026-11-30', 'The warranty runs 12 months from 30 Nov 2026, until 30 Nov 2027.'],
    [0, null, 'There is no warranty on a pump that was not repaired.'],
  ])('%d months of warranty', (warrantyMonths, warrantyFrom, words) => {
    const delivered = { deliveredTo: 'stores', deliveredAt: '2026-11-30T08:00:00.000Z', warrantyMonths, warrantyFrom };
    show({ outcome: 'repaired', returned: { ...returned, ...delivered } });
    expect(screen.getByText(/^Delivered to stores\./)).toHaveTextContent(words);
  });
});
