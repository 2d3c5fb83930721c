import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import f1 from '../../../test-support/plain-overhung.json';
import { buildFamily, loadFamily } from '@/core/family';
import { standingOf } from '@/core/lifecycle';
import type { JobRecord } from '@/core/record';
import { exampleRecord } from '@/core/record/example-record';
import { router } from '../../../test-support/set-up-components';
import { answerFetch } from '../../../test-support/answer-fetch';
import { watchChanges } from '../act/changes';
import { Whose } from '../ui/whose';
import { GateBar } from './gate-bar';
import type { JobView } from './view';

const family = buildFamily(loadFamily(f1));
const missing = [
  { code: 'preparation', words: 'Energy isolation is not confirmed', station: 'receive', anchor: 'isolation' },
  { code: 'preparation', words: 'The liquid is not named: ask for the sheet', station: 'receive', anchor: 'liquid' },
] as const;

function viewOf(change: Partial<JobRecord>, gate: Partial<JobView['gate']> = {}): JobView {
  const record = exampleRecord(change);
  return {
    ...{
      record,
      family,
      instruments: [],
      signers: [],
      answer: '',
      openLinks: 0,
      warranty: [],
      newerFamily: null,
      lengthDisplay: 'metric',
      shop: {
        name: '',
        place: '',
        telephone: '',
        reminderAfterDays: 7,
        language: 'en' as const,
        taxes: [{ name: 'usual', pct: 20 }],
        letters: {},
        currency: 'EUR',
        labourMinorPerHour: 6800,
      },
    },
    standing: standingOf(record, family),
    ready: { early: '2026-12-01', likely: '2026-12-02', late: '2026-12-03' },
    today: '2026-11-25',
    zone: 'UTC',
    gate: { event: 'begin-teardown', words: 'Begin teardown', missing: [], ...gate },
    audiences: { 'advance-job:begin-teardown': ['technician'] },
    person: { personId: 'p', name: 'Ines', role: 'technician' },
  };
}
const show = (view: JobView, role = 'technician') =>
  render(
    <Whose audiences={view.audiences} role={role as 'technician'}>
      <GateBar view={view} shown="receive" />
    </Whose>,
  );

test('a shut gate says how much is missing and the first of it, and lists the rest, each line leading to its place', async () => {
  show(viewOf({}, { missing }));
  const summary = screen.getByRole('button', { name: /2 things are missing before “Begin teardown”/ });
  expect(summary).toHaveTextContent('first: Energy isolation is not confirmed');
  expect(screen.queryByRole('link')).toBeNull();
  await userEvent.click(summary);
  expect(screen.getAllByRole('link').map((link) => link.getAttribute('href'))).toEqual([
    '/jobs/P-0417#isolation',
    '/jobs/P-0417#liquid',
  ]);
  expect(screen.queryByRole('button', { name: 'Begin teardown' })).toBeNull();
});

test('an open gate has the move as its one button, which sends it and shows what changed', async () => {
  const asked = answerFetch(() => ({ body: { data: { version: 2 } } }));
  const changed = jest.fn(() => Promise.resolve());
  const stop = watchChanges('P-0417', { version: () => 1, onChange: changed });
  show(viewOf({}));
  await userEvent.click(screen.getByRole('button', { name: 'Begin teardown' }));
  expect(asked).toMatchObject([{ path: '/api/act/advance-job', body: { tag: 'P-0417', event: 'begin-teardown' } }]);
  expect(changed).toHaveBeenCalledTimes(1);
  expect(router.refresh).not.toHaveBeenCalled();
  stop();
});

test('where nobody watches the job, the page is read anew', async () => {
  answerFetch(() => ({ body: { data: { version: 2 } } }));
  show(viewOf({}));
  await userEvent.click(screen.getByRole('button', { name: 'Begin teardown' }));
  expect(router.refresh).toHaveBeenCalledTimes(1);
});

test('a refusal is said in full, with what is missing', async () => {
  answerFetch(() => ({
    status: 409,
    body: {
      error: {
        code: 'gate-shut',
        what: '1 thing is missing.',
        kept: 'Nothing was changed.',
        todo: 'See below.',
        issues: [],
        missing,
      },
    },
  }));
  show(viewOf({}));
  await userEvent.click(screen.getByRole('button', { name: 'Begin teardown' }));
  expect(screen.getByRole('alert')).toHaveTextContent('1 thing is missing.Nothing was changed. See below.');
  expect(screen.getByRole('alert')).toHaveTextContent('Energy isolation is not confirmed');
});

test('who does not make the move is told whose it is', () => {
  show(viewOf({}), 'parts');
  expect(screen.queryByRole('button', { name: 'Begin teardown' })).toBeNull();
  expect(screen.getByText(/“Begin teardown” is for technician/)).toBeInTheDocument();
});

test('elsewhere the bar says where the job stands and leads there', () => {
  show(viewOf({ station: 'inspect' }));
  expect(screen.getByRole('complementary', { name: 'Gate' })).toHaveTextContent(
    'You look at Receive; the job stands at Inspect.',
  );
  expect(screen.getByRole('link', { name: 'Inspect' })).toHaveAttribute('href', '/jobs/P-0417');
});

test('on hold it says why, and where to take it up again', () => {
  show(viewOf({ hold: { reason: 'no drawing', holder: 'C', until: '2026-12-24' } }));
  expect(screen.getByRole('complementary')).toHaveTextContent('On hold: no drawing. Take it up again');
});
