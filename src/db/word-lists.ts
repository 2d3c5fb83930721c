import { and, inArray, sql } from 'drizzle-orm';
import { present } from '@/core/present';
import type { JobId } from '@/core/record';
import { rowsOf, type Connection, type Database } from './client';
import { wordsIn } from './compared-text';
import { likeText } from './like-text';
import * as t from './schema';

// Closed jobs of any age are found by lists: for each word, and each block of jobs, which of the block hold it. Words that
// are frequent each by themselves and never meet took an index of whole texts 55 ms among 100 000. Lists say no more than
// where to look: a job whose words have changed is on those of its former words, too, and one that is gone on all of its own.

/** Jobs whose places are in one row: a frequent word takes two bytes for each that holds it. */
const blockSize = 1024;
/** Of a word so many signs are written. */
const longestWord = 60;
/** Rows in one statement. */
const rowsAtOnce = 500;
/** Jobs that are put on lists in one transaction. */
const jobsAtOnce = 1024;

interface Job {
  readonly id: JobId;
  readonly searchText: string;
}

/** Places of jobs in a block that hold a word. */
interface Listed {
  readonly word: string;
  readonly block: number;
  readonly places: number[];
}

/** The same as it is written. */
interface ListRow {
  readonly i: number;
  readonly block: number;
  readonly places: Buffer;
}

const listWord = (word: string) => word.slice(0, longestWord);

function placesIn(list: Pick<ListRow, 'places'>): readonly number[] {
  return Array.from({ length: list.places.length / 2 }, (_, i) => list.places.readUInt16BE(2 * i));
}

function writePlaces(places: readonly number[]): Buffer {
  const bytes = Buffer.alloc(2 * places.length);
  for (const [i, place] of places.entries()) bytes.writeUInt16BE(place, 2 * i);
  return bytes;
}

async function readNumbers(connection: Connection, ids: readonly JobId[]): Promise<ReadonlyMap<JobId, number>> {
  const rows = await connection
    .select()
    .from(t.listedJobs)
    .where(inArray(t.listedJobs.jobId, [...ids]));
  return new Map(rows.map(({ jobId, number }) => [jobId, number]));
}

/** On which lists jobs belong, each with their places, in one order, whoever writes them. */
function listsOf(jobs: readonly Job[], numbers: ReadonlyMap<JobId, number>): readonly Listed[] {
  const lists = new Map<string, Listed>();
  for (const { id, searchText } of jobs) {
    const number = present(numbers.get(id));
    const [block, place] = [Math.floor(number / blockSize), number % blockSize];
    for (const word of new Set(wordsIn(searchText).map(listWord))) {
      const key = `${block} ${word}`;
      const list = lists.get(key);
      if (list) list.places.push(place);
      else lists.set(key, { word, block, places: [place] });
    }
  }
  return [...lists.keys()].toSorted().map((key) => present(lists.get(key)));
}

/** The same without what is written already. */
async function withoutWritten(connection: Connection, lists: readonly Listed[]): Promise<readonly Listed[]> {
  const [words, blocks] = [lists.map(({ word }) => word), [...new Set(lists.map(({ block }) => block))]];
  const rows = await connection
    .select()
    .from(t.wordLists)
    .where(and(inArray(t.wordLists.block, blocks), inArray(t.wordLists.word, words)));
  const written = new Map(rows.map((row) => [`${row.block} ${row.word}`, new Set(placesIn(row))]));
  return lists.flatMap(({ word, block, places }) => {
    const there = written.get(`${block} ${word}`);
    const lacking = there ? places.filter((place) => !there.has(place)) : places;
    return lacking.length ? [{ word, block, places: lacking }] : [];
  });
}

/** Puts jobs on the lists of their words; one that is on some already only on the others. Within a transaction. */
export async function putOnLists(connection: Connection, jobs: readonly Job[]): Promise<void> {
  if (!jobs.length) return;
  const ids = jobs.map(({ id }) => id);
  const before = await readNumbers(connection, ids);
  const lacking = ids.filter((id) => !before.has(id));
  if (lacking.length) await connection.insert(t.listedJobs).values(lacking.map((jobId) => ({ jobId })));
  const lists = listsOf(jobs, lacking.length ? await readNumbers(connection, ids) : before);
  const rows = before.size ? await withoutWritten(connection, lists) : lists;
  for (let i = 0; i < rows.length; i += rowsAtOnce)
    await connection
      .insert(t.wordLists)
      .values(rows.slice(i, i + rowsAtOnce).map((row) => ({ ...row, places: writePlaces(row.places) })))
      .onDuplicateKeyUpdate({ set: { places: sql`concat(places, values(places))` } });
}

/**
 * Puts closed jobs that are on no list on theirs, in the order in which they were closed: after a version that had none,
 * and after a backup or an archive is brought back.
 * @returns how many there were
 */
export async function putClosedOnLists(database: Database): Promise<number> {
  let [count, after] = [0, '1000-01-01'];
  for (;;) {
    const rows = await rowsOf<Job & { readonly closedAt: string }>(
      database,
      sql`select jobs.id as id, search_text as searchText, cast(closed_at as char) as closedAt
          from jobs left join listed_jobs on listed_jobs.job_id = jobs.id
          where closed_at is not null and closed_at >= ${after} and listed_jobs.number is null
          order by closed_at limit ${jobsAtOnce}`,
    );
    await database.transaction((connection) => putOnLists(connection, rows));
    count += rows.length;
    if (rows.length < jobsAtOnce) return count;
    after = rows.at(-1)?.closedAt ?? after;
  }
}

/** Fewer letters than these are a word by themselves: too many begin so. */
const leastBeginning = 3;

/** The lists of every word that begins as one of some does, by the place of that one. */
async function readLists(connection: Connection, words: readonly string[]) {
  const asked = (word: string) => `${likeText(listWord(word))}${word.length < leastBeginning ? '' : '%'}`;
  const each = words.map(
    (word, i) => sql`select ${i} as i, block, places from word_lists where word like ${asked(word)}`,
  );
  return rowsOf<ListRow>(connection, sql.join(each, sql` union all `));
}

/**
 * The numbers of jobs that are on a list of each word, the one that was listed last first. Plain loops: a list made of each
 * list took thirty times as long.
 */
async function numbersByWords(connection: Connection, words: readonly string[]): Promise<readonly number[]> {
  const lists = await readLists(connection, words);
  // For each job of a block how many of the words, from the first on, it holds.
  const held = new Map<number, Uint8Array>();
  for (const i of words.keys())
    for (const { block, places } of lists.filter((list) => list.i === i)) {
      const ofBlock = held.get(block) ?? new Uint8Array(blockSize);
      if (i === 0) held.set(block, ofBlock);
      for (let at = 0; at < places.length; at += 2) {
        const place = places.readUInt16BE(at);
        if (ofBlock[place] === i) ofBlock[place] = i + 1;
      }
    }
  const numbers: number[] = [];
  for (const [block, ofBlock] of held)
    for (let place = 0; place < blockSize; place++)
      if (ofBlock[place] === words.length) numbers.push(block * blockSize + place);
  return numbers.toSorted((one, other) => other - one);
}

/**
 * Closed jobs that hold every one of some words, or one that begins so; of two letters the word itself.
 * @param words as `wordsIn` gives them
 * @returns about as many as are wanted where there are so many, those that were listed last first
 */
export async function findOnLists(
  connection: Connection,
  words: readonly string[],
  wanted: number,
): Promise<readonly JobId[]> {
  if (!words.length) return [];
  const numbers = await numbersByWords(connection, words);
  const found: JobId[] = [];
  for (let i = 0; i < numbers.length && found.length < wanted; i += 2 * wanted) {
    const some = numbers.slice(i, i + 2 * wanted);
    const rows = await rowsOf<Job & { readonly number: number }>(
      connection,
      sql`select jobs.id as id, search_text as searchText from listed_jobs inner join jobs on jobs.id = listed_jobs.job_id
          where listed_jobs.number in (${sql.join(
            some.map((number) => sql`${number}`),
            sql`, `,
          )}) order by listed_jobs.number desc`,
    );
    const holds = ({ searchText }: Job) => {
      const own = wordsIn(searchText);
      return words.every((word) => own.some((one) => one.startsWith(word)));
    };
    found.push(...rows.filter(holds).map(({ id }) => id));
  }
  return found;
}
