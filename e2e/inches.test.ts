import { present } from '@/core/present';
import { demoJobs } from '../demo/jobs';
import { named } from './by-name';
import { click, fill, open, openBrowser, openDevice, signIn, waitForText, type OpenedBrowser } from './browser';

// The units are those of the whole shop: whoever types a length beside this test would mean another one.

let opened: OpenedBrowser;
let page: Awaited<ReturnType<typeof openDevice>>;
beforeAll(async () => {
  opened = await openBrowser();
  page = await openDevice(opened.browser);
  await signIn(page, 'sunniva');
});
afterAll(() => opened?.close());

test('a shop in inches: limits and entry in inches, the reading kept as it was taken', async () => {
  const tag = `P-0${398 + demoJobs.findIndex((job) => job.at === 'inspect' && job.cameIn < 100 && job.part === 'half')}`;
  await open(page, '/library');
  const units = await page.waitForSelector(named('combobox', 'Lengths are shown and typed in'));
  const kept = () =>
    page.waitForResponse((response) => response.url().endsWith('/api/act/choose-units') && response.ok());
  await Promise.all([kept(), present(units).select('inch')]);
  try {
    await open(page, `/jobs/${tag}#point-seat-bore`);
    await page.evaluate(() =>
      Object.keys(localStorage)
        .filter((key) => key.startsWith('puddlestone.draft.'))
        .forEach((key) => localStorage.removeItem(key)),
    );
    await open(page, `/jobs/${tag}#point-seat-bore`);
    await waitForText(page, ' in · ');
    await fill(page, 'Reading of Seal seat bore, plane A, 0°', '1.8905');
    await Promise.all([
      page.waitForResponse((response) => response.url().endsWith('/api/act/record-readings') && response.ok()),
      click(page, 'button', 'Keep and go on'),
    ]);
    await page.waitForFunction(() => !document.querySelector('input[aria-label^="Reading of Seal seat bore"]'));
    await open(page, `/jobs/${tag}#point-seat-bore`);
    await waitForText(page, 'A 0° 1.8905 in');
  } finally {
    await open(page, '/library');
    const back = await page.waitForSelector(named('combobox', 'Lengths are shown and typed in'));
    await Promise.all([kept(), present(back).select('metric')]);
  }
  await open(page, `/jobs/${tag}#point-seat-bore`);
  await waitForText(page, '1.8905 in = 48.019 mm');
});
