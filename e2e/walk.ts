import { randomUUID } from 'node:crypto';
import { present } from '@/core/present';
import type { Page } from 'puppeteer-core';
import { middleOf, readBuild, type Family } from '@/core/family';
import { placeKey } from '@/core/record';
import { named } from './by-name';
import {
  click,
  open,
  openBrowser,
  openDevice,
  press,
  settled,
  signIn,
  waitForText,
  type OpenedBrowser,
} from './browser';
import {
  actAs,
  countParcel,
  disposeAll,
  gaugeAll,
  openAsLeft,
  pressMove,
  signHoldPoint,
  workThrough,
  type Typed,
} from './stations';
import { rightRuns } from '../demo/right-cleaning';

type Device = Awaited<ReturnType<typeof openDevice>>;

/** Takes a pump in past the screen. Gives its tag. */
export async function receivePump(on: Device, family: Family, duty: object, elastomer: string): Promise<string> {
  const intake = {
    equipmentNumber: '',
    duty,
    liquid: 'water',
    liquidTemperatureC: 60,
    viscosityMm2S: 700,
    cleaning: 'declaration',
    cleaningReference: 'CD-1',
    whyOut: 'lost flow',
    runningHours: null,
    cameWith: [],
    shims: [],
    hazards: '',
    shippingDamage: '',
    elastomer,
  };
  const { tag } = await actAs(on, 'receive-pump', {
    customer: 'Tarnhollow Slate Quarry',
    contact: { name: 'Emrys Caddon', email: 'emrys@tarnhollow.example', phone: '' },
    pump: {
      maker: 'Dunnockworth',
      model: family.short,
      serial: `E2E-${family.id}-${randomUUID().slice(0, 8)}`,
      size: '',
    },
    familyId: family.id,
    ...readBuild(family.version),
    promisedOn: '2027-03-01',
    intake,
  });
  return String(tag);
}

/** Takes a pump in and makes it ready for its teardown, past the screen. Gives its tag. */
export async function receive(on: Device, family: Family, duty: object, elastomer: string): Promise<string> {
  const tag = await receivePump(on, family, duty, elastomer);
  await actAs(on, 'take-picture', {
    tag,
    about: 'job:received',
    partRef: present(family.parts[0]).ref,
    caption: 'As received',
  });
  await actAs(on, 'confirm-isolation', { tag, basedOn: 1 });
  for (const caution of ['energy-isolation', 'harmful-liquid'])
    await actAs(on, 'acknowledge-caution', { tag, caution });
  await actAs(on, 'advance-job', { tag, event: 'begin-teardown' });
  return tag;
}

const typed: Typed = new Map();

export interface Walk {
  readonly family: Family;
  readonly duty: object;
  readonly elastomer: string;
  /** What the pump is found with, by the action that asks; all of it is wrong. */
  readonly found: Readonly<Record<string, string>>;
  /** Where a wrong move is made once at rebuild: what is pressed, and what is said. */
  readonly slip: { readonly at: string; readonly word: string; readonly said: string };
  /** Readings by the gauge's button, one after the other; a long stack sends them at once. */
  readonly isGauged: boolean;
  /** The tablet, as it is held. */
  readonly screen: { readonly width: number; readonly height: number };
  /** Steps of members that are like others: done past the screen, with this wrench. */
  readonly elsewhere?: { readonly wrench: string; readonly does: (step: { readonly id: string }) => boolean };
}

async function finishSteps(on: Device, tag: string, phase: 'teardown' | 'rebuild', walk: Walk): Promise<void> {
  const { family, found, slip, elastomer, elsewhere } = walk;
  const own = phase === 'teardown' ? found : {};
  await workThrough({ page: on, phase, typed, own }, family, () => signHoldPoint(on, 'odile'), {
    before: async ({ id }) => {
      if (phase !== 'rebuild' || id !== slip.at) return;
      await press(await on.waitForSelector(`#action-${id} ${named('button', slip.word)}`));
      await waitForText(on, slip.said);
    },
    ...(elsewhere && { elsewhere: { tag, elastomer, ...elsewhere } }),
  });
}

/** Every place of every point of a phase, in the middle of what is as new. */
export async function readAll(on: Device, tag: string, family: Family, phase: 'as-found' | 'as-left'): Promise<number> {
  const entries = family.points
    .filter((point) => point.measured.includes(phase) && !point.derived)
    .flatMap((point) => {
      const middle = middleOf(point) ?? 0;
      return point.places.map((one) => ({
        ...{ pointId: point.id, place: placeKey(one), typed: String(Number(middle.toFixed(4))) },
        ...{ instrument: null, basedOn: 0 },
      }));
    });
  await actAs(on, 'record-readings', { tag, phase, entries });
  return entries.length;
}

async function buyAll(on: Page, tag: string): Promise<void> {
  await open(on, `/jobs/${tag}`);
  await press(await on.waitForSelector('button ::-p-text(Order )'));
  // One job may have orders with several suppliers.
  const orders = () => on.$$eval('section[aria-label^="Order PO-"]', (all) => all.map((one) => one.textContent));
  const isEach = async (words: string) => (await orders()).every((text) => text.includes(words));
  await waitForText(on, 'acknowledged as');
  for (let tries = 0; tries < 40 && !(await isEach('acknowledged as')); tries++) await settled(on, 250);
  // A supplier sends what it has, or names a later day; the rest comes with the next parcel.
  for (let parcel = 0; parcel < 12 && !(await isEach('all here')); parcel++) {
    const arrived = await on.$('button ::-p-text( is here)');
    if (arrived) await press(arrived);
    await on.waitForFunction(
      () =>
        document.querySelector('ul[aria-label="Pieces of the parcel"]') ??
        document.body.innerText.includes('Nothing came'),
    );
    await settled(on, 500);
    if (await on.$('ul[aria-label="Pieces of the parcel"]')) await countParcel(on);
    await settled(on, 500);
  }
  expect(await isEach('all here')).toBe(true);
  await pressMove(on, 'Start rebuild', 'Rebuild');
}

const placesOf = (family: Family, phase: 'as-found' | 'as-left') =>
  family.points.filter((point) => point.measured.includes(phase)).reduce((sum, point) => sum + point.places.length, 0);

/** The tests of one pump that is walked by touch from its teardown to its run on the stand, one after the other. */
export function walkThrough(walk: Walk): void {
  const { family, duty, elastomer, found, isGauged } = walk;
  let tag = '';
  let opened: OpenedBrowser;
  let tablet: Device;
  beforeAll(async () => {
    opened = await openBrowser();
    tablet = await openDevice(opened.browser, { ...walk.screen, hasTouch: true });
    await signIn(tablet, 'sunniva');
  });
  afterAll(() => opened?.close());
  test('teardown by its own steps, captures and cautions', async () => {
    tag = await receive(tablet, family, duty, elastomer);
    await open(tablet, `/jobs/${tag}`);
    await finishSteps(tablet, tag, 'teardown', walk);
    await actAs(tablet, 'account-parts', {
      tag,
      parts: family.parts.map((part) => ({ partRef: part.ref, state: 'present', note: '', basedOn: 0 })),
    });
    await actAs(tablet, 'advance-job', { tag, event: 'finish-teardown' });
    for (const run of rightRuns(family.parts.filter((part) => !part.soft)))
      await actAs(tablet, 'clean-parts', { tag, cautionRead: true, run });
    await actAs(tablet, 'advance-job', { tag, event: 'finish-cleaning' });
  });
  test('inspection at its own points, each place once', async () => {
    await open(tablet, `/jobs/${tag}`);
    const read = isGauged ? await gaugeAll(tablet) : await readAll(tablet, tag, family, 'as-found');
    expect(read).toBe(placesOf(family, 'as-found'));
    await open(tablet, `/jobs/${tag}`);
    // Each thing that was found otherwise than it should be is a finding by itself.
    expect(await tablet.$$eval('li[id^=finding-]', (all) => all.length)).toBe(Object.keys(found).length);
    const critical = family.parts.filter((part) => part.critical);
    for (const { name } of critical) {
      await click(tablet, 'button', `Nothing seen on the ${name.toLowerCase()}`);
      await settled(tablet);
    }
    await disposeAll(tablet, 'Inspection is done', 'replace');
    await pressMove(tablet, 'Inspection is done', 'Quote');
  });
  test('rebuild by its own steps, settings, torques and hold points, then the readings as left', async () => {
    const { options } = await actAs(tablet, 'draw-up-quote', { tag });
    await actAs(tablet, 'send-quote', { tag });
    await actAs(tablet, 'record-approval', {
      tag,
      way: 'telephone',
      name: 'Emrys Caddon',
      reference: 'called back',
      declinedLines: [],
      declineAll: false,
      option: Array.isArray(options) && options.length ? 'recommended' : null,
    });
    await buyAll(tablet, tag);
    // The stand-in of a gauge reads at once: what a step wants measured is there when it comes.
    await openAsLeft(tablet);
    const read = isGauged ? await gaugeAll(tablet) : await readAll(tablet, tag, family, 'as-left');
    expect(read).toBe(placesOf(family, 'as-left'));
    await open(tablet, `/jobs/${tag}`);
    await finishSteps(tablet, tag, 'rebuild', walk);
    await pressMove(tablet, 'Rebuild is done', 'Test');
  });
  test('its own test on the stand', async () => {
    await open(tablet, `/jobs/${tag}`);
    await workThrough({ page: tablet, phase: 'test', typed }, family, () => Promise.resolve());
    await click(tablet, 'button', 'Run 1 through the points');
    await waitForText(tablet, 'Run 1: pass.');
    await waitForText(tablet, family.test.kind === 'slip' ? 'of what the turns move' : 'Within the tolerance');
    await tablet.waitForSelector('.recharts-surface circle');
  });
  test('nothing was put into the console but the wrong move', () =>
    expect(tablet.faults.filter((fault) => !/422.*answer-action$/.test(fault.trim()))).toEqual([]));
}
