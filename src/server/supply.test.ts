import { present } from '@/core/present';
import { needsOf, trayCode } from '@/core/supply';
import { sheetsOf } from '@/core/record';
import { codeOf, detailsOf } from '../../test-support/told';
import { openTestShop, plainFile, type TestShop } from '../../test-support/open-test-shop';
import { carryOutDue } from '.';

/** Where parts come from, kept in the database: donors over several jobs, claims to suppliers, whose a label is. */
let shop: TestShop;
beforeAll(async () => void (shop = await openTestShop('supply')));
afterAll(() => shop.close());

const loaded = async (tag: string) => present(await shop.load(tag));
const played = (at: 'inspect' | 'parts' | 'teardown' | 'rebuild', change: object = {}) => shop.play({ at, ...change });
const take = (tag: string, donorId: string, partRef = 'coupling-half', basedOn = 0) => ({
  ...{ tag, partRef, basedOn, donorId },
  source: { source: 'donor', count: 1, from: '', dueOn: '', reason: 'hardly worn' },
});
const givenOf = async (tag: string) => sheetsOf(await loaded(tag), 'given').map(({ key, body }) => [key, body.to]);

describe('a donor part', () => {
  test('is taken by one of two who want it at once; its unit shows the hole, and both records replay', async () => {
    const unit = await played('inspect');
    const [one, other] = [await played('inspect'), await played('inspect')];
    const asked = [one, other].map((tag) => shop.act('bram', 'choose-source', take(tag, `${unit}/coupling-half`)));
    const codes = await Promise.all(asked.map((each) => codeOf(each)));
    expect(codes.filter((code) => code === 'done')).toHaveLength(1);
    const winner = codes[0] === 'done' ? one : other;
    expect(await givenOf(unit)).toEqual([['coupling-half', winner]]);
    for (const tag of [unit, winner]) expect((await shop.act('wenna', 'read-events', { tag })).difference).toBeNull();
    const loser = winner === one ? other : one;
    const refused = await detailsOf(shop.act('bram', 'choose-source', take(loser, `${unit}/coupling-half`)));
    expect(refused?.what).toContain(`is taken already, for ${winner}`);
  });
  test('that is given back belongs to its pump again', async () => {
    const [unit, one, other] = [await played('inspect'), await played('inspect'), await played('inspect')];
    await shop.act('bram', 'choose-source', take(one, `${unit}/coupling-half`));
    const back = { source: { source: 'bought', count: 1, from: '', dueOn: '', reason: 'a new one after all' } };
    await shop.act('bram', 'choose-source', { tag: one, partRef: 'coupling-half', basedOn: 1, ...back });
    expect(await givenOf(unit)).toEqual([['coupling-half', '']]);
    // It belongs to its own pump again: that is no stock for anybody else.
    const found = await shop.act('bram', 'read-donors', { tag: other, partRef: 'coupling-half' });
    expect(found.map((donor) => donor.tag)).not.toContain(unit);
    await shop.act('bram', 'choose-source', take(other, `${unit}/coupling-half`));
    expect(await givenOf(unit)).toEqual([['coupling-half', other]]);
  });
  test('of a pump of another owner is not taken', async () => {
    const [unit, other] = [await played('inspect'), await played('inspect')];
    const owner = { tag: other, customer: 'Larkspur Trout Hatchery', reason: 'it is theirs' };
    await shop.act('wenna', 'correct-owner', owner);
    const refused = await detailsOf(shop.act('bram', 'choose-source', take(other, `${unit}/coupling-half`)));
    expect(refused?.what).toContain('belongs to another owner');
    expect(await givenOf(unit)).toEqual([]);
  });
  test.each([
    ['no part of a unit', 'P-0001', /is no part of a unit/],
    ['a unit that there is not', 'P-9999/coupling-half', /There is no job P-9999/],
  ])('of %s is refused in a sentence', async (_what, donorId, words) => {
    const tag = await played('inspect');
    const refused = await detailsOf(shop.act('bram', 'choose-source', take(tag, donorId)));
    expect(refused?.what ?? refused?.issues?.map((issue) => JSON.stringify(issue)).join()).toMatch(words);
  });
  test('of a unit that stays as a donor is found, until it is taken', async () => {
    const unit = await shop.play({ at: 'return', part: 'declined' });
    const fate = { fate: 'donor', saidBy: 'Fern Okonjo', words: 'keep it for parts' };
    await shop.act('wenna', 'choose-fate', { tag: unit, basedOn: 0, fate });
    await shop.act('wenna', 'close-unreturned', { tag: unit });
    const tag = await played('inspect');
    const donorsOf = async (partRef: string) =>
      (await shop.act('bram', 'read-donors', { tag, partRef })).filter((found) => found.tag === unit);
    expect(await donorsOf('casing')).toMatchObject([{ id: `${unit}/casing`, verdict: 'as listed' }]);
    await shop.act('bram', 'choose-source', take(tag, `${unit}/casing`, 'casing'));
    expect(await givenOf(unit)).toEqual([['casing', tag]]);
    const next = await played('inspect');
    const found = await shop.act('bram', 'read-donors', { tag: next, partRef: 'casing' });
    expect(found.map((donor) => donor.id)).not.toContain(`${unit}/casing`);
  });
});

describe('a parcel', () => {
  test('with a wrong piece keeps its line open, and the supplier is written to in the words of who sends it', async () => {
    const tag = await played('parts', { part: 'ordered' });
    await carryOutDue(shop.contextOf('sunniva'), 200);
    const { number } = present((await loaded(tag)).orders[0]);
    await shop.act('bram', 'take-parcel', { tag, orderNumber: number }).catch(() => undefined);
    const lines = present((await loaded(tag)).orders[0]).lines.filter((line) => line.sent > line.received);
    const [first, ...rest] = lines;
    const picture = { tag, about: `part:${present(first).partRef}`, partRef: present(first).partRef, caption: 'cut' };
    const { photoId } = await shop.act('bram', 'take-picture', picture);
    const counts = [
      { lineId: present(first).id, counted: present(first).sent - 1, wrong: 1, what: 'cut by a knife', photoId },
      ...rest.map((line) => ({ lineId: line.id, counted: line.sent - line.received, lot: 'L-1' })),
    ];
    await shop.act('bram', 'receive-parts', { tag, orderNumber: number, counts, note: '' });
    const { record, family } = await shop.act('bram', 'read-job', { tag });
    const open = needsOf(record, family).find(({ ref }) => ref === present(first).partRef);
    expect(present(open).received).toBe(present(open).quantity - 1);
    const [claim] = sheetsOf(record, 'claim');
    expect(claim?.body.lines).toMatchObject([{ count: 1, what: 'cut by a knife', photoId }]);
    const words = 'One came cut; please send another.';
    await shop.act('bram', 'send-claim', { tag, number: claim?.key, basedOn: 1, words, goesBack: true });
    await carryOutDue(shop.contextOf('sunniva'), 200);
    const { mails } = (await shop.act('wenna', 'read-outbox', {})) as {
      mails: { id: string; to: string; body: string }[];
    };
    const mail = present(mails.find(({ body }) => body === words));
    expect(mail.to).toMatch(/^orders@.+\.example$/);
    // The picture of what came wrong goes along.
    const sent = await shop.act('wenna', 'read-mail-attachment', { mailId: mail.id });
    expect(sent.name).toBe(`${claim?.key}.jpg`);
    expect(sent.bytes).toEqual((await shop.act('wenna', 'read-photo', { photoId, size: 'full' })).bytes);
    // What was wrong is sent again, and comes in.
    await shop.act('bram', 'take-parcel', { tag, orderNumber: number }).catch(() => undefined);
    const again = present((await loaded(tag)).orders[0]).lines.find(({ id }) => id === present(first).id);
    expect([present(again).sent, present(again).received + 1]).toEqual([
      present(again).quantity,
      present(again).quantity,
    ]);
    expect((await shop.act('wenna', 'read-events', { tag })).difference).toBeNull();
  });
});

describe('a label', () => {
  test('of another job names that job, its owner and the part; of none of this shop it names the job', async () => {
    const [tag, other] = [await played('rebuild'), await played('inspect')];
    const owner = (await loaded(other)).customer.name;
    const wordsOf = async (code: string) => (await detailsOf(shop.act('ines', 'read-label', { tag, code })))?.what;
    expect(await wordsOf(`${other}/impeller`)).toContain(`belongs to ${other} of ${owner}: Impeller`);
    expect(await wordsOf(`${other}#3`)).toContain(`of ${owner}: tray 3`);
    expect(await wordsOf('P-9998/impeller')).toContain('belongs to P-9998.');
  });
});

describe('a pump of the same make, model and size', () => {
  let likes = 0;
  const like = (at: 'receive' | 'teardown' | 'parts', size: string) =>
    shop.play({
      ...{ at, ...(at === 'parts' && { part: 'short' as const }) },
      pump: { maker: 'Ostrelhaus', model: 'OH 65-250', serial: `LIKE-${++likes}`, size },
    });
  const likesOf = async (tag: string) => (await loaded(tag)).likePumps;

  test('is a twin while its parts lie open: not before its teardown, and not of another size', async () => {
    const received = await like('receive', 'a');
    const [one, two, other] = [await like('teardown', 'a'), await like('teardown', 'a'), await like('teardown', 'b')];
    expect(await likesOf(one)).toEqual([two]);
    expect(await likesOf(two)).toEqual([one]);
    expect(await likesOf(other)).toEqual([]);
    // One that was only received is no danger yet, and sees those that are.
    expect(await likesOf(received)).toEqual([one, two].toSorted());
  });
  test('has the labels of the other read before its parts go in; a pump that is alone has not', async () => {
    const [own, alone] = [await like('parts', 'c'), await like('parts', 'd')];
    const twin = await like('teardown', 'c');
    const begin = async (tag: string) => {
      const { rebuild } = plainFile.written;
      const [action] = present(rebuild.find(({ parts }) => parts.includes('shaft'))).actions;
      await shop.act('ines', 'advance-job', { tag, event: 'start-rebuild' });
      return () => detailsOf(shop.answer('ines', tag, 'rebuild', { actionId: present(action).id }));
    };
    const [fitOwn, fitAlone] = [await begin(own), await begin(alone)];
    expect((await fitOwn())?.what).toMatch(/labels are read at this pump/);
    expect(await detailsOf(shop.act('ines', 'read-label', { tag: own, code: trayCode(twin, '1') }))).toMatchObject({
      what: expect.stringContaining(`belongs to ${twin}`) as string,
    });
    await shop.act('ines', 'read-label', { tag: own, code: trayCode(own, '1') });
    expect((await fitOwn())?.what ?? '').not.toMatch(/labels/);
    expect((await fitAlone())?.what ?? '').not.toMatch(/labels/);
  });
});

test('a sketch goes out as a drawing, labels as a paper; neither where there is none', async () => {
  const tag = await played('inspect');
  const made = {
    ...{ why: 'none to be had', from: 'old part', fromWords: '', shape: 'bush', bears: false, material: 'bronze' },
    dimensions: [
      { id: 'bore', nominal: 30, tolerance: 'H7' },
      { id: 'outside', nominal: 40, tolerance: '' },
      { id: 'length', nominal: 20, tolerance: '' },
    ],
    ...{ lot: '', hardness: '', oldMaterial: '', machine: 'lathe', minutesGuess: 60, materialMinor: 0, dueOn: '' },
  };
  expect(await codeOf(shop.act('ines', 'read-sketch', { tag, partRef: 'impeller' }))).toBe('not-found');
  await shop.act('ines', 'write-made', { tag, partRef: 'impeller', basedOn: 0, made });
  const { bytes, name } = await shop.act('ines', 'read-sketch', { tag, partRef: 'impeller' });
  const text = bytes.toString('utf8');
  expect(name).toMatch(/^M-\d+-1\.dxf$/);
  // Two cut rectangles and two circles: half of 30 and half of 40 from the end.
  expect(text.match(/^LWPOLYLINE$/gm)).toHaveLength(2);
  expect(text.match(/^CIRCLE$/gm)).toHaveLength(2);
  for (const radius of ['15', '20']) expect(text).toMatch(new RegExp(String.raw`^40\n${radius}$`, 'm'));
  expect(text).toContain('30 to 30.021 mm');
  const paper = await shop.act('ines', 'read-labels', { tag });
  expect(paper.bytes.subarray(0, 5).toString()).toBe('%PDF-');
});
