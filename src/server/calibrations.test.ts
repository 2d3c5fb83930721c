import { present } from '@/core/present';
import { openTestShop, type TestShop } from '../../test-support/open-test-shop';
import { codeOf, detailsOf } from '../../test-support/told';

/** A gauge that is found out of calibration: what it has measured since it was good. */
let shop: TestShop;
let here: string;
let gone: string;
beforeAll(async () => {
  shop = await openTestShop('calibrations');
  gone = await shop.play({ at: 'return' });
  here = await shop.play({ at: 'quote' });
});
afterAll(() => shop.close());

const today = new Date().toISOString().slice(0, 10);
const daysAgo = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10);
const found = { error: 0.004, certificate: 'K-17', note: '' };
const good = (code: string, days: number) => ({
  ...{ ...found, code, onDay: daysAgo(days), isWithin: true, nextDueOn: daysAgo(-300) },
});
const beyond = (code: string) => ({ ...found, code, onDay: today, isWithin: false, nextDueOn: null });
const read = (code: string) => shop.act('marek', 'read-instrument', { code });

/** Every reading of both pumps with a gauge, as the records say. */
async function readingsWith(code: string) {
  const records = await Promise.all([gone, here].map(async (tag) => present(await shop.load(tag))));
  return records.flatMap(({ tag, readings }) =>
    readings.filter(({ instrument }) => instrument === code).map(({ pointId, place }) => `${tag} ${pointId} ${place}`),
  );
}

async function busiest(): Promise<string> {
  const records = await Promise.all([gone, here].map(async (tag) => present(await shop.load(tag))));
  const codes = records.flatMap(({ readings }) => readings.flatMap(({ instrument }) => instrument ?? []));
  return present(
    codes.toSorted((a, b) => codes.filter((one) => one === b).length - codes.filter((one) => one === a).length)[0],
  );
}

test('a gauge that is found good may be used until its next day, and touches nothing', async () => {
  const code = await busiest();
  expect(await shop.act('marek', 'record-calibration', good(code, 400))).toEqual({ touched: 0, worked: 0 });
  const shown = await read(code);
  expect(shown.tool.dueOn).toBe(daysAgo(-300));
  expect([shown.until, shown.touched]).toEqual([null, []]);
});

test('one that is found beyond touches every reading since it was good, pump by pump, and is used no more', async () => {
  const code = await busiest();
  const all = await readingsWith(code);
  expect(all.length).toBeGreaterThan(3);
  expect(await shop.act('marek', 'record-calibration', beyond(code))).toMatchObject({ touched: all.length });
  const shown = await read(code);
  expect(shown).toMatchObject({ since: daysAgo(400), until: today });
  expect(shown.tool.dueOn).toBe(daysAgo(1));
  expect(shown.touched).toHaveLength(all.length);
  expect(new Set(shown.touched.map(({ tag }) => tag))).toEqual(new Set(all.map((one) => one.split(' ')[0])));
  // Points by what people call them, not by their ids.
  expect(shown.touched.every(({ point }) => point.includes(' '))).toBe(true);
  expect(shown.history.map(({ isWithin, error }) => [isWithin, error])).toEqual([
    [false, 0.004],
    [true, 0.004],
  ]);
});

test('what was measured before it was found good again is not touched any more', async () => {
  const code = await busiest();
  await shop.act('marek', 'record-calibration', good(code, 0));
  expect((await read(code)).touched).toEqual([]);
  // Found beyond once more on the day on which it was good: only that day is in doubt.
  const { touched } = await shop.act('marek', 'record-calibration', beyond(code));
  expect((await read(code)).since).toBe(today);
  expect(touched).toBe((await readingsWith(code)).length);
});

test.each([
  [{ code: 'X-99' }, 'X-99'],
  [{ onDay: daysAgo(-3) }, 'still to come'],
  [{ nextDueOn: null }, 'until when'],
  [{ nextDueOn: daysAgo(900) }, 'comes after this one'],
  [{ onDay: '0001-01-01' }, 'between 1900 and 2199'],
  [{ nextDueOn: '9999-12-31' }, 'between 1900 and 2199'],
])('%j is refused by name', async (change, words) => {
  const told = await detailsOf(shop.act('marek', 'record-calibration', { ...good(await busiest(), 10), ...change }));
  expect(JSON.stringify(told)).toContain(words);
});
test('no instrument of a name is said', async () => expect(await codeOf(read('X-99'))).toBe('not-found'));

test('by an error of half a centimetre verdicts would turn; without one that cannot be said', async () => {
  const code = await busiest();
  await shop.act('marek', 'record-calibration', { ...beyond(code), error: 5 });
  const { turned, notReckoned } = await read(code);
  expect(notReckoned).toBe(0);
  expect(turned?.length).toBeGreaterThan(0);
  for (const { is, maybe } of turned ?? []) expect(maybe).not.toContain(is);
  await shop.act('marek', 'record-calibration', { ...beyond(code), error: null });
  expect((await read(code)).turned).toBeNull();
});

test('a wrench that is found beyond touches every bolt that it tightened, by the name of its step', async () => {
  // Its gauge may be used again.
  await shop.act('marek', 'record-calibration', good(await busiest(), 0));
  const code = 'W-77';
  await shop.act('sunniva', 'add-instrument', {
    code,
    kind: 'torque wrench',
    unit: 'N·m',
    uncertainty: 1,
    dueOn: daysAgo(-90),
  });
  const tag = await shop.play({ at: 'test' });
  const { answers } = present(await shop.load(tag));
  const own = answers.filter(({ data, state }) => data.tool === code && state === 'done');
  expect(own.length).toBeGreaterThan(1);
  expect(await shop.act('marek', 'record-calibration', beyond(code))).toEqual({ touched: 0, worked: own.length });
  const { worked } = await read(code);
  expect(worked.map(({ typed }) => typed).toSorted()).toEqual(own.map(({ typed }) => typed).toSorted());
  // The wrench was wrong by 0.004 N·m: no bolt leaves its window by that.
  expect(worked.every(({ doubt }) => doubt?.window.endsWith('N·m') && doubt.mayBeOut === false)).toBe(true);
  expect(worked.every((one) => one.tag === tag && !one.isClosed && /[A-Z].* /.test(one.what))).toBe(true);
});
