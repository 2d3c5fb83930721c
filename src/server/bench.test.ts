import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { DomainError } from '@/core/errors';
import { present } from '@/core/present';
import { openTestShop, type TestShop } from '../../test-support/open-test-shop';
import { act, actPhoto, changedBy, type Decided } from '.';

let shop: TestShop;
let [open, declined] = ['', ''];
beforeAll(async () => {
  shop = await openTestShop('bench');
  open = await shop.play({ at: 'teardown', part: 'half' });
  declined = await shop.play({ at: 'quote' });
});
afterAll(() => shop?.close());

describe('what a tablet at the bench holds', () => {
  test('is what stands at the bench, with the version of its record, and nothing else', async () => {
    const bench = await shop.act('ines', 'read-bench', { tags: [] });
    expect(bench.person).toMatchObject({ name: 'ines', role: 'technician' });
    const record = await shop.load(open);
    expect(bench.jobs).toMatchObject([{ tag: open, station: 'teardown', version: record?.version, mineFrom: null }]);
  });
  test('is also what was opened on it, wherever that stands', async () => {
    const { jobs } = await shop.act('ines', 'read-bench', { tags: [declined, 'P-9999'] });
    expect(jobs.map(({ tag }) => tag).sort()).toEqual([declined, open].sort());
  });
  test('says to each hand when its own work on a pump begins, as the board of the plan has it', async () => {
    const { board } = await shop.act('wenna', 'read-plan', {});
    const firstDay = (hand: string) => {
      const basins = board.find(({ id }) => id === hand)?.basins ?? [];
      return basins.find(({ stones }) => stones.some(({ tag }) => tag === open))?.day ?? null;
    };
    const said = ['ines', 'odile', 'marek', 'bram'].map(async (person) => {
      const { person: who, jobs } = await shop.act(person, 'read-bench', { tags: [] });
      return { drawn: firstDay(who.personId), said: jobs[0]?.mineFrom?.slice(0, 10) ?? null };
    });
    const all = await Promise.all(said);
    expect(all.map((one) => one.said)).toEqual(all.map((one) => one.drawn));
    expect(all.some(({ drawn }) => drawn !== null) && all.some(({ drawn }) => drawn === null)).toBe(true);
  });
});

describe('a picture that waited on a device', () => {
  const about = { about: 'part:impeller', caption: 'Impeller' };
  const send = async (key: string, tag = open) => {
    const bytes = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#336' } })
      .png()
      .toBuffer();
    const entry = { key, madeAt: null };
    return actPhoto(shop.contextOf('ines', { entry }), { tag, ...about }, () => Promise.resolve(bytes));
  };
  test('has the key of its entry for a name, so that an entry can name it before it was sent', async () => {
    const key = randomUUID();
    expect(await send(key)).toMatchObject({ photoId: key });
    expect(await send(key)).toMatchObject({ photoId: key });
    expect((await shop.load(open))?.photos.filter(({ id }) => id === key)).toHaveLength(1);
  });
  test('cannot take the place of another picture, of its own job or another', async () => {
    const { photoId } = await send(`not-a-uuid-${Date.now()}`);
    expect(photoId).toMatch(/^[0-9a-f-]{36}$/);
    const refusedBy = (tag: string) =>
      send(photoId, tag).then(
        () => 'kept',
        (error: unknown) => (error instanceof DomainError ? error.code : error),
      );
    expect(await refusedBy(open)).toBe('bad-input');
    expect(await refusedBy(declined)).toBe('changed-meanwhile');
    const kept = (await shop.load(open))?.photos.find(({ id }) => id === photoId);
    expect(kept).toMatchObject(about);
  });
});

describe('what changed by an entry', () => {
  test('comes with its answer as it is read from the record, and only to a page that shows the version before', async () => {
    const { version = 0 } = (await shop.load(open)) ?? {};
    const decided: Decided[] = [];
    const context = shop.contextOf('wenna', { decided: (one) => void decided.push(one) });
    await act('hold-job', context, { tag: open, reason: 'asked', until: '2031-01-01', holder: 'C' });
    expect(decided).toHaveLength(1);
    const one = present(decided[0]);
    const changed = await changedBy(context, one, version);
    expect(changed).toMatchObject({ tag: open, from: version, version: version + 1 });
    expect(changed).toEqual(await shop.act('wenna', 'read-changes', { tag: open, after: version }));
    expect(await changedBy(context, one, version - 1)).toBeNull();
    const asCustomer = { ...context, actor: { kind: 'customer', jobId: one.after.id, linkId: '' } } as typeof context;
    expect(await changedBy(asCustomer, one, version)).toBeNull();
  });
  test('is work at the station where the pump stood before it', async () => {
    const tag = await shop.play({ at: 'inspect' });
    const context = shop.contextOf('marek', { workSeconds: 120, entry: { key: randomUUID(), madeAt: null } });
    await act('find-later', context, {
      ...{ tag, partRef: 'front-ring', words: 'cracked', whyOnlyNow: 'it was under paint' },
      ...{ action: 'replace', photoId: null },
    });
    const { pieces } = await shop.act('wenna', 'read-worked', { tag });
    expect(pieces.filter(({ minutes }) => minutes === 2)).toMatchObject([{ station: 'inspect' }]);
  });
});
