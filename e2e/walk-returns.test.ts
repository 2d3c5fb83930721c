import {
  click,
  fill,
  open,
  openBrowser,
  openDevice,
  press,
  signIn,
  enrolTablet,
  takeOver,
  waitForText,
  type OpenedBrowser,
} from './browser';

import { present } from '@/core/present';
import { currentQuote } from '@/core/record';
import { Chain } from './chain';

/**
 * What comes back, what nobody can name, what was begun elsewhere, and a pump that stays as a donor: in the browser,
 * with jobs of the demonstration that no other walk needs.
 */
let opened: OpenedBrowser;
let desk: Awaited<ReturnType<typeof openDevice>>;
let bench: Awaited<ReturnType<typeof openDevice>>;
beforeAll(async () => {
  opened = await openBrowser();
  desk = await openDevice(opened.browser);
  bench = await openDevice(opened.browser);
  await signIn(desk, 'wenna');
  await signIn(bench, 'wenna');
  await enrolTablet(bench, 'Bench');
  await takeOver(bench, 'ines');
});
afterAll(() => opened.close());

const region = (name: string) => `section[aria-label="${name}"]`;

describe('a residue that nobody can name', () => {
  const tag = 'P-0435';
  test('keeps the pump shut, whatever the paper, until it is named and a person allows it', async () => {
    await open(desk, `/jobs/${tag}`);
    await waitForText(desk, 'What is in it is not known, and nobody has allowed that it is opened');
    await waitForText(desk, 'Still to be written down: what the laboratory says it is; by which methods');
    await click(desk, 'button', 'Change the residue record');
    await fill(desk, 'What the laboratory says it is', 'cured polyester resin');
    await press(await desk.waitForSelector('[role=dialog] label ::-p-text(blasting)'));
    await click(desk, 'button', 'Keep the residue record');
    await desk.keyboard.press('Escape');
    await fill(desk, 'Protection for the opening', 'full mask, gloves, in the cabinet');
    await press(await desk.waitForSelector('button ::-p-text(Allow that it is opened)'));
    await waitForText(desk, 'The opening was allowed by');
    await waitForText(desk, 'Energy isolation is not confirmed');
    expect(desk.faults).toEqual([]);
  });
});

describe('a pump that was begun elsewhere', () => {
  const tag = 'P-0436';
  test('its first look goes to the owner, and their word is kept', async () => {
    await open(desk, `/jobs/${tag}?at=receive`);
    await click(desk, 'button', 'First look');
    await waitForText(desk, 'The guess:');
    await press(await desk.waitForSelector('button ::-p-text(Send it)'));
    await waitForText(desk, 'No answer yet.');
    await fill(desk, 'In their words', 'go on, it must run by spring');
    await click(desk, 'button', 'Keep their answer');
    await waitForText(desk, 'repair: go on, it must run by spring');
    await open(desk, '/outbox');
    await waitForText(desk, `A first look at your pump ${tag}`);
  });
  test('stands with how each part came, and what can no longer be taken', async () => {
    await open(bench, `/jobs/${tag}?at=receive`);
    await waitForText(bench, '1 thing can no longer be taken');
    await waitForText(bench, 'Stopped because: the impeller nut would not turn');
  });
});

describe('a warranty return', () => {
  const tag = 'P-0437';
  test('lies beside the earlier report and is judged; its quote comes to nothing, with the reason', async () => {
    await takeOver(bench, 'marek');
    await open(bench, `/jobs/${tag}`);
    await press(await bench.waitForSelector(`${region('Warranty return')} button ::-p-text(beside it)`));
    await waitForText(bench, 'Fitted then');
    await fill(bench, 'Why, as the customer reads it', 'the seal was set two millimetres long');
    await click(bench, 'button', 'Judge it');
    await waitForText(bench, 'We bear all of it: the seal was set two millimetres long');
    expect(bench.faults).toEqual([]);
  });
});

describe('the same warranty return', () => {
  const tag = 'P-0437';
  test('is repaired on a quote of nothing, tested, and goes back with its signature', async () => {
    const chain = new Chain(opened.browser);
    const { station } = await chain.record(tag);
    expect(station).toBe('inspect');
    await chain.measureRest(tag);
    await chain.decideRest(tag);
    await chain.act('marek', 'advance-job', { tag: tag, event: 'finish-inspection' });
    await chain.act('wenna', 'draw-up-quote', { tag: tag });
    const quote = present(currentQuote(await chain.record(tag)));
    expect(quote.discountPct).toBe(100);
    await chain.act('wenna', 'send-quote', { tag: tag });
    await open(desk, await chain.linkOf(tag));
    await waitForText(desk, 'We bear all of it');
    await fill(desk, 'Your name', 'Fern Okonjo');
    await click(desk, 'button', 'My typed name is my signature');
    await press(await desk.waitForSelector('button ::-p-text(Approve )'));
    await waitForText(desk, 'Thank you.');
    await chain.buy(tag);
    await chain.act('ines', 'advance-job', { tag: tag, event: 'start-rebuild' });
    await chain.rebuild(tag);
    await chain.test(tag);
    await chain.act('wenna', 'issue-report', { tag: tag });
    expect((await chain.report(tag)).warranty_return).toMatchObject({ judgement: 'ours', share_pct: 100 });
    await chain.pack(tag);
    await open(desk, `/jobs/${tag}`);
    await fill(desk, 'Taken over by', 'the driver');
    await click(desk, 'button', 'Delivered: close the job');
    await waitForText(desk, 'Delivered to the driver.');
  });
});

describe('a pump that is declined and stays as a donor', () => {
  const tag = 'P-0418';
  test('by its owner’s word, which closes the job without a delivery', async () => {
    await open(desk, `/jobs/${tag}`);
    await press(await desk.waitForSelector('label ::-p-text(kept as a donor)'));
    await fill(desk, 'When, and in their words', 'on the telephone: keep it for the other one');
    await click(desk, 'button', 'Keep the owner’s word');
    await waitForText(desk, 'It does not leave the house.');
    await click(desk, 'button', 'Close the job: kept as a donor');
    await waitForText(desk, 'as a donor of parts');
    await click(desk, 'button', 'Record');
    await waitForText(desk, 'none is changed or missing');
    expect(desk.faults).toEqual([]);
  });
});
