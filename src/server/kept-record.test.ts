import { present } from '@/core/present';
import { loadStoredRecord } from '@/db';
import { openTestShop, testIntake, type TestShop } from '../../test-support/open-test-shop';

let shop: TestShop;
beforeAll(async () => void (shop = await openTestShop('kept')));
afterAll(() => shop.close());
const stored = (tag: string) => loadStoredRecord(shop.runtime.database, tag);
const change = (tag: string, basedOn: number, liquid: string) => ({
  ...{ tag, basedOn },
  intake: { ...testIntake, liquid },
});

test('what is kept after every move of a job is what its tables hold, field for field', async () => {
  const tag = await shop.play({ at: 'closed', part: 'failed once', visual: [['impeller', 'pitted inlet edges']] });
  expect(present(await shop.load(tag))).toStrictEqual(await stored(tag));
});

test('a kept record is used while its last event is the same; whoever checks the tables reads them', async () => {
  const tag = await shop.play({ at: 'receive', part: 'undeclared' });
  const { id } = present(await shop.load(tag));
  const other = "update intakes set body = replace(body, 'pond water', 'tar') where job_id = ?";
  await shop.runtime.pool.promise().query(other, [id]);
  expect(present(await shop.load(tag)).intake.liquid).toBe('pond water');
  expect(present(await stored(tag)).intake.liquid).toBe('tar');
});

/** Keeps brine as what a pump moves, by modules of their own: as another bundle does, or another process. */
async function keepBrine(tag: string) {
  const url = new URL(present(process.env.DATABASE_URL));
  url.pathname = '/puddlestone_kept';
  await jest.isolateModulesAsync(async () => {
    const other = await import('.');
    const runtime = other.startRuntime(url.href);
    const context = runtime.contextFor(present(shop.people.wenna));
    await other.act('save-intake', context, change(tag, 1, 'brine'));
    await new Promise<void>((done) => runtime.pool.end(() => done()));
  });
}

test('while nothing of it changes it is the same thing, whoever asks; what stands beside its rows is read each time', async () => {
  const tag = await shop.play({ at: 'receive', part: 'undeclared' });
  const first = present(await shop.load(tag));
  expect(await shop.load(tag)).toBe(first);
  await shop.act('wenna', 'save-intake', change(tag, 1, 'brine'));
  const second = present(await shop.load(tag));
  expect(second).not.toBe(first);
  expect(await shop.load(tag)).toBe(second);
  await shop.runtime.pool.promise().query('update pumps set maker = ? where id = ?', ['Ollenshaw', second.pump.id]);
  const third = present(await shop.load(tag));
  expect(third.pump.maker).toBe('Ollenshaw');
  expect(third.readings).toBe(second.readings);
  expect(await shop.load(tag)).toBe(third);
});

/** Keeps brine as another process does, which knows nothing of what is kept here. */
async function keepBrineElsewhere(tag: string) {
  const shared = globalThis as { puddlestoneShared?: object | undefined };
  const own = shared.puddlestoneShared;
  shared.puddlestoneShared = undefined;
  await keepBrine(tag);
  shared.puddlestoneShared = own;
}

test('what another process changed is taken from its events; no other row is read', async () => {
  const tag = await shop.play({ at: 'receive', part: 'undeclared' });
  const before = present(await shop.load(tag));
  await keepBrineElsewhere(tag);
  const after = present(await shop.load(tag));
  expect(after.intake.liquid).toBe('brine');
  expect([after.answers === before.answers, after.parts === before.parts]).toEqual([true, true]);
  expect(after).toStrictEqual(await stored(tag));
});

test('events that do not lead from what is kept to what stands are not gone by: the rows are read', async () => {
  const tag = await shop.play({ at: 'receive', part: 'undeclared' });
  const before = present(await shop.load(tag));
  await keepBrineElsewhere(tag);
  await shop.runtime.pool
    .promise()
    .query("update events set data = replace(data, 'brine', 'tar') where job_id = ?", [before.id]);
  const after = present(await shop.load(tag));
  expect(after.intake.liquid).toBe('brine');
  expect(after.answers).not.toBe(before.answers);
  expect(after).toStrictEqual(await stored(tag));
});

test('what another bundle of this process changed is kept for all of it', async () => {
  const tag = await shop.play({ at: 'receive', part: 'undeclared' });
  await keepBrine(tag);
  const { id } = present(await stored(tag));
  await shop.runtime.pool
    .promise()
    .query("update intakes set body = replace(body, 'brine', 'tar') where job_id = ?", [id]);
  expect(present(await shop.load(tag)).intake.liquid).toBe('brine');
  expect(present(await stored(tag)).intake.liquid).toBe('tar');
});

test('a change that is not committed is not kept', async () => {
  const tag = await shop.play({ at: 'receive', part: 'undeclared' });
  const before = await shop.load(tag);
  const remember = () => Promise.reject(new Error('the entry cannot be remembered'));
  const { act } = await import('.');
  await expect(act('save-intake', shop.contextOf('wenna', { remember }), change(tag, 1, 'brine'))).rejects.toThrow(
    'cannot be remembered',
  );
  expect(await shop.load(tag)).toStrictEqual(before);
  await shop.act('wenna', 'save-intake', change(tag, 1, 'glycol'));
  expect(present(await shop.load(tag)).intake.liquid).toBe('glycol');
});
