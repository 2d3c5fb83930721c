import { TextEncoder } from 'node:util';
import { MessageChannel } from 'node:worker_threads';
import { act, render, screen, within } from '@testing-library/react';
import { answerFetch } from '../../../test-support/answer-fetch';
import { come, leave } from '../act/leaving';
import { router } from '../../../test-support/set-up-components';
import { Floor, type Strip } from './floor';

const strip = (tag: string, change: Partial<Strip> = {}): Strip => ({
  ...{ tag, pump: 'Overhung 50-160', customer: 'Garden', station: 'rebuild', holder: 'B', outcome: 'open' },
  ...{ holderSince: '2026-11-20T08:00:00Z', onHold: false, move: 'Press on the bearing', detail: 'step 3 of 9' },
  ...{ asks: [], atRiskMinor: 0, limit: 'Odile Fenner', needsMe: false, promisedOn: '2026-12-18' },
  ready: { early: '2026-12-14', likely: '2026-12-16', late: '2026-12-20' },
  ...change,
});
const show = (strips: readonly Strip[], version = '1') => (
  <Floor {...{ version, strips }} today="2026-11-27" currency="EUR" next={null} />
);
const tagsIn = (name: string) =>
  within(screen.getByRole('region', { name }))
    .getAllByRole('link')
    .map((link) => link.textContent?.slice(0, 6));

test('first stands what needs who looks, then by who holds it; each by how much its promise is at risk', () => {
  answerFetch(() => ({ body: { data: { version: '1' } } }));
  const late = { early: '2026-12-20', likely: '2026-12-28', late: '2027-01-04' };
  render(
    show([
      strip('P-0401'),
      strip('P-0402', { ready: late }),
      strip('P-0403', { needsMe: true }),
      strip('P-0404', { needsMe: true, ready: late, holder: 'U' }),
    ]),
  );
  expect(tagsIn('For you')).toEqual(['P-0404', 'P-0403']);
  expect(tagsIn('Held by bench')).toEqual(['P-0402', 'P-0401']);
  expect([...document.querySelectorAll('[data-next]')].map((one) => one.getAttribute('href'))).toEqual([
    ...['/jobs/P-0404', '/jobs/P-0403'],
  ]);
});

test('says in words when a pump is ready, with the year where it is another one', () => {
  answerFetch(() => ({ body: { data: { version: '1' } } }));
  render(show([strip('P-0402', { ready: { early: '2026-12-20', likely: '2026-12-28', late: '2027-01-04' } })]));
  expect(screen.getByRole('link', { name: /^P-/ })).toHaveTextContent(
    'ready 20 Dec to 4 Jan 2027, promised 18 Dec, late',
  );
  expect(screen.getByRole('link', { name: /^P-/ })).toHaveAttribute('title', 'Limited by: Odile Fenner');
});

test('what comes with the page itself is more than a screen shows; the rest has its room and is drawn once it is alive', async () => {
  const strips = Array.from({ length: 200 }, (_, i) => strip(`P-${1000 + i}`, i < 20 ? { needsMe: true } : {}));
  // The window of a test has neither, and what writes a page asks for both.
  Object.assign(globalThis, { TextEncoder, MessageChannel });
  const { renderToString } = await import('react-dom/server');
  const sent = document.createElement('div');
  sent.innerHTML = renderToString(show(strips));
  expect(sent.querySelectorAll('a')).toHaveLength(24 + 1);
  expect(sent.querySelector('li[aria-hidden]')?.getAttribute('style')).toBe(`height:${176 * 39}px`);
  expect(sent.textContent).toContain('180 pumps');
  answerFetch(() => ({ body: { data: { version: '1' } } }));
  render(show(strips));
  expect(tagsIn('For you')).toHaveLength(20);
  expect(tagsIn('Held by bench')).toHaveLength(180);
});

describe('by itself', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());
  const wait = (ms: number) => act(() => jest.advanceTimersByTimeAsync(ms));
  test('it is read anew when something has changed, and only then', async () => {
    let version = '1';
    const asked = answerFetch(() => ({ body: { data: { version } } }));
    render(show([strip('P-0401')]));
    await wait(9000);
    expect(asked.map(({ path }) => path)).toEqual(['/api/floor/version', '/api/floor/version']);
    expect(router.refresh).not.toHaveBeenCalled();
    version = '2';
    await wait(4000);
    expect(router.refresh).toHaveBeenCalledTimes(1);
    await wait(8000);
    expect(router.refresh).toHaveBeenCalledTimes(1);
  });
  test('who leaves asks no more; a sign-in that was ended elsewhere asks for another', async () => {
    let isOver = false;
    const refused = { code: 'not-signed-in', what: 'w', kept: 'k', todo: 't', issues: [] };
    const asked = answerFetch(() =>
      isOver ? { status: 401, body: { error: refused } } : { body: { data: { version: '1' } } },
    );
    render(show([strip('P-0401')]));
    leave();
    await wait(9000);
    expect(asked).toEqual([]);
    come();
    isOver = true;
    await wait(4000);
    expect(asked).toHaveLength(1);
    expect(router.refresh).toHaveBeenCalledTimes(1);
    expect(screen.queryByText(/No line to the shop/)).toBeNull();
  });
  test('it says since when the shop does not answer, and that it does again', async () => {
    let isAway = true;
    answerFetch(() => (isAway ? 'lost' : { body: { data: { version: '1' } } }));
    render(show([strip('P-0401')]));
    await wait(4100);
    expect(screen.getByRole('status')).toHaveTextContent(/No line to the shop since \d\d:\d\d/);
    isAway = false;
    await wait(4100);
    expect(screen.queryByRole('status')).toBeNull();
  });
});
