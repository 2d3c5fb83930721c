import { present } from '@/core/present';
import type { Page } from 'puppeteer-core';
import { rowName, stepsOf } from '@/core/bench';
import type { BenchPhase } from '@/core/record';
import { demoPeople, type DemoPerson } from '../demo/people';
import { suitableConsumables, type Family, type FormOf, type Step, type StepAction } from '@/core/family';
import { methodTable } from '@/core/cleaning';
import { rightRuns } from '../demo/right-cleaning';
import { named } from './by-name';
import { base, click, fill, open, press, pressUntilSent, scrollTo, sessionOf, settled, waitForText } from './browser';

export async function readCautions(page: Page): Promise<void> {
  for (const box of await page.$$('section[aria-label^=Cautions] input[type=checkbox]')) {
    if (await box.evaluate((one) => one.checked)) continue;
    await press(box);
  }
}

const runForm = 'section[aria-label^="Run:"]';

/** Cleans every part by the baskets that the sheet proposes first, each run filled in as its method asks. */
export async function cleanByRuns(page: Page, parts: Family['parts']): Promise<void> {
  for (const { method, facts } of rightRuns(parts)) {
    await press(await page.waitForSelector(`section[aria-label=Baskets] button ::-p-text(${method})`));
    await page.waitForSelector(`section[aria-label="Run: ${method}"]`);
    for (const { id, ask, kind, unit } of methodTable[method].questions)
      if (kind !== 'tick') await fill(page, unit ? `${ask}, ${unit}` : ask, String(facts[id]));
    for (const box of await page.$$(`${runForm} input[type=checkbox]:not(:disabled)`))
      if (!(await box.evaluate((one) => one.checked))) await press(box);
    await click(page, 'button', 'Nothing new on the others');
    await click(page, 'button', 'Keep this run');
    await page.waitForSelector(runForm, { hidden: true });
    // The other baskets move up when this one is gone: not under the finger.
    await settled(page, 300);
  }
}

/** The path of the link that the newest mail about a job holds, on whichever page of the outbox it is. */
export async function linkInOutbox(page: Page, tag: string): Promise<string> {
  for (let path: string | null = '/outbox'; path;) {
    await open(page, path);
    const shown: { link: string | null; earlier: string | null } = await page.evaluate((about) => {
      const href = (from: ParentNode | undefined, prefix: string) =>
        from?.querySelector(`a[href^="${prefix}"]`)?.getAttribute('href') ?? null;
      const mail = [...document.querySelectorAll('details')].find((one) => one.textContent.includes(about));
      return { link: href(mail, '/customer/'), earlier: href(document, '/outbox?before=') };
    }, tag);
    if (shown.link) return shown.link;
    path = shown.earlier;
  }
  throw new Error(`no mail about ${tag} holds a link`);
}

/** Counts a parcel in, each piece as its list says, or as `own` says by the name of the part. */
export async function countParcel(page: Page, own: Readonly<Record<string, string>> = {}): Promise<void> {
  await page.waitForSelector('ul[aria-label="Pieces of the parcel"]');
  // The page may still fetch what the parcel brought.
  await settled(page, 500);
  for (const line of await page.$$('ul[aria-label="Pieces of the parcel"] > li')) {
    const box = present(await line.$('input[aria-label^="Counted:"]'));
    const name = await box.evaluate((one) => (one.getAttribute('aria-label') ?? '').replace('Counted: ', ''));
    const listed = await line.evaluate((one) => /list says (\d+)/.exec(one.textContent)?.[1] ?? '');
    await scrollTo(box);
    await box.type(own[name] ?? listed);
  }
  await click(page, 'button', 'Counted so');
  // What is wrong or short is to be sent again: nothing of this parcel is left to count.
  await page.waitForSelector('ul[aria-label="Pieces of the parcel"]', { hidden: true });
}

/** Fills in the packing list as it is proposed, and releases the pump. */
export async function packAndRelease(page: Page): Promise<void> {
  for (const box of await page.$$('fieldset input[type=checkbox]')) await press(box);
  const ports = await page.$eval(named('', 'Ports counted'), (one) => (one as HTMLInputElement).value);
  const blanks = present(await page.$(named('', 'Blanks fitted')));
  await blanks.click({ count: 3 });
  await blanks.type(ports);
  await fill(page, 'Carrier', 'Marlbeck Haulage');
  await click(page, 'button', 'Keep the packing list');
  await press(await page.waitForSelector('button ::-p-text(Release, and write to)'));
  await waitForText(page, 'Released by Wenna Tarrock');
}

/** What was typed at teardown, by action: what comes back at rebuild agrees with it. */
export type Typed = Map<string, string>;

interface Bench {
  readonly page: Page;
  readonly phase: BenchPhase;
  readonly typed: Typed;
  /** What is typed in place of what would do, by action. */
  readonly own?: Readonly<Record<string, string>>;
}

const middle = ({ min, max }: { readonly min?: number | undefined; readonly max?: number | undefined }) =>
  min !== undefined && max !== undefined ? String(Number(((min + max) / 2).toPrecision(5))) : String(max ?? min);

function valueOf(form: FormOf<'value'>, { typed }: Bench): string {
  const found = form.agrees_with === undefined ? undefined : typed.get(form.agrees_with);
  if (form.should !== undefined) return String(form.should);
  if (form.window) return middle(form.window);
  const usual = form.unit === 'mm' ? 12 : 1.2;
  const { min, max } = form.plausible ?? { min: 0, max: usual };
  const isMeant = usual >= min && usual <= max;
  return found ?? (isMeant ? usual.toFixed(1) : String(Number(((min + max) / 20).toPrecision(2))));
}

/** The number that a setting or a temperature asks for, as the panel shows it; empty where it is none. */
async function askedOn(page: Page, id: string): Promise<string> {
  const figure = await page.waitForSelector(`#action-${id} b.text-24`);
  const text = (await figure?.evaluate((one) => one.textContent)) ?? '';
  return /^-?[\d.]+( |$)/.exec(text)?.[0].trim() ?? '';
}

async function typeInto(page: Page, id: string, text: string): Promise<void> {
  const field = present(await page.waitForSelector(`#action-${id} input.text-24, #action-${id} input.min-h-14`));
  await field.type(text);
}

const pressIn = (page: Page, id: string, name: string) =>
  pressUntilSent(page, `#action-${id} ${named('button', name)}`);

/** The button that keeps what was typed, or ticks the action. */
async function keep(page: Page, id: string): Promise<void> {
  await pressUntilSent(page, `#action-${id} button[data-next]`);
}

/** The torque of each pass, where it goes on by passes. */
async function typePasses(page: Page, { passes_pct = [], window_nm }: FormOf<'torque'>): Promise<void> {
  if (passes_pct.length < 2) return;
  for (const [i, pct] of passes_pct.entries()) {
    const field = await page.waitForSelector(named('', `pass ${i + 1}, ${pct} %`));
    await present(field).type(String((Number(middle(window_nm)) * pct) / 100));
  }
}

interface Cell {
  readonly row: number;
  readonly column: string;
  readonly text: string;
}

/** Fills in a cell of a record; asks for one more row where there is none yet. */
async function typeCell(page: Page, form: FormOf<'record'>, { row, column, text }: Cell): Promise<void> {
  const title = present(form.columns.find((one) => one.id === column)).title;
  const selector = `[aria-label="${title}, ${rowName(form, row)}"]`;
  if (!(await page.$(selector))) await click(page, 'button', 'One more row');
  const cell = present(await page.waitForSelector(selector));
  const isChoice = await cell.evaluate((one) => one.tagName === 'SELECT');
  if (isChoice) await page.select(selector, text);
  else {
    await scrollTo(cell);
    await cell.click({ clickCount: 3 });
    await cell.type(text);
  }
}

async function answerAction(bench: Bench, { id, answer }: StepAction): Promise<void> {
  const { page, phase, typed, own = {} } = bench;
  const found = answer && 'agrees_with' in answer && answer.agrees_with ? typed.get(answer.agrees_with) : undefined;
  const type = async (text: string) => {
    typed.set(id, own[id] ?? text);
    await typeInto(page, id, own[id] ?? text);
    await keep(page, id);
  };
  switch (answer?.kind) {
    case 'check':
      return pressIn(page, id, answer.right);
    case 'choice': {
      const word = own[id] ?? answer.should ?? found ?? present(answer.choices[0]);
      typed.set(id, word);
      return pressIn(page, id, word);
    }
    case 'turn':
      return pressIn(page, id, 'free and even');
    case 'photo':
      return pressIn(page, id, 'Bench camera');
    case 'kit':
      return type(present(answer.kits[0]).number);
    case 'mark':
      return phase === 'rebuild' ? pressIn(page, id, 'in line') : type('two punches at twelve');
    case 'note':
      return type(found ?? 'seen');
    case 'count':
      return type(String(answer.expect ?? found ?? 1));
    case 'value':
      return type(valueOf(answer, bench));
    case 'torque':
      await typePasses(page, answer);
      return type(middle(answer.window_nm));
    case 'heat':
      return type(await askedOn(page, id));
    case 'setting': {
      const asked = answer.mode === 'set' ? await askedOn(page, id) : '';
      return asked ? type(asked) : keep(page, id);
    }
    case 'record': {
      for (const [i, row] of answer.example.entries())
        for (const [column, text] of Object.entries(row)) await typeCell(page, answer, { row: i, column, text });
      return keep(page, id);
    }
    default:
      return keep(page, id);
  }
}

/** Chooses what is put on, where more than one thing suits and none is chosen. */
async function chooseConsumable(page: Page, id: string): Promise<void> {
  if (await page.$(`#action-${id} input[type=radio]:checked`)) return;
  const choice = await page.$(`#action-${id} input[type=radio]:not(:disabled)`);
  if (choice) await press(choice);
}

/** Waits for an action to be shown; where it does not come, the page says why. */
async function comesUp(page: Page, id: string): Promise<void> {
  try {
    await page.waitForSelector(`#action-${id}`);
  } catch (error) {
    const shown = await page.evaluate(() => {
      const text = (one: Element | null) => (one as HTMLElement | null)?.innerText.replace(/\s+/g, ' ').slice(0, 1500);
      const fields = [...document.querySelectorAll<HTMLInputElement>('[id^="action-"] input')].map((one) => one.value);
      const panel = text(document.querySelector('[id^="action-"]'));
      return `${panel} | typed: ${fields.join(', ')} | ${text(document.querySelector('main'))}`;
    });
    throw new Error(`${id} did not come up; the page says: ${shown}`, { cause: error });
  }
}

/** Steps that are done past the screen: the same answers through the same door. */
interface Elsewhere {
  readonly tag: string;
  readonly elastomer: string;
  /** Code of the torque wrench. */
  readonly wrench: string;
  readonly does: (step: Step) => boolean;
}

/** What is typed past the screen: for ticks, checks, choices, counts and torques; other kinds are not done so. */
function wordOf({ id, answer }: StepAction, { typed, own = {} }: Bench): string {
  const found = answer && 'agrees_with' in answer && answer.agrees_with ? typed.get(answer.agrees_with) : undefined;
  switch (answer?.kind) {
    case undefined:
      return '';
    case 'check':
      return answer.right;
    case 'choice':
      return own[id] ?? answer.should ?? found ?? present(answer.choices[0]);
    case 'count':
      return String(answer.expect ?? found ?? 1);
    case 'torque':
      return middle(answer.window_nm);
    default:
      throw new RangeError(`${id} is of kind ${answer?.kind}: that is done on the screen`);
  }
}

async function answerElsewhere(bench: Bench, family: Family, step: Step, how: Elsewhere): Promise<void> {
  const { page, phase, typed } = bench;
  for (const action of step.actions) {
    const word = wordOf(action, bench);
    typed.set(action.id, word);
    await actAs(page, 'answer-action', {
      ...{ tag: how.tag, phase, actionId: action.id, typed: word, basedOn: 0 },
      consumable: suitableConsumables({ action, step, family, elastomer: how.elastomer })[0]?.what ?? '',
      tool: action.answer?.kind === 'torque' ? how.wrench : '',
      cautionsRead: [...step.cautions, ...action.cautions],
    });
  }
}

/** Works through a phase on the screen, one action after the other as it comes up. */
export async function workThrough(
  bench: Bench,
  family: Family,
  sign: (step: Step) => Promise<void>,
  {
    before = () => Promise.resolve(),
    elsewhere,
  }: { readonly before?: (action: StepAction) => Promise<void>; readonly elsewhere?: Elsewhere } = {},
): Promise<void> {
  const { page } = bench;
  let isBehind = false;
  for (const step of stepsOf(family, bench.phase)) {
    if (elsewhere?.does(step)) {
      await answerElsewhere(bench, family, step, elsewhere);
      isBehind = true;
      continue;
    }
    if (isBehind) await open(page, new URL(page.url()).pathname);
    isBehind = false;
    for (const action of step.actions) {
      await comesUp(page, action.id);
      await readCautions(page);
      await chooseConsumable(page, action.id);
      await before(action);
      await answerAction(bench, action);
      await settled(page);
    }
    if (step.hold_point) await sign(step);
  }
}

/** A second person signs the hold point that is shown, by PIN, on the screen of whoever did it. */
export async function signHoldPoint(page: Page, key: DemoPerson['key']): Promise<void> {
  const { name, pin } = present(demoPeople.find((person) => person.key === key));
  await press(await page.waitForSelector(`[aria-label="Who signs"] button ::-p-text(${name})`));
  const field = present(await page.waitForSelector('input[type=password]'));
  await field.type(pin);
  await click(page, 'button', `Sign as ${name}`);
  // Another step may be signed by the same person already.
  await page.waitForSelector('[aria-label="Who signs"]', { hidden: true });
  await waitForText(page, `signed by ${name}`);
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

/** Sends a verb as the person who is signed in on this page, past the interface: no work for the browser. */
export async function actAs(page: Page, verb: string, input: object): Promise<Record<string, unknown>> {
  const headers = { ...(await sessionOf(page)), 'content-type': 'application/json' };
  const response = await fetch(`${base}/api/act/${verb}`, { method: 'POST', headers, body: JSON.stringify(input) });
  const { data, error } = (await response.json()) as {
    data?: Record<string, unknown>;
    error?: { what: string; issues?: unknown };
  };
  if (error) throw new Error(`${verb}: ${error.what} ${JSON.stringify(error.issues ?? [])}`);
  return data ?? {};
}
