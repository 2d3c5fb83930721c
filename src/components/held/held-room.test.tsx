import '../../../test-support/device-store';
import { act, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { put } from '@/core/change/change';
import { headOf } from '@/core/record';
import { exampleRecord } from '@/core/record/example-record';
import { answerFetch, type Asked } from '../../../test-support/answer-fetch';
import { exampleView } from '../../../test-support/example-view';
import { come, leave } from '../act/leaving';
import { noteAnswer, noteLost } from '../act/line';
import { writeWaiting, type WaitingEntry } from '../act/waiting';
import { heldCache, heldPath, pictureCache } from './caches';
import { HeldRoom } from './held-room';
import {
  dropAllHeld,
  holdBench,
  holdJob,
  listMarks,
  readHeldBench,
  readHeldJob,
  type Bench,
  type BenchJob,
} from './held-store';
import { holdAnew, holdIfOld, holdShown, letGo } from './hold-bench';
import { chooseToHold, holdsByChoice, isHolding } from './holding';

const { audiences, person, ...whole } = exampleView(exampleRecord({ station: 'teardown', version: 4 }));
const { tag } = whole.record;
const line = (change: Partial<BenchJob> = {}): BenchJob => ({
  ...{ tag, version: 4, pump: 'Overhung 65-250', customer: 'Crakeside Snow Plant', station: 'teardown' },
  ...{ move: 'Teardown', detail: 'step 3 of 16', onHold: false, promisedOn: '2026-12-04', mineFrom: null },
  ...change,
});
const bench = (...jobs: BenchJob[]): Bench => ({ person, audiences, zone: 'UTC', today: '2026-11-24', jobs });

/** What the browser keeps of pages, in memory. */
const kept = new Map<string, Map<string, unknown>>();
const cacheNamed = (name: string) => {
  const own = kept.get(name) ?? new Map<string, unknown>();
  kept.set(name, own);
  return { put: (path: string, page: unknown) => Promise.resolve(void own.set(path, page)) };
};

beforeAll(() => {
  const caches = {
    open: (name: string) => Promise.resolve(cacheNamed(name)),
    delete: (name: string) => Promise.resolve(kept.delete(name)),
  };
  Object.defineProperties(window, {
    caches: { value: caches, configurable: true },
    isSecureContext: { value: true, configurable: true, writable: true },
  });
  Object.defineProperty(navigator, 'serviceWorker', { value: {}, configurable: true });
});
beforeEach(async () => {
  kept.clear();
  await dropAllHeld();
  window.history.replaceState(null, '', '/held');
});

/** The shop as it answers a tablet; its jobs by their tags. */
const shop = (answered: Bench | 'signed out', asked: (one: Asked) => void = () => undefined) =>
  shopWith(answered, null, asked);
const shopWith = (
  answered: Bench | 'signed out',
  changed: object | null,
  asked: (one: Asked) => void = () => undefined,
) =>
  answerFetch((one) => {
    asked(one);
    if (one.path.includes('/changes')) return { body: { data: changed } };
    if (one.path === heldPath) return { body: {} };
    if (one.path.startsWith('/api/jobs/')) return { body: { data: whole } };
    if (answered === 'signed out')
      return { status: 401, body: { error: { code: 'not-signed-in', what: '', kept: '', todo: '', issues: [] } } };
    return { body: { data: answered } };
  });

describe('what a tablet holds', () => {
  test('is the page, the list of the bench, and each job; a second time only what changed', async () => {
    const asked = shop(bench(line()));
    expect(await holdAnew()).toBe(1);
    expect(kept.get(heldCache)?.has(heldPath)).toBe(true);
    expect((await readHeldBench())?.jobs).toEqual([line()]);
    expect((await readHeldJob(tag))?.view.record).toEqual(whole.record);
    expect(await holdAnew()).toBe(0);
    expect(asked.filter(({ path }) => path === `/api/jobs/${tag}`)).toHaveLength(1);
  });
  test('is not asked for while the person at the screen changes: it would be in nobody’s name', async () => {
    let isAnswered = false;
    shop(bench(line()), () => (isAnswered = true));
    leave();
    await expect(holdAnew()).rejects.toMatchObject({ name: 'AbortError' });
    expect([isAnswered, await readHeldBench()]).toEqual([false, null]);
    come();
    expect(await holdAnew()).toBe(1);
    expect(isAnswered).toBe(true);
  });
  test('is asked what changed, and takes that in; its family is not sent again', async () => {
    shop(bench(line()));
    await holdAnew();
    const look = {
      ref: 'casing',
      seen: 'something' as const,
      version: 1,
      ...{ personId: null, personName: 'Ines', at: '2026-11-24T09:00:00.000Z' },
    };
    const puts = [put('look', look)];
    const changed = { tag, from: 4, version: 5, headHash: 'h5', puts, frame: { answer: 'as it stands now' } };
    const asked = shopWith(bench(line({ version: 5 })), changed);
    expect(await holdAnew()).toBe(1);
    const held = await readHeldJob(tag);
    expect(held?.view).toMatchObject({ answer: 'as it stands now', record: { version: 5, looks: [look] } });
    expect(held?.view.family).toEqual(whole.family);
    expect(asked.map(({ path }) => path)).not.toContain(`/api/jobs/${tag}`);
    // What cannot be told as a change is fetched whole.
    const again = shopWith(bench(line({ version: 900 })), null);
    await holdAnew();
    expect(again.map(({ path }) => path)).toContain(`/api/jobs/${tag}`);
  });
  test('is fetched whole where its pump is worked in another way from then on', async () => {
    shop(bench(line()));
    await holdAnew();
    const frame = { familyVersion: 'x' };
    const puts = [put('job', { ...headOf(whole.record), familyVersion: 'another' })];
    const asked = shopWith(bench(line({ version: 5 })), { tag, from: 4, version: 5, headHash: 'h5', puts, frame });
    await holdAnew();
    expect(asked.map(({ path }) => path)).toContain(`/api/jobs/${tag}`);
  });
  test('is fetched whole again after half a day: tools and people of the shop change, too', async () => {
    const before = new Date(Date.now() - 13 * 3_600_000).toISOString();
    shop(bench(line()));
    await holdAnew();
    const mark = (await listMarks())[0];
    await holdJob({ tag, view: whole, at: before, openedAt: null, workedBy: mark?.workedBy ?? '' });
    const asked = shop(bench(line({ version: 5 })));
    await holdAnew();
    const ofJob = asked.map(({ path }) => path).filter((path) => path.startsWith('/api/jobs/'));
    expect(ofJob).toEqual([`/api/jobs/${tag}`]);
  });
  test('is left alone where it was brought up to date a moment ago for the same person', async () => {
    const asked = shop(bench(line()));
    await holdIfOld(person.personId);
    const { length } = asked;
    await holdIfOld(person.personId);
    expect(asked).toHaveLength(length);
    await holdIfOld('somebody else');
    expect(asked.length).toBeGreaterThan(length);
  });
  test('begins with what is planned first for whoever is at the screen', async () => {
    const paths: string[] = [];
    const jobs = [line({ tag: 'P-0402' }), line({ tag: 'P-0403', mineFrom: '2026-11-24T13:00' })];
    shop(bench(...jobs, line({ mineFrom: '2026-11-24T08:00' })), ({ path }) => paths.push(path));
    await holdAnew();
    const order = paths.filter((path) => path.startsWith('/api/jobs/'));
    expect(order).toEqual([tag, 'P-0403', 'P-0402'].map((one) => `/api/jobs/${one}`));
  });
  test('goes where it no longer stands at the bench; one that was opened here lately is asked for', async () => {
    const now = new Date('2026-11-24T12:00:00Z');
    const at = '2026-11-24T11:00:00Z';
    await holdJob({ tag: 'P-0401', view: whole, at, workedBy: '', openedAt: null });
    await holdJob({ tag: 'P-0402', view: whole, at, workedBy: '', openedAt: '2026-11-23T11:00:00Z' });
    await holdJob({ tag: 'P-0403', view: whole, at, workedBy: '', openedAt: '2026-11-20T11:00:00Z' });
    const asked = shop(bench(line({ tag: 'P-0402' })));
    await holdAnew(now);
    expect(asked[0]?.path).toBe('/api/bench?also=P-0402');
    expect((await listMarks()).map((one) => one.tag)).toEqual(['P-0402']);
  });
  test('is as a page shows it, with the whole family beside a sheet’s part of it', async () => {
    shop(bench(line()));
    await holdAnew();
    const record = { ...whole.record, version: 6 };
    const family = { ...whole.family, points: [] };
    await holdShown({ ...whole, record, family, audiences, person });
    const held = await readHeldJob(tag);
    expect(held?.view.record.version).toBe(6);
    expect(held?.view.family.points).toEqual(whole.family.points);
    expect(held?.openedAt).not.toBeNull();
  });
  test('goes when the person signs out, also what was asked for before and comes after', async () => {
    shop(bench(line()));
    await holdAnew();
    cacheNamed(pictureCache);
    const underWay = holdAnew();
    await letGo();
    await underWay;
    expect([...kept.keys()]).toEqual([]);
    expect([await listMarks(), await readHeldBench()]).toEqual([[], null]);
  });
  test('goes when the shop knows nobody here any more', async () => {
    shop(bench(line()));
    await holdAnew();
    shop('signed out');
    await holdAnew();
    expect(await listMarks()).toEqual([]);
  });
});

test('a tablet of the bench holds it unless it is told not to, another device when told', () => {
  expect([holdsByChoice(true), holdsByChoice(false), isHolding()]).toEqual([true, false, false]);
  chooseToHold(false);
  expect(holdsByChoice(true)).toBe(false);
  chooseToHold(true);
  expect(holdsByChoice(false)).toBe(true);
});

describe('in place of a page that nobody brings', () => {
  const at = '2026-11-24T10:40:00.000Z';
  const hold = async (...jobs: BenchJob[]) => {
    await holdJob({ tag, view: whole, at, workedBy: '', openedAt: null });
    await holdBench({ ...bench(line(), ...jobs), at });
  };
  test('the job is shown as it is held, with its sheet, and says so', async () => {
    await hold();
    noteLost(new Date('2026-11-24T10:42:00Z'));
    window.history.replaceState(null, '', `/jobs/${tag}`);
    render(<HeldRoom isTablet />);
    expect(await screen.findByText(/^Shown as this device holds it/)).toHaveTextContent(
      'from 24 Nov, 10:40, with what you entered since.',
    );
    expect(screen.getByRole('navigation', { name: 'Steps' })).toBeInTheDocument();
  });
  test('the shop’s own page comes once the line is back and nobody has to choose between entries', async () => {
    jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const error = { code: 'changed-meanwhile', what: '', kept: '', todo: '', issues: [] };
    const entry = { ...{ key: 'k', verb: 'answer-action', input: { tag }, label: '', place: '' }, madeAt: '' };
    await hold();
    noteLost(new Date('2026-11-24T10:42:00Z'));
    window.history.replaceState(null, '', `/jobs/${tag}`);
    render(<HeldRoom isTablet />);
    await screen.findByText(/^Shown as this device holds it/);
    const reloadedAt = () => sessionStorage.getItem('puddlestone.reloaded');
    act(() => {
      writeWaiting([{ ...entry, error } as unknown as WaitingEntry]);
      noteAnswer();
    });
    expect(await screen.findByRole('button', { name: /^The line is back/ })).toBeEnabled();
    expect(reloadedAt()).toBeNull();
    act(() => writeWaiting([]));
    expect(reloadedAt()).not.toBeNull();
  });
  test('a job that is not held is named, and what is held is listed with whose turn it is', async () => {
    await hold(line({ tag: 'P-0499', mineFrom: '2026-11-25T08:00' }));
    noteLost(new Date('2026-11-24T10:42:00Z'));
    window.history.replaceState(null, '', '/jobs/P-0777');
    render(<HeldRoom isTablet />);
    expect(await screen.findByText('P-0777')).toBeInTheDocument();
    expect(screen.getByRole('heading', { level: 1 }).parentElement).toHaveTextContent(
      'P-0777 is not held here, and nobody answers since 24 Nov, 10:42.',
    );
    const [mine, others] = screen.getByRole('region', { name: 'Jobs held' }).querySelectorAll('li');
    expect(mine).toHaveTextContent('yours from 25 Nov, 08:00not held yet');
    expect(others?.querySelector('a')).toHaveAttribute('href', `/jobs/${tag}`);
  });
  test('over plain HTTP it says what does not work, and what does', async () => {
    Object.defineProperty(window, 'isSecureContext', { value: false, configurable: true, writable: true });
    render(<HeldRoom isTablet={false} />);
    const device = await screen.findByRole('region', { name: 'This device' });
    expect(device).toHaveTextContent('This device holds no jobs. This page came over plain HTTP');
    expect(device).toHaveTextContent('what you enter on it waits here and is sent later; pictures, too');
    Object.defineProperty(window, 'isSecureContext', { value: true, configurable: true, writable: true });
  });
  test('a device that is no tablet is asked whether it is to hold the bench', async () => {
    render(<HeldRoom isTablet={false} />);
    const button = await screen.findByRole('button', { name: 'Hold the bench on this device' });
    expect(button).toBeEnabled();
    await userEvent.hover(button);
    act(() => chooseToHold(true));
    expect(await screen.findByRole('button', { name: 'Hold it no longer' })).toBeInTheDocument();
  });
});
