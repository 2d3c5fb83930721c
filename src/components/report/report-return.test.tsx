import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { asId, type JobRecord } from '@/core/record';
import { exampleReading, exampleRecord } from '@/core/record/example-record';
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
    ...{ deliveredTo: null, deliveredAt: null, warrantyFrom: null, warrantyMonths: 12 },
  };
  test('what came with it goes back with it, shims by their foot', async () => {
    const asked = answerFetch(() => done);
    const { intake } = exampleRecord();
    show({ intake: { ...intake, cameWith: ['guard', 'key'], shims: [{ foot: 'front left', thicknesses: '0.5 mm' }] } });
    expect(screen.getByText('It came with: guard, key. All of it goes back.')).toBeInTheDocument();
    expect(screen.getByText('Shim packs: front left 0.5 mm.')).toBeInTheDocument();
    await userEvent.clear(screen.getByLabelText('How it is preserved and packed'));
    await userEvent.type(screen.getByLabelText('How it is preserved and packed'), 'oiled, in foil');
    await userEvent.click(screen.getByRole('button', { name: 'Release' }));
    await waitFor(() => expect(asked[0]?.body).toEqual({ tag: 'P-0417', packing: 'oiled, in foil' }));
  });
  test('a declined pump goes back as it is, and is said to', () => {
    show({ outcome: 'declined' });
    expect(screen.getByText(/The repair was declined: the pump goes back as it is/)).toBeInTheDocument();
    expect(screen.getByLabelText('How it is preserved and packed')).toHaveValue(
      'as it came, in parts, bagged by tray, on its pallet',
    );
  });
  test('the delivery is on a day that is not later than today', async () => {
    const asked = answerFetch(() => done);
    show({ returned });
    expect(screen.getByLabelText('On')).toHaveAttribute('max', '2026-11-24');
    await userEvent.click(screen.getByRole('button', { name: 'Delivered: close the job' }));
    await waitFor(() =>
      expect(asked[0]?.body).toEqual({ tag: 'P-0417', deliveredTo: 'Fern Okonjo', deliveredOn: '2026-11-24' }),
    );
  });
  test.each([
    [12, '2026-11-30', 'The warranty runs 12 months from 30 Nov 2026.'],
    [0, null, 'There is no warranty on a pump that went back as it is.'],
  ])('%d months of warranty', (warrantyMonths, warrantyFrom, words) => {
    const delivered = { deliveredTo: 'stores', deliveredAt: '2026-11-30T08:00:00.000Z', warrantyMonths, warrantyFrom };
    show({ returned: { ...returned, ...delivered } });
    expect(screen.getByText(/^Delivered to stores\./)).toHaveTextContent(words);
  });
});
