import type { JobId } from '@/core/record';
import { present } from '@/core/present';
import { openTestShop, testReceiving, type TestShop } from '../../test-support/open-test-shop';
import { findOnLists, putClosedOnLists, putOnLists } from './word-lists';
import { multiplyJobs, packClosed, searchJobs } from '.';

let shop: TestShop;
const ids: JobId[] = [];
beforeAll(async () => {
  shop = await openTestShop('word_lists');
  for (let i = 0; i < 12; i++) await shop.act('wenna', 'receive-pump', testReceiving(`W-${i}`));
  ids.push(...(await query<{ id: JobId }>('select id from jobs order by opened_at')).map(({ id }) => id));
  // The jobs lie in two blocks of 1024.
  await query('alter table listed_jobs auto_increment = 1019');
});
afterAll(() => shop.close());

const database = () => shop.runtime.database;
async function query<Row>(text: string, values: readonly unknown[] = []): Promise<readonly Row[]> {
  const [rows] = await shop.runtime.pool.promise().query(text, [...values]);
  return rows as unknown as readonly Row[];
}
const says = (i: number, text: string) => query('update jobs set search_text = ? where id = ?', [text, ids[i]]);
const put = (...jobs: readonly (readonly [number, string])[]) =>
  database().transaction((within) =>
    putOnLists(
      within,
      jobs.map(([i, searchText]) => ({ id: present(ids[i]), searchText })),
    ),
  );
/** Places in `ids` of the jobs that are found. */
const find = async (words: readonly string[], wanted = 50) =>
  (await findOnLists(database(), words, wanted)).map((id) => ids.indexOf(id));

test('a job is found by words that begin as those that are asked for, all of them, the last listed first', async () => {
  const texts = [
    'Kelp Gewächshaus',
    'KELP gewachs',
    'kelp pond',
    'kelp 11 gewächs',
    'kel-pie',
    'O’Kelp 4711/2',
    'kelp pond',
  ];
  for (const [i, text] of texts.entries()) await says(i, text);
  await put(...texts.map((text, i) => [i, text] as const));
  expect(await find(['kelp'])).toEqual([6, 5, 3, 2, 1, 0]);
  expect(await find(['kel'])).toEqual([6, 5, 4, 3, 2, 1, 0]);
  expect(await find(['gewachs', 'kelp'])).toEqual([3, 1, 0]);
  expect(await find(['kelp', 'pond'])).toEqual([6, 2]);
  expect(await find(['471', 'kelp'])).toEqual([5]);
  // Of two letters too many words begin.
  expect(await find(['ke'])).toEqual([]);
  expect(await find(['kelp', '11'])).toEqual([3]);
  // No part of a word, no sign for others, nothing of nothing.
  expect(await find(['elp'])).toEqual([]);
  expect(await find(['ke%'])).toEqual([]);
  expect(await find(['kelp', 'gewachs', 'pond'])).toEqual([]);
  expect(await find([])).toEqual([]);
  const numbers = await query<{ number: number }>('select number from listed_jobs order by number');
  expect(numbers.map(({ number }) => number)).toEqual(texts.map((_, i) => 1019 + i));
});

test('what jobs said before they were changed finds nothing, and hides nothing that is found', async () => {
  for (const i of [0, 1, 2, 4, 5, 6]) await says(i, 'moss');
  await says(3, 'pond kelp');
  await put(...[0, 1, 2, 4, 5, 6].map((i) => [i, 'moss'] as const), [3, 'pond kelp']);
  // Six others on the list of the word say something else now, three of them before it.
  expect(await find(['kelp'], 1)).toEqual([3]);
  expect(await find(['moss', 'kelp'])).toEqual([]);
  expect(await find(['moss'])).toEqual([6, 5, 4, 2, 1, 0]);
  // Who is put on a list again stands there once.
  await put([6, 'moss'], [5, 'moss']);
  const lists = await query<{ n: number }>("select sum(length(places)) as n from word_lists where word = 'moss'");
  expect(Number(lists[0]?.n)).toBe(2 * 6);
});

test('drawn texts are found by drawn words as when every text is read', async () => {
  const drawn = ['reed', 'reeds', 'rush', 'iris', 'sedge', 'sed', 'lily'];
  const wordOf = (i: number, k: number) => present(drawn[(i * 7 + k * k * 3 + i * k) % drawn.length]);
  const texts = ids.map((_, i) => [0, 1, 2].map((k) => wordOf(i, k)).join(' '));
  for (const [i, text] of texts.entries()) await says(i, text);
  await put(...texts.map((text, i) => [i, text] as const));
  for (const one of drawn)
    for (const other of ['ree', ...drawn]) {
      const holds = (text: string) => [one, other].every((word) => text.split(' ').some((own) => own.startsWith(word)));
      const read = texts.flatMap((text, i) => (holds(text) ? [i] : []));
      expect((await find([one, other])).toSorted((a, b) => a - b)).toEqual(read);
    }
});

test('a closed job of long ago is found before its events are packed, and after; its words stand on lists then', async () => {
  const [old, pattern] = [present(ids[11]), present(ids[10])];
  await query('delete from listed_jobs');
  await query("update jobs set closed_at = '2019-02-01', opened_at = '2019-01-01' where id = ?", [old]);
  await says(11, 'Yarrow burdock');
  // More copies are closed after it than are looked through.
  await query('update jobs set closed_at = utc_timestamp(), opened_at = utc_timestamp() where id = ?', [pattern]);
  await query("update jobs set search_text = concat(tag, ' Yarrow only') where id = ?", [pattern]);
  await query('update jobs set tag = concat(tag, ?) where id = ?', ['00000', old]);
  await query('delete from events where job_id = ?', [pattern]);
  await multiplyJobs(database(), { times: 1600, from: 5, closed: true });
  const found = async (text: string) =>
    (await searchJobs(database(), { tag: null, text, limit: 20 })).map(({ id }) => ids.indexOf(id));
  expect(await found('urdoc')).toEqual([11]);
  expect(await packClosed(database(), new Date(), 10)).toBe(1);
  expect(await found('yarrow burdock')).toEqual([11]);
  expect(await found('burdock nettle')).toEqual([]);
  // The copies came without lists, as from before there were any.
  expect(await putClosedOnLists(database())).toBe(1601);
  expect(await putClosedOnLists(database())).toBe(0);
  expect(await find(['yarrow'], 2000)).toHaveLength(1602);
  expect(await find(['burdock'])).toEqual([11]);
  expect(await found('yarrow')).toHaveLength(20);
}, 60_000);
