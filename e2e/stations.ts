import { present } from '@/core/present';
import type { Page } from 'puppeteer-core';
import type { Capture } from '@/core/family';
import { click, named, press, scrollTo, settled, waitForText } from './browser';

export async function keepCapture(page: Page, capture: Capture, text: string): Promise<void> {
  const place = present(await page.waitForSelector(`#capture-${capture.id}`));
  await scrollTo(place);
  if (capture.kind === 'photo') await press(await place.waitForSelector(named('button', 'Bench camera')));
  else if (capture.choices) await press(await place.waitForSelector(named('button', text)));
  else {
    const field = present(await place.waitForSelector('input'));
    await field.type(text);
    await field.press('Enter');
  }
  await page.waitForSelector(`#capture-${capture.id} ::-p-aria([name="Change"][role="button"])`);
}

export async function readCautions(page: Page): Promise<void> {
  for (const box of await page.$$('section[aria-label^=Cautions] input[type=checkbox]')) {
    if (await box.evaluate((one) => one.checked)) continue;
    await press(box);
  }
}

/** The second half of rebuild: its points are fetched when the tab is opened. */
export async function openAsLeft(page: Page): Promise<void> {
  await click(page, 'button', 'As-left readings');
  await page.waitForSelector('section[aria-label=Points]');
}

/** Enters every open reading with the gauge and the Enter key, one after the other. */
export async function gaugeAll(page: Page): Promise<number> {
  let count = 0;
  for (; count < 80; count++) {
    const left = await page.evaluate(
      () => document.querySelector('section[aria-label="Reading to enter"]')?.textContent ?? '',
    );
    if (!left || left.includes('· now ')) break;
    await click(page, 'button', 'Gauge');
    await page.waitForFunction(
      () => (document.querySelector<HTMLInputElement>('input[aria-label^="Reading of"]')?.value ?? '') !== '',
    );
    const before = await page.$eval('input[aria-label^="Reading of"]', (field) => field.getAttribute('aria-label'));
    await page.focus('input[aria-label^="Reading of"]');
    await page.keyboard.press('Enter');
    await page.waitForFunction(
      (label) => {
        const field = document.querySelector<HTMLInputElement>('input[aria-label^="Reading of"]');
        return (
          !field ||
          field.getAttribute('aria-label') !== label ||
          document.querySelector('section[aria-label="Reading to enter"]')!.textContent.includes('· now ')
        );
      },
      {},
      before,
    );
    await settled(page);
  }
  return count;
}

export async function pressMove(page: Page, name: string, next: string): Promise<void> {
  await waitForText(page, 'The gate is open.');
  await click(page, 'button', name);
  await page.waitForFunction(
    (station) => document.querySelector('nav[aria-label=Stations] [aria-current=page]')?.textContent?.includes(station),
    {},
    next,
  );
}

/** Opens each line of the gate that asks for a disposition and gives it, until the gate is open. */
export async function disposeAll(page: Page, move: string, action: string): Promise<number> {
  let count = 0;
  for (; count < 40 && !(await page.$(named('button', move))); count++) {
    await page.evaluate(() =>
      document.querySelector<HTMLElement>('aside[aria-label=Gate] button[aria-expanded=false]')?.click(),
    );
    const line = await page.waitForSelector('aside[aria-label=Gate] ol a');
    const target = await line!.evaluate((one) => new URL(one.href).hash.slice(1));
    await press(line);
    const at = present(await page.waitForSelector(`#${target} [aria-label=Disposition]`));
    await scrollTo(at);
    await press(await at.waitForSelector(named('button', action)));
    await page.waitForFunction(
      (id, said) => document.querySelector(`#${id}`)!.textContent.includes(said),
      {},
      target,
      `Disposition: ${action}`,
    );
    await settled(page);
  }
  return count;
}

/** Sends a verb as the person who is signed in on this page, past the interface. */
export async function actAs(page: Page, verb: string, input: object): Promise<Record<string, unknown>> {
  const answer = await page.evaluate(
    async (name, body) => {
      const response = await fetch(`/api/act/${name}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      });
      return (await response.json()) as { data?: Record<string, unknown>; error?: { what: string; issues?: unknown } };
    },
    verb,
    input,
  );
  if (answer.error) throw new Error(`${verb}: ${answer.error.what} ${JSON.stringify(answer.error.issues ?? [])}`);
  return answer.data ?? {};
}
