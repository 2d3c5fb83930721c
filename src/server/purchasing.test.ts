import sharp from 'sharp';
import { present } from '@/core/present';
import { awaited, needsOf } from '@/core/supply';
import { elastomerOf, findPart } from '@/core/family';
import { asId, sheetsOf, type JobId, type QuoteId } from '@/core/record';
import { addOutbox, listCatalogue, listDueOutbox, putOffers, readShop } from '@/db';
import { codeOf, detailsOf } from '../../test-support/told';
import { openTestShop, usualSupplier, type TestShop } from '../../test-support/open-test-shop';
import { actOrderPhoto, carryOutDue, perform, readPhoto } from '.';

/** Buying over all jobs against the database: the plan, its orders, parcels, the shelf, the catalogue. */
let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop('purchasing');
  await shop.act('bram', 'save-supplier', { ...bearings, basedOn: 0 });
});
afterAll(() => shop.close());

const bearings = {
  ...{ name: 'Tarrowby Bearings', email: 'sales@tarrowby.example', currency: 'CHF', rate: 1.1, freightMinor: 1000 },
  ...{ minimumMinor: 0, isUsual: false, isActive: true },
};
const loaded = async (tag: string) => present(await shop.load(tag));
const atParts = () => shop.play({ at: 'parts' });
const planNow = () => shop.act('bram', 'read-buying-plan', {});
const answer = () => carryOutDue(shop.contextOf('sunniva'), 500);
const orderOf = async (number: string) => (await shop.act('bram', 'read-order', { number })).order;
const isSound = async (tag: string) => (await shop.act('wenna', 'read-events', { tag })).difference === null;

/** Orders all that the plan asks for; gives the numbers. */
async function placeAll(): Promise<readonly string[]> {
  const { plan, basedOn } = await planNow();
  const supplierIds = plan.orders.map(({ supplierId }) => supplierId);
  return (await shop.act('bram', 'place-orders', { basedOn, supplierIds })).numbers;
}

/** Counts a parcel as its list says, or as `own` says by number. */
async function count(number: string, own: Readonly<Record<string, object>> = {}, bin = 'B-1') {
  const { toCount } = await shop.act('bram', 'read-order', { number });
  const counts = toCount.map((piece) => ({
    ...{ number: piece.number, elastomer: piece.elastomer, counted: piece.listed },
    ...own[piece.number],
  }));
  return shop.act('bram', 'receive-order', { number, counts, bin, note: '' });
}

/** Takes parcels and counts them until nothing is to come. */
async function countAll(number: string): Promise<void> {
  for (let parcel = 0; parcel < 6 && (await orderOf(number)).state === 'acknowledged'; parcel++) {
    await shop.act('bram', 'take-order-parcel', { number }).catch(() => undefined);
    if ((await shop.act('bram', 'read-order', { number })).toCount.length) await count(number);
  }
}

describe('one order for two jobs', () => {
  let tags: readonly string[];
  let number: string;
  beforeAll(async () => {
    tags = [await atParts(), await atParts()];
    [number = ''] = await placeAll();
    await answer();
  });
  test('stands in both records by one number, with the days that were acknowledged at once', async () => {
    const order = await orderOf(number);
    expect([order.state, order.reference]).toEqual(['acknowledged', `ACK-${number}`]);
    for (const tag of tags) {
      const record = await loaded(tag);
      const own = record.orders.find((one) => one.number === number);
      expect(own?.lines.every(({ dueOn }) => dueOn !== null)).toBe(true);
      expect(own?.dueOn).toBe(
        own?.lines
          .map(({ dueOn }) => dueOn ?? '')
          .sort()
          .at(-1),
      );
      expect(await isSound(tag)).toBe(true);
    }
    const { lines } = await shop.act('bram', 'read-parts-desk', {});
    const mine = lines.filter(({ tag }) => tags.includes(tag));
    expect(mine.length).toBeGreaterThan(2);
    expect(mine.every(({ toBuy, effect }) => toBuy === 0 && !effect.isGuess)).toBe(true);
  });
  test('is on paper, as XML and in the order book', async () => {
    const pdf = await shop.act('bram', 'read-order-pdf', { number });
    expect(pdf.bytes.subarray(0, 5).toString()).toBe('%PDF-');
    const xml = await shop.act('bram', 'read-order-ubl', { number });
    expect(xml.bytes.toString()).toContain(`<cbc:ID>${number}</cbc:ID>`);
    const book = (await shop.act('bram', 'read-order-book', {})).bytes.toString();
    expect(book.split('\n').some((row) => row.startsWith(`${number},`) && row.includes(tags.join(' ')))).toBe(true);
  });
  test('asked for sooner, its new day stands in every job that waits; a later one is refused', async () => {
    const { dueOn } = await shop.act('bram', 'read-order', { number });
    const late = { number, wantedOn: present(dueOn), words: 'the ferry waits' };
    expect((await detailsOf(shop.act('bram', 'expedite-order', late)))?.what).toContain('is not sooner than');
    const answered = await shop.act('bram', 'expedite-order', { ...late, wantedOn: '2026-01-01' });
    expect(answered.dueOn < present(dueOn)).toBe(true);
    for (const tag of tags) {
      const record = await loaded(tag);
      expect((record.orders.find((one) => one.number === number)?.dueOn ?? '') <= answered.dueOn).toBe(true);
      expect(await isSound(tag)).toBe(true);
    }
    expect((await orderOf(number)).history.map(({ words }) => words)[0]).toContain('the ferry waits');
  });
  test('comes in piece by piece, each job gets its own, and the order ends', async () => {
    await countAll(number);
    expect((await orderOf(number)).state).toBe('ended');
    for (const tag of tags) {
      const { record, family } = await shop.act('bram', 'read-job', { tag });
      expect(awaited(needsOf(record, family))).toEqual([]);
      expect(await isSound(tag)).toBe(true);
    }
    const { suppliers } = await shop.act('bram', 'read-catalogue', {});
    expect(suppliers.find(({ name }) => name === usualSupplier.name)?.reliability.ended).toBeGreaterThan(0);
  });
});

test('of two who place the same plan at once one wins, and nothing is ordered twice', async () => {
  const tag = await atParts();
  const { plan, basedOn } = await planNow();
  const supplierIds = plan.orders.map(({ supplierId }) => supplierId);
  const send = () => codeOf(shop.act('bram', 'place-orders', { basedOn, supplierIds }));
  const codes = await Promise.all([send(), send(), codeOf(shop.act('bram', 'order-parts', { tag }))]);
  expect(codes.filter((code) => code === 'done')).toHaveLength(1);
  expect(codes.filter((code) => code.startsWith('unexpected'))).toEqual([]);
  const { record, family } = await shop.act('bram', 'read-job', { tag });
  expect(needsOf(record, family).every(({ ordered, quantity }) => ordered === quantity)).toBe(true);
  expect(await codeOf(send())).toBe('done');
  expect((await detailsOf(shop.act('bram', 'place-orders', { basedOn, supplierIds })))?.what).toContain(
    'The plan is another',
  );
});

describe('a parcel with faults', () => {
  test('what is wrong is claimed in the job that misses it, and sent again', async () => {
    const tag = await atParts();
    const [number = ''] = await placeAll();
    await answer();
    await shop.act('bram', 'take-order-parcel', { number });
    const [first] = (await shop.act('bram', 'read-order', { number })).toCount;
    const bad = present(first);
    const silent = { [bad.number]: { counted: bad.listed - 1, wrong: 1 } };
    expect((await detailsOf(count(number, silent)))?.what).toContain('what is wrong');
    const said = { [bad.number]: { counted: bad.listed - 1, wrong: 1, what: 'NBR in place of EPDM' } };
    const { claims } = await count(number, said);
    expect(claims).toMatchObject([{ tag }]);
    const [claim] = sheetsOf(await loaded(tag), 'claim');
    expect(claim?.body.lines[0]).toMatchObject({ count: 1, what: 'NBR in place of EPDM' });
    expect((await orderOf(number)).state).toBe('acknowledged');
    await countAll(number);
    expect((await orderOf(number)).state).toBe('ended');
    const { record, family } = await shop.act('bram', 'read-job', { tag });
    expect(awaited(needsOf(record, family))).toEqual([]);
    expect(await isSound(tag)).toBe(true);
  });
  test('another rubber than the job needs, and more than was ordered, are refused by name', async () => {
    const tag = await atParts();
    const [number = ''] = await placeAll();
    await answer();
    await shop.act('bram', 'take-order-parcel', { number });
    const { toCount } = await shop.act('bram', 'read-order', { number });
    const rubber = present(toCount.find(({ elastomer }) => elastomer === 'EPDM'));
    const other = { [rubber.number]: { foundElastomer: 'NBR' } };
    expect((await detailsOf(count(number, other)))?.what).toMatch(/NBR/);
    const many = { [rubber.number]: { counted: rubber.open + 1 } };
    expect((await detailsOf(count(number, many)))?.what).toContain(rubber.number);
    const stranger = { number, counts: [{ number: 'X-99', elastomer: '', counted: 1 }], bin: '', note: '' };
    expect((await detailsOf(shop.act('bram', 'receive-order', stranger)))?.what).toContain('X-99 is not in a parcel');
    await countAll(number);
    expect(await isSound(tag)).toBe(true);
  });
});

describe('what stands on a bag', () => {
  test('is read by the scanner while its parcel waits to be counted, and no longer', async () => {
    const tag = await atParts();
    const [number = ''] = await placeAll();
    await answer();
    const first = async () => present((await shop.act('bram', 'read-order', { number })).toCount[0]);
    const { code } = present((await orderOf(number)).lines[0]);
    const scan = { order: number, number: code, elastomer: '' };
    expect((await detailsOf(shop.act('bram', 'scan-bag', scan)))?.what).toContain('No bag of');
    await shop.act('bram', 'take-order-parcel', { number });
    const piece = await first();
    const asked = { order: number, number: piece.number, elastomer: piece.elastomer };
    const bag = await shop.act('bram', 'scan-bag', asked);
    expect(bag).toMatchObject({ number: piece.number, elastomer: piece.elastomer });
    expect(bag.lot).toMatch(/^L\d+$/);
    await countAll(number);
    expect((await detailsOf(shop.act('bram', 'scan-bag', asked)))?.what).toContain('No bag of');
    expect(await isSound(tag)).toBe(true);
  });
  test('another variant than was ordered is refused by name, and claimed when it is counted as wrong', async () => {
    const tag = await atParts();
    const rows = (await planNow()).plan.orders.flatMap(({ shares }) => shares);
    const metal = present(rows.find((share) => share.tag === tag && !share.elastomer)).number;
    const head = 'number,title,elastomer,variant,interchange_group,superseded_by';
    await shop.act('bram', 'import-catalogue', { kind: 'numbers', text: `${head}\n${metal},Part,,bronze,,\n` });
    const [number = ''] = await placeAll();
    await answer();
    await shop.act('bram', 'take-order-parcel', { number });
    const { toCount } = await shop.act('bram', 'read-order', { number });
    expect(toCount.find((piece) => piece.number === metal)?.variant).toBe('bronze');
    const refused = await detailsOf(count(number, { [metal]: { foundVariant: 'cast iron' } }));
    expect(refused?.what).toContain('is the variant cast iron; bronze was ordered');
    const { listed } = present(toCount.find((piece) => piece.number === metal));
    await count(number, { [metal]: { counted: listed - 1, wrong: 1, what: 'cast iron', foundVariant: 'Bronze ' } });
    expect(sheetsOf(await loaded(tag), 'claim')[0]?.body.lines).toMatchObject([{ number: metal, what: 'cast iron' }]);
    await countAll(number);
    const receipts = (await loaded(tag)).receipts.filter(({ variant }) => variant !== '');
    expect(receipts.every(({ variant }) => variant === 'Bronze')).toBe(true);
    expect(await isSound(tag)).toBe(true);
  });
});

test('of two jobs the one whose record holds the picture claims what is wrong', async () => {
  const tags = [await atParts(), await atParts()];
  const [number = ''] = await placeAll();
  await answer();
  await shop.act('bram', 'take-order-parcel', { number });
  const { sentTo, toCount } = await shop.act('bram', 'read-order', { number });
  const shared = present(
    toCount.find((piece) => sentTo.filter((one) => one.number === piece.number && one.open === 1).length === 2),
  );
  const last = present(sentTo.findLast((one) => one.number === shared.number));
  const about = { tag: last.tag, about: `part:${last.partRef}`, partRef: last.partRef, caption: 'as it came' };
  const { photoId } = await shop.act('bram', 'take-picture', about);
  await count(number, { [shared.number]: { counted: 0, wrong: 1, what: 'dented', photoId } });
  for (const tag of tags) {
    const claimed = sheetsOf(await loaded(tag), 'claim').flatMap(({ body }) => body.lines);
    const dented = claimed.filter(({ what }) => what === 'dented');
    expect(dented).toHaveLength(tag === last.tag ? 1 : 0);
    expect(await isSound(tag)).toBe(true);
  }
  await countAll(number);
});

test('a letter about an order goes to its supplier and stands with what was said; one without an address is refused', async () => {
  const tag = await atParts();
  const [number = ''] = await placeAll();
  const letter = { number, words: 'Two rings came cut. Please send them again.' };
  const { suppliers } = await shop.act('bram', 'read-catalogue', {});
  const { id, version } = present(suppliers.find(({ name }) => name === usualSupplier.name));
  await shop.act('bram', 'save-supplier', { ...usualSupplier, email: '', id, basedOn: version });
  expect((await detailsOf(shop.act('bram', 'write-about-order', letter)))?.what).toContain('has no mail address');
  const email = 'orders@sillwater.example';
  await shop.act('bram', 'save-supplier', { ...usualSupplier, email, id, basedOn: version + 1 });
  expect(await shop.act('bram', 'write-about-order', letter)).toEqual({ to: email });
  await answer();
  const { mails } = await shop.act('sunniva', 'read-outbox', {});
  expect(mails.find(({ subject }) => subject.startsWith(`Our order ${number}`))).toMatchObject({
    ...{ to: email, body: letter.words },
  });
  expect((await orderOf(number)).history.at(0)?.words).toContain('Two rings came cut');
  await countAll(number);
  expect(await isSound(tag)).toBe(true);
});

test('a picture of a piece that no job waits for lies with its order; of a piece that is not on it none is taken', async () => {
  await atParts();
  const [number = ''] = await placeAll();
  await answer();
  const piece = present((await orderOf(number)).lines[0]?.pieces[0]).number;
  const png = await sharp({ create: { width: 640, height: 480, channels: 3, background: '#7a6a55' } })
    .png()
    .toBuffer();
  const add = (person: string, fields: object) =>
    actOrderPhoto(shop.contextOf(person), { number, piece, caption: 'cut by a knife', ...fields }, () =>
      Promise.resolve(png),
    );
  const { photoId } = await add('bram', {});
  const { photos, order } = await shop.act('bram', 'read-order', { number });
  expect(photos).toEqual([{ id: photoId, piece, caption: 'cut by a knife' }]);
  expect(order.history.at(-1)).toMatchObject({ by: 'bram', words: `Picture kept of ${piece}: cut by a knife` });
  const { bytes } = await shop.act('ines', 'read-photo', { photoId, size: 'full' });
  expect(await sharp(bytes).metadata()).toMatchObject({ format: 'jpeg', width: 640, height: 480 });
  expect((await detailsOf(add('bram', { piece: 'XX-1' })))?.what).toContain('XX-1');
  expect(await codeOf(add('marek', {}))).toBe('not-allowed');
  expect(await codeOf(add('bram', { number: 'O-9999' }))).toBe('not-found');
  // A customer has no way to it: it is no picture of their job.
  const actor = { kind: 'customer' as const, jobId: asId<JobId>('none'), quoteId: asId<QuoteId>('none'), linkId: 'l' };
  const asked = perform(readPhoto, shop.contextOf('x', { actor }), { photoId, size: 'full' });
  expect(await codeOf(asked)).toBe('not-found');
});

test('what is struck off before it left is needed again; what has left is not struck off', async () => {
  const tag = await atParts();
  const [number = ''] = await placeAll();
  await answer();
  const line = present((await orderOf(number)).lines[0]);
  const strike = { number, position: line.position, words: 'ordered twice by hand' };
  const { struck } = await shop.act('bram', 'cancel-order-line', strike);
  expect(struck).toBeGreaterThan(0);
  const { plan } = await planNow();
  const wanted = plan.orders.flatMap(({ shares }) => shares).filter((share) => share.tag === tag);
  expect(wanted.map((share) => share.number)).toContain(line.pieces[0]?.number);
  expect(await isSound(tag)).toBe(true);
  expect((await detailsOf(shop.act('bram', 'cancel-order-line', strike)))?.what).toContain('has left the supplier');
  await placeAll();
  await answer();
});

describe('the shelf', () => {
  const shelved = { elastomer: '', title: 'Ring', bin: 'A-4', minimum: 0, unitCostMinor: 250, reason: 'first count' };
  const onShelf = async (number: string) =>
    (await shop.act('bram', 'read-shelf', {})).items.find((item) => item.number === number);
  /** A need of a job that anybody may supply, as the shelf names it. */
  async function needOf(tag: string) {
    const { record, family } = await shop.act('bram', 'read-job', { tag });
    const need = present(needsOf(record, family).find(({ quantity }) => quantity === 1));
    const part = present(findPart(family, need.ref));
    return { need, item: { number: need.number, elastomer: elastomerOf(part, record.intake.elastomer) ?? '' } };
  }
  const fromShelf = (tag: string, partRef: string) => ({
    ...{ tag, partRef, basedOn: 0, donorId: null },
    source: { source: 'shelf', count: 1, from: 'bin A-4', dueOn: '', reason: 'lies there' },
  });
  test('gives one ring to one of two jobs; the plan proposes it, the count falls when it is laid ready, with its trace', async () => {
    const [one, other] = [await atParts(), await atParts()];
    const { need, item } = await needOf(one);
    await shop.act('bram', 'count-stock', { ...shelved, ...item, counted: 1, basedOn: 0 });
    const { plan } = await planNow();
    expect(plan.takes.map((take) => [take.item.number, take.count])).toEqual([[item.number, 1]]);
    await shop.act('bram', 'choose-source', fromShelf(one, need.ref));
    expect(await onShelf(item.number)).toMatchObject({ quantity: 1, reserved: 1 });
    const refused = await detailsOf(shop.act('bram', 'choose-source', fromShelf(other, need.ref)));
    expect(refused?.what).toContain('only 0 lie on the shelf');
    const here = { count: 1, number: item.number, elastomer: item.elastomer, lot: '', note: '' };
    await shop.act('bram', 'lay-ready', { tag: one, partRef: need.ref, basedOn: 1, here });
    expect(await onShelf(item.number)).toMatchObject({ quantity: 0, reserved: 0 });
    const { moves } = await shop.act('bram', 'read-shelf', item);
    expect(moves.map(({ kind, change, after, reference }) => [kind, change, after, reference])).toEqual([
      ['taken', -1, 0, one],
      ['counted', 1, 1, ''],
    ]);
    for (const tag of [one, other]) expect(await isSound(tag)).toBe(true);
  });
  test('of two who count one bin at once the second sees the first one’s figure', async () => {
    const item = { ...shelved, number: 'Z-1', counted: 4, basedOn: 0 };
    const codes = await Promise.all(
      [5, 6].map((counted) => codeOf(shop.act('bram', 'count-stock', { ...item, counted }))),
    );
    expect(codes.toSorted()).toEqual(['changed-meanwhile', 'done']);
  });
  test('what falls below its minimum is in the plan for the shelf, and comes in there', async () => {
    await shop.act('bram', 'count-stock', { ...shelved, number: 'Z-2', counted: 1, minimum: 3, basedOn: 0 });
    const { plan } = await planNow();
    const shares = plan.orders.flatMap((order) => order.shares).filter(({ number }) => number === 'Z-2');
    expect(shares.map(({ tag, quantity }) => [tag, quantity])).toEqual([['', 2]]);
    const numbers = await placeAll();
    await answer();
    for (const number of numbers) await countAll(number);
    expect(await onShelf('Z-2')).toMatchObject({ quantity: 3 });
  });
});

describe('the catalogue', () => {
  const file = (kind: 'suppliers' | 'offers' | 'numbers') => shop.act('bram', 'read-catalogue-file', { kind });
  const take = (kind: string, text: string) => shop.act('bram', 'import-catalogue', { kind, text });
  const offers =
    'supplier,code,kind,title,price,lead_days,least,valid_until,number,elastomer,quantity\n' +
    'Tarrowby Bearings,TB-1,kit,Pair of bearings,90.00,3,1,,Q-1,,2\n' +
    'Tarrowby Bearings,TB-1,kit,Pair of bearings,,,,,Q-2,,1\n';
  test('goes out as it came in, and in again without a change', async () => {
    expect(await take('offers', offers)).toEqual({ added: 1, changed: 0 });
    await take('numbers', 'number,title,elastomer,variant,interchange_group,superseded_by\nQ-0,Old,,,,Q-1\n');
    for (const kind of ['suppliers', 'offers', 'numbers'] as const) {
      const { text } = await file(kind);
      const { added } = await take(kind, text);
      expect([added, (await file(kind)).text]).toEqual([0, text]);
    }
    expect((await file('offers')).text).toBe(offers);
  });
  test('is read once for as long as it stands, and anew when a file was taken in; what was given up leaves nothing', async () => {
    const { database } = shop.runtime;
    const version = async () => present(await readShop(database)).catalogueVersion;
    const read = async () => listCatalogue({ database, connection: database }, await version());
    const price = async () => present((await read()).offers.find(({ code }) => code === 'TB-1')).priceMinor;
    const first = await read();
    expect(await read()).toBe(first);
    expect(await price()).toBe(9000);
    await take('offers', offers.replace('90.00', '95.50'));
    expect(await price()).toBe(9550);
    const stands = await version();
    await database
      .transaction(async (connection) => {
        const [one] = first.offers;
        await putOffers(connection, [{ ...present(one), priceMinor: 1 }]);
        const within = present(await readShop(connection)).catalogueVersion;
        expect(within).not.toBe(stands);
        const { offers: seen } = await listCatalogue({ database, connection }, within);
        expect(seen.find(({ code }) => code === one?.code)?.priceMinor).toBe(1);
        throw new Error('given up');
      })
      .catch(() => undefined);
    expect(await version()).toBe(stands);
    expect(await price()).toBe(9550);
    await take('offers', offers);
  });
  test.each([
    ['offers', offers.replace('90.00', '90,00'), /line 2, price “90|Invalid Record Length|line 2/],
    [
      'offers',
      offers.replace('Tarrowby Bearings,TB-1,kit,Pair', 'Nobody,TB-1,kit,Pair'),
      /line 2, supplier “Nobody”: is not in the catalogue/,
    ],
    [
      'offers',
      offers.replace('lead_days', 'days'),
      /line 1, days: is no column of offers.csv; line 1, lead_days: is missing/,
    ],
    ['numbers', 'number', /there is no line below the heads/],
    ['numbers', 'number,title\n"open', /Nothing was taken in. line \d/],
  ])('a fault in %s keeps the whole file out and is named by its line', async (kind, text, words) => {
    const before = (await file('offers')).text;
    expect((await detailsOf(take(kind, text)))?.what).toMatch(words);
    expect((await file('offers')).text).toBe(before);
  });
  test('a supplier’s name stands once; of two who change one at once the second sees the first one’s', async () => {
    const twin = { ...bearings, name: 'TARROWBY bearings', basedOn: 0 };
    expect((await detailsOf(shop.act('bram', 'save-supplier', twin)))?.what).toContain(
      'There is a supplier Tarrowby Bearings already',
    );
    const { suppliers } = await shop.act('bram', 'read-catalogue', {});
    const { id, version } = present(suppliers.find(({ name }) => name === bearings.name));
    const change = (contact: string) =>
      codeOf(shop.act('bram', 'save-supplier', { ...bearings, id, basedOn: version, contact }));
    expect((await Promise.all([change('Corwin'), change('Della')])).toSorted()).toEqual(['changed-meanwhile', 'done']);
  });
  test('one supplier is the usual one: naming another takes it from the first', async () => {
    const usualOf = async () =>
      (await shop.act('bram', 'read-catalogue', {})).suppliers.filter(({ isUsual }) => isUsual).map(({ name }) => name);
    const { suppliers } = await shop.act('bram', 'read-catalogue', {});
    const of = (name: string) => present(suppliers.find((one) => one.name === name));
    const { id, version } = of(bearings.name);
    await shop.act('bram', 'save-supplier', { ...bearings, isUsual: true, id, basedOn: version });
    expect(await usualOf()).toEqual([bearings.name]);
    const first = of(usualSupplier.name);
    await shop.act('bram', 'save-supplier', { ...usualSupplier, id: first.id, basedOn: first.version });
    expect(await usualOf()).toEqual([usualSupplier.name]);
  });
  test('where nobody is asked for what nobody offers, the part is named', async () => {
    const { suppliers } = await shop.act('bram', 'read-catalogue', {});
    const { id, version } = present(suppliers.find(({ name }) => name === usualSupplier.name));
    await shop.act('bram', 'save-supplier', { ...usualSupplier, isUsual: false, id, basedOn: version });
    const tag = await atParts();
    const refused = await detailsOf(shop.act('bram', 'order-parts', { tag }));
    expect(refused?.what).toMatch(/Nobody in the catalogue offers .+/);
    const again = { ...usualSupplier, id, basedOn: version + 1 };
    await shop.act('bram', 'save-supplier', again);
  });
});

test('every kind of row of the outbox is read again after a failure', async () => {
  const at = new Date('2020-01-01');
  const { database } = shop.runtime;
  const items = [
    { kind: 'mail-reminder' as const, number: 1, token: 't', origin: 'o' },
    { kind: 'mail-answer' as const, questionId: 'q' },
    { kind: 'place-order' as const, number: 'PO-99999' },
    { kind: 'mail-order' as const, number: 'PO-99999', to: 't@x.example', words: 'w' },
  ];
  for (const [i, item] of items.entries()) await addOutbox(database, { id: `row-${i}`, item, at });
  const due = await listDueOutbox(database, new Date('2020-01-02'), 50);
  expect(due.map(({ item }) => item)).toEqual(expect.arrayContaining(items));
});

test('more is asked for on an order: whole packs, for the shelf; what nobody knows or nobody takes on is refused', async () => {
  const tag = await atParts();
  const [number = ''] = await placeAll();
  const line = present((await orderOf(number)).lines[0]);
  const ask = { number, position: line.position, more: 2, words: 'the next one will need it' };
  await answer();
  expect((await detailsOf(shop.act('bram', 'raise-order-line', { ...ask, position: 99 })))?.what).toContain(number);
  expect(await codeOf(shop.act('bram', 'raise-order-line', { ...ask, more: 0 }))).toBe('bad-input');
  const before = await shop.act('bram', 'read-order', { number });
  expect(await shop.act('bram', 'raise-order-line', ask)).toMatchObject({ added: 2 });
  const after = await shop.act('bram', 'read-order', { number });
  const raised = present(after.order.lines[0]);
  expect(raised.quantity).toBe(line.quantity + 2);
  expect(raised.pieces[0]?.quantity).toBe((present(line.pieces[0]).quantity / line.quantity) * (line.quantity + 2));
  const price = line.saidPriceMinor ?? present(before.order.lines[0]).saidPriceMinor ?? line.priceMinor ?? 0;
  expect(after.goodsMinor - before.goodsMinor).toBe(2 * price);
  await countAll(number);
  expect((await detailsOf(shop.act('bram', 'raise-order-line', ask)))?.what).toContain('has no day');
  const { items } = await shop.act('bram', 'read-shelf', {});
  expect(items.find((item) => item.number === raised.pieces[0]?.number)?.quantity).toBeGreaterThanOrEqual(2);
  expect(await isSound(tag)).toBe(true);
});
