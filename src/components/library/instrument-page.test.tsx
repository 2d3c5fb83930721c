import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { answerFetch } from '../../../test-support/answer-fetch';
import { InstrumentPage, type InstrumentView } from './instrument-page';

const reading = {
  ...{ tag: 'P-0409', pump: 'Quillmere QB', customer: 'Garden', point: 'Front wear ring bore', place: 'A:0' },
  ...{ phase: 'as-found' as const, typed: '100.70', unit: 'mm', on: '2026-11-20', personName: 'Marek', report: null },
};
const view: InstrumentView = {
  tool: {
    code: 'B-02',
    kind: 'bore gauge',
    unit: 'mm',
    uncertainty: 0.004,
    rangeLow: 35,
    rangeHigh: 160,
    dueOn: '2026-11-26',
  },
  ...{ today: '2026-11-27', since: '2026-05-01', until: '2026-11-26' },
  history: [
    {
      ...{ id: 'c', onDay: '2026-11-26', isWithin: false, error: 0.02, nextDueOn: null, certificate: 'K-18' },
      ...{ note: 'dropped', personName: 'Marek' },
    },
  ],
  turned: [
    { tag: 'P-0409', phase: 'as-found', point: 'Front wear ring bore', is: 'usable', maybe: ['out'], mayBeOut: true },
  ],
  notReckoned: 3,
  isCut: false,
  touched: [
    { ...reading, isClosed: false },
    { ...reading, tag: 'P-0399', isClosed: true, report: 'R-2026-0004' },
  ],
  worked: [],
};

test('says what it touches: what is here, what has gone out and with which report', () => {
  render(<InstrumentPage view={view} canCalibrate={false} />);
  const touched = screen.getByRole('region', { name: 'Readings touched' });
  expect(touched).toHaveTextContent('2 readings of 2 pumps are touched');
  expect(touched).toHaveTextContent('found good last on Fri 1 May');
  expect(touched).toHaveTextContent('1 of the pumps has gone out.');
  expect(touched).toHaveTextContent('P-0399Quillmere QB · Gardenhas gone out, report R-2026-0004');
  expect(touched).toHaveTextContent('Front wear ring bore, A:0, as found: 100.70 mm, Fri 20 Nov, Marek');
  expect(screen.getByRole('region', { name: 'Found so far' })).toHaveTextContent(
    'beyond its uncertainty, largest error 0.02 mm',
  );
  expect(screen.queryByRole('button')).toBeNull();
  expect(touched).toHaveTextContent(
    '1 verdict of 1 pump may be wrong by the error that was found; 1 that were good may be out.',
  );
  expect(screen.getByRole('list', { name: 'Verdicts that may be wrong' })).toHaveTextContent(
    'P-0409Front wear ring bore, as found: judged usable, may be out',
  );
  expect(touched).toHaveTextContent('Of 3 older pumps this was not reckoned.');
});

test('a wrench has no readings: the work that was done with it is listed, with what it was set to', () => {
  const work = {
    ...{ pump: 'Quillmere QB', customer: 'Garden', what: 'Element into the casing: Casing bolts', report: null },
    ...{ phase: 'rebuild' as const, typed: '79', unit: 'N·m', on: '2026-11-20', personName: 'Bram' },
  };
  const worked = [
    { ...work, tag: 'P-0409', isClosed: false, typed: '74', doubt: { window: '68 to 80 N·m', mayBeOut: false } },
    {
      ...work,
      doubt: { window: '68 to 80 N·m', mayBeOut: true },
      tag: 'P-0399',
      isClosed: true,
      report: 'R-2026-0004',
    },
  ];
  const tool = { ...view.tool, code: 'W-01', kind: 'torque wrench' as const, unit: 'N·m' as const };
  render(<InstrumentPage view={{ ...view, tool, turned: null, touched: [], worked }} canCalibrate={false} />);
  const touched = screen.getByRole('region', { name: 'Work touched' });
  expect(screen.getByRole('heading', { name: '2 pieces of work on 2 pumps are touched' })).toBeVisible();
  expect(touched).toHaveTextContent(
    'Element into the casing: Casing bolts: 79 N·m, Fri 20 Nov, Bram; window 68 to 80 N·m: may be outside it',
  );
  expect(touched).toHaveTextContent('1 of them, on 1 pump, may lie outside the window');
  // What may be outside stands first.
  expect(
    within(touched)
      .getAllByRole('link')
      .map((link) => link.textContent),
  ).toEqual(['P-0399', 'P-0409']);
  expect(screen.getByRole('link', { name: 'P-0399' })).toHaveAttribute('href', '/jobs/P-0399?at=rebuild');
  expect(screen.getByText('1 of the pumps has gone out.')).toBeVisible();
});

test('without an error, and where nothing turns, it says so', () => {
  const { unmount } = render(<InstrumentPage view={{ ...view, turned: null }} canCalibrate={false} />);
  expect(screen.getByText(/whether a verdict would turn cannot be reckoned/)).toBeVisible();
  unmount();
  render(<InstrumentPage view={{ ...view, turned: [], notReckoned: 0 }} canCalibrate={false} />);
  expect(screen.getByText('No verdict would turn by the error that was found.')).toBeVisible();
});

test('what is found beyond has no next day', async () => {
  const asked = answerFetch(() => ({ body: { data: { touched: 2, worked: 0 } } }));
  render(<InstrumentPage view={view} canCalibrate />);
  await userEvent.type(screen.getByRole('textbox', { name: 'Largest error, mm' }), '0,02');
  await userEvent.selectOptions(screen.getByRole('combobox', { name: 'It read' }), 'beyond its uncertainty');
  expect(screen.queryByLabelText('May be used until')).toBeNull();
  await userEvent.click(screen.getByRole('button', { name: 'Write it down' }));
  expect(asked[0]?.body).toEqual({
    ...{ code: 'B-02', isWithin: false, nextDueOn: null, onDay: '2026-11-27', error: 0.02, certificate: '', note: '' },
  });
});
