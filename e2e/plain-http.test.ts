import { present } from '@/core/present';
import { demoJobs } from '../demo/jobs';
import { demoPassword, demoPeople } from '../demo/people';
import { openBrowser } from './browser';

const host = 'bench.shop.example';
const { port } = new URL(present(process.env.BASE_URL));
const base = `http://${host}:${port}`;
/** Tags of the demonstration run in the order of its list; this job is left alone by the other tests. */
const index = demoJobs.findIndex((job) => job.at === 'inspect' && job.family?.id === 'F4');
const tag = `P-0${398 + index}`;

test('a tablet that reaches the shop by a host name over plain HTTP enters readings like any other', async () => {
  const { browser, close } = await openBrowser([`--host-resolver-rules=MAP ${host} 127.0.0.1`]);
  try {
    const page = await browser.newPage();
    const faults: string[] = [];
    page.on('pageerror', (error) => faults.push(String(error)));
    await page.goto(`${base}/sign-in`, { waitUntil: 'networkidle2' });
    expect(await page.evaluate(() => [isSecureContext, 'randomUUID' in crypto])).toEqual([false, false]);
    await page.type('input[name=email]', present(demoPeople.find((one) => one.key === 'marek')).email);
    await page.type('input[name=password]', demoPassword);
    await Promise.all([page.waitForNavigation({ waitUntil: 'networkidle2' }), page.click('button[type=submit]')]);
    await page.goto(`${base}/jobs/${tag}`, { waitUntil: 'networkidle2' });
    const field = await page.waitForSelector('input[aria-label^="Reading of"]');
    await present(field).type('12.345');
    const kept = page.waitForResponse((answer) => answer.url().endsWith('/api/act/record-readings'));
    await page.keyboard.press('Enter');
    const answer = await kept;
    expect(answer.status()).toBe(200);
    expect(answer.request().headers()['entry-key']).toMatch(/^[0-9a-f-]{36}$/);
    await page.waitForFunction(() => document.querySelector('main')?.textContent.includes('12.345'));
    expect(faults).toEqual([]);
  } finally {
    await close();
  }
});
