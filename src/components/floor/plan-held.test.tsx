import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Calibration } from '@/core/workload';
import { PlanHeld } from './plan-held';

const mockAct = jest.fn();
jest.mock('../act/act', () => ({ act: (...asked: unknown[]): unknown => mockAct(...asked) }));
const mockRefresh = jest.fn();
jest.mock('next/navigation', () => ({ useRouter: () => ({ refresh: mockRefresh }) }));

const early: Calibration = {
  held: [
    { pct: 50, of: 4, held: 1, later: ['P-0301', 'P-0302', 'P-0303'] },
    { pct: 90, of: 4, held: 3, later: ['P-0303'] },
  ],
  laterDays: 3,
};
const right: Calibration = { held: [{ pct: 50, of: 2, held: 1, later: ['P-0301'] }], laterDays: 0 };
beforeEach(() => jest.clearAllMocks());

test('each chance says how often it held, and leads to the pumps that were later', async () => {
  render(<PlanHeld plan={{ cameIn: early, answered: right, pumps: 4, left: 0 }} />);
  expect(screen.getByText('Said for 90 of 100: held 3 of 4, which is 75 of 100')).toBeVisible();
  expect(screen.getByText(/3 days or more after their even-chance day: the ranges say too early/)).toBeVisible();
  await userEvent.click(screen.getByText(/Said for 90 of 100/));
  expect(screen.getAllByRole('link', { name: 'P-0303' }).at(-1)).toHaveAttribute('href', '/jobs/P-0303');
  expect(screen.getByText('All 4 pumps that went out are held against their plans.')).toBeVisible();
});

test('the moment can be chosen of which the days are', async () => {
  render(<PlanHeld plan={{ cameIn: early, answered: right, pumps: 4, left: 0 }} />);
  await userEvent.click(screen.getByLabelText('when the customer answered'));
  expect(screen.getByText('Said for 50 of 100: held 1 of 2, which is 50 of 100')).toBeVisible();
  expect(screen.getByText('The even-chance day is neither early nor late.')).toBeVisible();
});

test('what is left is gone on with until nothing is, and a refusal stops it and is said', async () => {
  mockAct
    .mockResolvedValueOnce({ ok: true, data: { tested: 3, left: 2 } })
    .mockResolvedValueOnce({ ok: true, data: { tested: 2, left: 0 } });
  const none: Calibration = { held: [], laterDays: null };
  const { unmount } = render(<PlanHeld plan={{ cameIn: none, answered: none, pumps: 0, left: 5 }} />);
  await userEvent.click(screen.getByRole('button', { name: 'Hold 5 pumps against their plans' }));
  expect(mockAct).toHaveBeenCalledTimes(2);
  expect(mockRefresh).toHaveBeenCalledTimes(1);
  unmount();
  mockAct.mockResolvedValueOnce({
    ok: false,
    error: { code: 'wrong-state', what: 'No hand can be planned.', kept: '', todo: '', issues: [] },
  });
  render(<PlanHeld plan={{ cameIn: none, answered: none, pumps: 0, left: 5 }} />);
  await userEvent.click(screen.getByRole('button', { name: 'Hold 5 pumps against their plans' }));
  expect(await screen.findByText(/No hand can be planned/)).toBeVisible();
});
