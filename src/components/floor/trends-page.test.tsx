import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { trendsOf, type TrendJob } from '@/core/trends';
import { TrendsPage } from './trends-page';

const job = (own: Partial<TrendJob> & Pick<TrendJob, 'tag'>): TrendJob => ({
  ...{ family: 'F1', liquid: 'brine', opened: '2026-10-01T08:00', ready: '2026-10-11T08:00', promised: '2026-10-12' },
  ...{ stays: [], runs: 1, comebackOf: null, answerDays: 3, renewed: ['Wear ring'], worked: null, judged: '' },
  ...own,
});
const trends = trendsOf(
  [
    job({
      tag: 'P-0401',
      stays: [{ station: 'Parts', holder: 'supplier', from: '2026-10-02T08:00', to: '2026-10-06T08:00' }],
    }),
    job({ tag: 'P-0402', ready: '2026-10-21T08:00', runs: 2 }),
    job({
      tag: 'P-0403',
      opened: '2026-11-01T08:00',
      ready: '2026-11-13T08:00',
      promised: null,
      comebackOf: 'P-0401',
      judged: 'theirs: run dry',
    }),
    job({ tag: 'P-0404', opened: '2026-11-20T08:00', ready: null }),
  ],
  { from: '2026-09-01', to: '2026-11-30' },
);
const figure = (name: string) => within(screen.getByRole('region', { name }));

test('each figure says its value, of how many, and what it means', () => {
  render(<TrendsPage trends={trends} />);
  // Ten, twenty and twelve days; one of two promises kept; one of three needed a second run.
  expect(figure('Days in the house').getByText('12.0 days')).toBeVisible();
  expect(figure('Promise kept').getByText('50 %')).toBeVisible();
  expect(figure('Promise kept').getByText('of 2')).toBeVisible();
  expect(figure('Promise kept').getByText(/the day that was promised first, before any move of it/)).toBeVisible();
  expect(figure('Passed the first test').getByText('67 %')).toBeVisible();
  expect(figure('Came back').getByText('33 %')).toBeVisible();
  expect(screen.getByText(/3 pumps went out .*; 1 are here: 1 up to 14 days/)).toBeVisible();
});

test('by month a figure leads to its jobs, the newest first; a month without one is not listed', async () => {
  render(<TrendsPage trends={trends} />);
  const kept = figure('Promise kept');
  await userEvent.click(kept.getByText('By month, with its jobs'));
  expect(kept.getAllByRole('listitem').map((one) => one.textContent)).toEqual([
    'October 202650 %, of 2were late: P-0402',
  ]);
  expect(kept.getByRole('link', { name: 'P-0402' })).toHaveAttribute('href', '/jobs/P-0402');
  const house = figure('Days in the house');
  expect(house.getAllByRole('listitem', { hidden: true })[0]).toHaveTextContent('November 2026');
});

test('a station says half and nine of ten; what fails says of how many alike', () => {
  render(<TrendsPage trends={trends} />);
  expect(figure('Days by station').getByText('4.0, 4.0')).toBeVisible();
  expect(figure('Days by station').getByText('supplier, 100 %')).toBeVisible();
  expect(figure('What fails').getByText('brine')).toBeVisible();
  expect(figure('What fails').getByText('3 pumps, F1')).toBeVisible();
  expect(figure('What fails').getByText('3 of 3')).toBeVisible();
  expect(figure('Why they came back').getByText('theirs: run dry')).toBeVisible();
});

test('a shop without a pump that went out says so and divides by nothing', () => {
  render(<TrendsPage trends={trendsOf([], { from: '2026-09-01', to: '2026-11-30' })} />);
  expect(screen.getAllByText('none to judge by')).toHaveLength(6);
  expect(screen.getByText('No three pumps of one construction with one liquid went out yet.')).toBeVisible();
});

test('the load is the hours worked on the pumps that went out in a month, over all those of an average month', async () => {
  const worked = (minutes: number) => ({ minutes, standard: 600 });
  const timed = trendsOf(
    [
      job({ tag: 'P-0401', worked: worked(600) }),
      job({ tag: 'P-0402', worked: worked(1200) }),
      job({ tag: 'P-0403', ready: '2026-11-13T08:00', worked: worked(300) }),
    ],
    { from: '2026-10-01', to: '2026-11-30' },
  );
  render(<TrendsPage trends={timed} />);
  const load = figure('Load');
  // 10 + 20 hours in October, 5 in November: 35 in two months.
  expect(load.getByText('18 h')).toBeVisible();
  await userEvent.click(load.getByText('By month, with its jobs'));
  expect(load.getAllByRole('listitem').map((one) => one.textContent)).toEqual([
    'November 20265 h, of 1went out: P-0403',
    'October 202630 h, of 2went out: P-0401P-0402',
  ]);
});
