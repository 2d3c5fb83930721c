import { act, renderHook, waitFor } from '@testing-library/react';
import f1 from '../../../test-support/plain-overhung.json';
import { put } from '@/core/change/change';
import { buildFamily, loadFamily } from '@/core/family';
import { standingOf } from '@/core/lifecycle';
import { exampleReading, exampleRecord } from '@/core/record/example-record';
import { answerFetch } from '../../../test-support/answer-fetch';
import { router } from '../../../test-support/set-up-components';
import { tellChanged } from '../act/changes';
import { useAct } from '../act/use-act';
import { useLiveView } from './use-live-view';
import type { JobChanged, JobFrame, JobView } from './view';

const family = buildFamily(loadFamily(f1));
const record = exampleRecord({ station: 'inspect', version: 4 });
const frame: JobFrame = {
  ...{
    answer: 'before',
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
    today: '2026-11-25',
    zone: 'UTC',
  },
  standing: standingOf(record, family),
  ready: { early: '2026-12-01', likely: '2026-12-02', late: '2026-12-03' },
  gate: { event: 'finish-inspection', words: 'Inspection is done', missing: [] },
};
const view: JobView = {
  ...{ ...frame, record, family, instruments: [], signers: [], audiences: {} },
  person: { personId: 'p', name: 'Marek', role: 'inspector' },
};
const changed = (change: Partial<JobChanged>): JobChanged => ({
  ...{ tag: 'P-0417', from: 4, version: 5, headHash: 'next' },
  puts: [put('reading', exampleReading('sleeve-diameter', 'A:0', 44.99))],
  frame: { ...frame, answer: 'after' },
  ...change,
});
const hold = { tag: 'P-0417', reason: 'no part', until: '', holder: 'C' } as const;
const show = () => renderHook(({ given }) => useLiveView(given), { initialProps: { given: view } });
const tell = () => act(() => tellChanged('P-0417').then(() => undefined));

test('after a change the rows that changed are fetched, and the view is what the record is', async () => {
  const asked = answerFetch(() => ({ body: { data: changed({}) } }));
  const { result } = show();
  await tell();
  expect(asked.map((one) => one.path)).toEqual(['/api/jobs/P-0417/changes?after=4']);
  expect(result.current.record).toMatchObject({ version: 5, headHash: 'next', readings: [{ value: 44.99 }] });
  expect(result.current.answer).toBe('after');
  expect(router.refresh).not.toHaveBeenCalled();
});

/** A page that shows the job, and a sheet of it that sends an entry. */
const showWithSheet = () => renderHook(() => ({ view: useLiveView(view), sheet: useAct() }));

test('what changed comes with the answer to an entry: one request, and the view is what the record is', async () => {
  const asked = answerFetch(() => ({ body: { data: { version: 5 }, changed: changed({}) } }));
  const { result } = showWithSheet();
  await act(() => result.current.sheet.run('hold-job', hold).then(() => undefined));
  expect(asked).toMatchObject([{ path: '/api/act/hold-job', headers: { 'changes-after': '4' } }]);
  expect(result.current.view.record).toMatchObject({ version: 5, readings: [{ value: 44.99 }] });
  // Whoever tells of a change and has nothing with it lets it be asked for.
  await tell();
  expect(asked.map(({ path }) => path)).toEqual(['/api/act/hold-job', '/api/jobs/P-0417/changes?after=5']);
});

test('what came with an answer and does not follow on what is shown is asked for', async () => {
  const asked = answerFetch(({ path }) => ({
    body: path.startsWith('/api/act') ? { data: {}, changed: changed({ from: 2 }) } : { data: changed({}) },
  }));
  const { result } = showWithSheet();
  await act(() => result.current.sheet.run('hold-job', hold).then(() => undefined));
  expect(asked.map(({ path }) => path)).toEqual(['/api/act/hold-job', '/api/jobs/P-0417/changes?after=4']);
  expect(result.current.view.record.version).toBe(5);
});

test('the next change is asked for from there on', async () => {
  const asked = answerFetch(({ path }) => ({
    body: { data: path.endsWith('=4') ? changed({}) : changed({ from: 5, version: 6, puts: [] }) },
  }));
  const { result } = show();
  await tell();
  await tell();
  expect(asked.map((one) => one.path.split('=')[1])).toEqual(['4', '5']);
  expect(result.current.record.version).toBe(6);
});

test.each([
  ['the job stands at another station', changed({ puts: [put('job', { ...record, station: 'quote' })] })],
  ['the server cannot say what changed', null],
  ['what comes does not follow on what is shown', changed({ from: 2 })],
])('the page is read anew where %s', async (_why, data) => {
  answerFetch(() => ({ body: { data } }));
  show();
  await tell();
  expect(router.refresh).toHaveBeenCalled();
});

test('a page that is read anew takes the place of what was shown', async () => {
  const { result, rerender } = show();
  rerender({ given: { ...view, record: { ...record, version: 9 } } });
  await waitFor(() => expect(result.current.record.version).toBe(9));
});
