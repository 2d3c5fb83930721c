import { present } from '@/core/present';
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { answerFetch } from '../../../test-support/answer-fetch';
import { KeepingPage, type KeepingView } from './keeping-page';
import { sayAge } from './say-age';

const good = {
  ...{ id: 'b-1', startedAt: '2026-11-28T01:00:04Z', seconds: 3.2, file: '/data/backups/puddlestone-1.zip' },
  ...{ bytes: 12_400_000, jobs: 44, pictures: 61, askedBy: 'Puddlestone', failure: null },
};
const view: KeepingView = {
  ...{ zone: 'Europe/Vienna', hours: 7.4, isLate: false, lastGood: good.startedAt, nextAt: '2026-11-29T01:00:00Z' },
  ...{ hour: 2, keep: { days: 7, weeks: 5, months: 12 }, folder: '/data/backups', bytesLeft: 41e9 },
  tried: [
    good,
    { ...good, id: 'b-2', askedBy: 'Sunniva Kettle', failure: 'The disk of /data/backups is full.', seconds: null },
  ],
};

test('it answers first how old the last good backup is, and lists what was tried and why one is none', () => {
  render(<KeepingPage view={view} />);
  expect(screen.getByRole('status')).toHaveTextContent('The last good backup is 7 hours old.');
  const [, night, byHand] = screen.getAllByRole('row');
  expect(
    within(present(night))
      .getAllByRole('cell')
      .map((cell) => cell.textContent),
  ).toEqual([...['28 Nov, 02:00', 'by night', '44', '61', '12.4 MB', '3.2 s', 'puddlestone-1.zip']]);
  expect(byHand).toHaveTextContent('Sunniva Kettlenone: The disk of /data/backups is full.');
  expect(screen.getByText(/where 41\.0 GB are left/)).toBeVisible();
});

test('a night that was missed is said, and so is a shop without a backup', () => {
  render(<KeepingPage view={{ ...view, lastGood: null, hours: 70, isLate: true }} />);
  expect(screen.getByRole('status')).toHaveTextContent(
    'There is no backup yet; the shop is 2 days old. A night was missed',
  );
});

test('one is made by hand, and why there is none is said in the place where it was asked for', async () => {
  const error = {
    code: 'wrong-state',
    what: 'There is no new backup. The disk is full.',
    kept: '',
    todo: '',
    issues: [],
  };
  const asked = answerFetch(() => ({ status: 409, body: { error } }));
  render(<KeepingPage view={view} />);
  await userEvent.click(screen.getByRole('button', { name: 'Make one now' }));
  expect(asked.map(({ path }) => path)).toEqual(['/api/act/make-backup']);
  expect(await screen.findByRole('alert')).toHaveTextContent('There is no new backup. The disk is full.');
});

test.each([
  [0.01, 'a minute'],
  [0.5, '30 minutes'],
  [1, 'an hour'],
  [36.6, '37 hours'],
  [47.9, '48 hours'],
  [49, '2 days'],
])('%d hours are %s', (hours, words) => expect(sayAge(hours)).toBe(words));
