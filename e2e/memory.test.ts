import { named } from './by-name';
import { present } from '@/core/present';
import { base, click, fill, open, openBrowser, openDevice, signIn, waitForText, type OpenedBrowser } from './browser';

/** What the shop remembers and hands out: finding by a state, a pump over its visits, hours, a day's list, a calendar. */
let opened: OpenedBrowser;
let desk: Awaited<ReturnType<typeof openDevice>>;
beforeAll(async () => {
  opened = await openBrowser();
  desk = await openDevice(opened.browser);
  await signIn(desk, 'wenna');
});
afterAll(() => opened?.close());

test('pumps in a state are found by its name', async () => {
  await open(desk, '/');
  await fill(desk, 'Find a pump', 'on hold', 'combobox');
  await waitForText(desk, 'Pumps on hold');
  const tags = await desk.$$eval('[role=option] b', (all) => all.map((one) => one.textContent));
  expect(tags).toContain('P-0420');
});

test('what is typed while a slow page comes to life is looked for whole', async () => {
  await desk.emulateCPUThrottling(6);
  for (let i = 0; i < 4; i++) {
    await desk.reload({ waitUntil: 'domcontentloaded' });
    await fill(desk, 'Find a pump', 'on hold', 'combobox');
    await waitForText(desk, 'Pumps on hold');
  }
  await desk.emulateCPUThrottling(1);
});

test('n goes from one pump that needs me to the next', async () => {
  await open(desk, '/');
  const wanted = await desk.$$eval('a[data-next]', (all) => all.map((one) => one.getAttribute('href')));
  expect(wanted.length).toBeGreaterThan(1);
  const focused = () => desk.evaluate(() => document.activeElement?.getAttribute('href'));
  await desk.keyboard.press('n');
  expect(await focused()).toBe(wanted[0]);
  await desk.keyboard.press('n');
  expect(await focused()).toBe(wanted[1]);
});

test('from a job to the memory of its pump: the keys choose a point, its line and what is left', async () => {
  await open(desk, '/jobs/P-0411');
  const link = present(await desk.waitForSelector('a[href="/pumps/P-0411"]'));
  await link.evaluate((own) => own.click());
  await desk.waitForFunction(() => location.pathname === '/pumps/P-0411');
  const chosen = () => desk.$eval('[role=option][aria-selected=true]', (one) => one.id);
  const first = await chosen();
  await desk.focus(`#${first}`);
  await desk.keyboard.press('ArrowDown');
  expect(await chosen()).not.toBe(first);
  await desk.waitForSelector('.recharts-surface');
  const visits = await desk.$$eval('section[aria-label=Visits] li', (all) => all.length);
  expect(visits).toBe(3);
});

test('work that no tablet saw is written down, and stands beside what the family reckons', async () => {
  await open(desk, '/jobs/P-0403');
  await click(desk, 'button', 'Hours');
  await desk.waitForSelector(named('textbox', 'What was done'));
  await fill(desk, 'Minutes', '35');
  await fill(desk, 'What was done', 'cleaned the stand');
  await click(desk, 'button', 'Write it down');
  await waitForText(desk, 'cleaned the stand');
  await waitForText(desk, '35 min');
});

test('a calendar reads the work of a hand by its link, and nothing once it is ended', async () => {
  await open(desk, '/plan/day');
  await desk.waitForSelector('section[aria-label="Odile Fennimoor"]');
  await desk.evaluate(() => [...document.querySelectorAll('details')].forEach((one) => (one.open = true)));
  const made = await desk.evaluate(async () => {
    const answer = await fetch('/api/act/make-feed', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ subject: 'deliveries' }),
    });
    return (await answer.json()) as { data: { id: string; path: string } };
  });
  const read = async () => {
    const answer = await fetch(`${base}${made.data.path}`);
    return [answer.status, (await answer.text()).slice(0, 15)];
  };
  expect(await read()).toEqual([200, 'BEGIN:VCALENDAR']);
  await open(desk, '/plan/day');
  await desk.evaluate(() => [...document.querySelectorAll('details')].forEach((one) => (one.open = true)));
  await click(desk, 'button', 'End it');
  await desk.waitForFunction(() => !document.body.innerText.includes('made by Wenna'));
  expect((await read())[0]).toBe(404);
});

test('a list and a whole job go out as files', async () => {
  const got = await desk.evaluate(async () => {
    const [list, folder] = await Promise.all([fetch('/files/list/floor'), fetch('/files/job/P-0419')]);
    const bytes = new Uint8Array(await folder.arrayBuffer());
    return { heads: (await list.text()).split('\n')[0], zip: String.fromCharCode(...bytes.slice(0, 2)) };
  });
  expect(got.heads).toContain('tag,pump,customer,station');
  expect(got.zip).toBe('PK');
});

test('nothing was put into the console', () => expect(desk.faults).toEqual([]));
