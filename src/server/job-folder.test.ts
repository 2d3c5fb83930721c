import JSZip from 'jszip';
import { present } from '@/core/present';
import { importJobFolder, verifyOne } from '.';
import { openTestShop, type TestShop } from '../../test-support/open-test-shop';
import { detailsOf } from '../../test-support/told';
import { listWorked, readShop } from '@/db';

/** One job as a folder, written by one shop and taken in by another. */
let from: TestShop;
let to: TestShop;
let tag: string;
let zipped: Buffer;
beforeAll(async () => {
  from = await openTestShop('folder_from');
  to = await openTestShop('folder_to');
  // So that its tag is not free there.
  await to.play({ at: 'teardown' });
  tag = await from.play({ at: 'return' });
  const { personId } = from.signerOf('ines');
  const worked = { tag, station: 'rebuild', personId, day: '2026-11-25', minutes: 90, reason: 'with the crane' };
  await from.act('wenna', 'add-worked', worked);
  zipped = (await from.act('wenna', 'read-job-folder', { tag })).bytes;
});
afterAll(async () => {
  await from.close();
  await to.close();
});

const takeIn = (bytes: Buffer) => importJobFolder(to.contextOf('sunniva'), bytes);
const why = async (bytes: Buffer) => (await detailsOf(takeIn(bytes)))?.what ?? '';

/** The folder with its job.json, or another file of it, changed. */
async function changed(change: (zip: JSZip, text: string) => void): Promise<Buffer> {
  const zip = await JSZip.loadAsync(zipped);
  change(zip, await present(zip.file('job.json')).async('string'));
  return zip.generateAsync({ type: 'nodebuffer' });
}

test('the folder holds the record, its pictures and its papers', async () => {
  const zip = await JSZip.loadAsync(zipped);
  const names = Object.keys(zip.files);
  const record = present(await from.load(tag));
  expect(names).toContain('job.json');
  expect(names.filter((name) => name.endsWith('-small.jpg'))).toHaveLength(record.photos.length);
  expect(names.filter((name) => name.startsWith('papers/') && name.includes('quote')).length).toBeGreaterThan(0);
});

test('what was changed in it, or is missing from it, is refused by name, and nothing is written', async () => {
  const before = await to.load('P-0001');
  expect(await why(Buffer.from('no zip'))).toContain('no zip');
  expect(await why(await changed((zip) => zip.remove('job.json')))).toContain('no job.json');
  expect(await why(await changed((zip) => zip.file('job.json', '{')))).toContain('no JSON');
  expect(
    await why(await changed((zip, text) => zip.file('job.json', text.replace('"version": 1', '"version": 9')))),
  ).toContain('version');
  const other = (text: string) => text.replace(/"personName": "[^"]+"/, '"personName": "Somebody else"');
  expect(await why(await changed((zip, text) => zip.file('job.json', other(text))))).toContain(
    'chain is broken at event',
  );
  const record = present(await from.load(tag));
  const photo = present(record.photos[0]);
  expect(await why(await changed((zip) => zip.file(`photos/${photo.id}.jpg`, 'x')))).toContain('not the picture');
  expect(await why(await changed((zip) => zip.remove(`photos/${photo.id}.jpg`)))).toContain('missing');
  expect(await to.load('P-0001')).toEqual(before);
});

test('another shop takes it in whole: the same record under its own names, its chain going on', async () => {
  const theirs = present(await from.load(tag));
  const here = await takeIn(zipped);
  const ours = present(await to.load(here));
  expect(here).not.toBe(tag);
  expect(await verifyOne(to.runtime.database, here)).toBeNull();
  const {
    tag: _t,
    version,
    headHash: _h,
    customer,
    contact,
    pump,
    earlierVisits: _e,
    lotTerms: _l,
    lotMates: _m,
    likePumps: _k,
    ...rest
  } = ours;
  const {
    tag: _t2,
    version: _v,
    headHash: _h2,
    customer: c,
    contact: k,
    pump: p,
    earlierVisits: _e2,
    lotTerms: _l2,
    lotMates: _m2,
    likePumps: _k2,
    ...same
  } = theirs;
  expect(rest).toEqual(same);
  expect(version).toBe(theirs.version + 1);
  expect([customer.name, contact?.email, pump.serial]).toEqual([c.name, k?.email, p.serial]);
  // The first pump of that shop has the same owner: there is one of the name.
  expect(customer.id).not.toBe(c.id);
  const worked = await listWorked(to.runtime.database, here);
  expect(worked.map(({ seconds, personName }) => [seconds, personName])).toEqual([[5400, 'ines']]);
  const events = await to.act('wenna', 'read-events', { tag: here });
  expect(events.events.at(-1)?.deed).toContain('took the job in from another shop');
  expect(await why(zipped)).toContain(`here already, as ${here}`);
});

test('it goes on there, and its report is the same paper', async () => {
  const here = present(
    (await to.act('wenna', 'find-jobs', { text: present(await from.load(tag)).pump.serial })).strips[0],
  ).tag;
  const report = present(present(await to.load(here)).reports[0]);
  const { number, revision } = report;
  const paper = (shop: TestShop) => shop.act('wenna', 'read-report', { number, revision, as: 'json' });
  expect((await paper(to)).bytes.equals((await paper(from)).bytes)).toBe(true);
  await to.act('wenna', 'move-promise', {
    ...{
      tag: here,
      from: present(await to.load(here)).promisedOn,
      to: '2027-03-01',
      reason: 'it changed shops',
      tell: false,
    },
  });
  expect(await verifyOne(to.runtime.database, here)).toBeNull();
  expect((await readShop(to.runtime.database))?.name).toBe('Kettlewick Pump Works');
});
