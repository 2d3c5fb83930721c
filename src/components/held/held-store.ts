import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { JobView } from '../job/view';

/** A job's page as it is held: what is not of the person who looks. */
export type HeldView = Omit<JobView, 'audiences' | 'person' | 'conversion'>;

export interface HeldJob {
  readonly tag: string;
  readonly view: HeldView;
  /** When it stood so, ISO. */
  readonly at: string;
  /** When it was opened here last; null for one that is held because it stands at the bench. */
  readonly openedAt: string | null;
}

/** What is known of a job that is held without reading it: a record and its family are some hundred kilobytes. */
export interface HeldMark extends Pick<HeldJob, 'tag' | 'at' | 'openedAt'> {
  readonly version: number;
  /** Which family it is worked by: another one wherever the record is to be fetched with another. */
  readonly workedBy: string;
  /** When it was fetched whole last, ISO; what changed since was put into it. */
  readonly wholeAt: string;
}

/** One line of the jobs of this bench. */
export interface BenchJob {
  readonly tag: string;
  readonly version: number;
  readonly pump: string;
  readonly customer: string;
  readonly station: JobView['record']['station'];
  readonly move: string;
  readonly detail: string;
  readonly onHold: boolean;
  readonly promisedOn: string;
  /** When its work begins by the plan for whoever is at the screen, as YYYY-MM-DDTHH:MM; null where it is others'. */
  readonly mineFrom: string | null;
}

/** What the shop says of this bench. */
export interface Bench {
  readonly person: JobView['person'];
  readonly audiences: JobView['audiences'];
  readonly zone: string;
  readonly today: string;
  readonly jobs: readonly BenchJob[];
}

/** The bench as it is held. */
export interface HeldBench extends Bench {
  /** When it stood so, ISO. */
  readonly at: string;
}

/** A picture that waits for the line, by the key of its entry. */
export interface WaitingPicture {
  readonly key: string;
  readonly file: Blob;
}

interface Schema extends DBSchema {
  marks: { key: string; value: HeldMark };
  views: { key: string; value: Omit<HeldView, 'family'> };
  families: { key: string; value: HeldView['family'] };
  bench: { key: 'bench'; value: HeldBench };
  pictures: { key: string; value: WaitingPicture };
}
/** What a job that is held lies in, each by its tag. */
const ofJobs = ['marks', 'views', 'families'] as const;

let opened: Promise<IDBPDatabase<Schema>> | undefined;

/** The store of this device; throws where the browser keeps none. What an older version held is fetched anew. */
async function store(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>('puddlestone', 2, {
    upgrade(database, before) {
      for (const name of ofJobs) database.createObjectStore(name);
      if (before === 1) return database.deleteObjectStore('jobs' as 'marks');
      database.createObjectStore('bench');
      database.createObjectStore('pictures', { keyPath: 'key' });
    },
    // Another page of this device has a newer version: it gets its way.
    blocking: (_before, _wanted, event) => {
      opened = undefined;
      (event.target as IDBDatabase).close();
    },
    terminated: () => void (opened = undefined),
  });
  return opened;
}

export async function readHeldJob(tag: string): Promise<HeldJob | null> {
  const within = (await store()).transaction([...ofJobs]);
  const [mark, view, family] = await Promise.all([
    within.objectStore('marks').get(tag),
    within.objectStore('views').get(tag),
    within.objectStore('families').get(tag),
  ]);
  if (!mark || !view || !family) return null;
  return { tag, at: mark.at, openedAt: mark.openedAt, view: { ...view, family } };
}

export const listMarks = async (): Promise<readonly HeldMark[]> => (await store()).getAll('marks');

export const readMark = async (tag: string): Promise<HeldMark | null> =>
  (await (await store()).get('marks', tag)) ?? null;

/** Holds a job as it was fetched whole. */
export async function holdJob(job: HeldJob & Pick<HeldMark, 'workedBy'>): Promise<void> {
  const { tag, at, openedAt, workedBy } = job;
  const { family, ...view } = job.view;
  const within = (await store()).transaction([...ofJobs], 'readwrite');
  const mark = { tag, at, openedAt, workedBy, version: view.record.version, wholeAt: at };
  await Promise.all([
    within.objectStore('marks').put(mark, tag),
    within.objectStore('views').put(view, tag),
    within.objectStore('families').put(family, tag),
    within.done,
  ]);
}

/** Holds what became of a job that is held; its family stays. */
export async function holdChanged(mark: HeldMark, view: Omit<HeldView, 'family'>): Promise<void> {
  const within = (await store()).transaction(['marks', 'views'], 'readwrite');
  await Promise.all([
    within.objectStore('marks').put({ ...mark, version: view.record.version }, mark.tag),
    within.objectStore('views').put(view, mark.tag),
    within.done,
  ]);
}

export async function dropHeldJob(tag: string): Promise<void> {
  const within = (await store()).transaction([...ofJobs], 'readwrite');
  await Promise.all([...ofJobs.map((name) => within.objectStore(name).delete(tag)), within.done]);
}

export const readHeldBench = async (): Promise<HeldBench | null> =>
  (await (await store()).get('bench', 'bench')) ?? null;

export async function holdBench(bench: HeldBench): Promise<void> {
  await (await store()).put('bench', bench, 'bench');
}

/** Lets everything go that is the shop's; what waits to be sent stays. */
export async function dropAllHeld(): Promise<void> {
  const names = [...ofJobs, 'bench'] as const;
  const within = (await store()).transaction([...names], 'readwrite');
  await Promise.all([...names.map((name) => within.objectStore(name).clear()), within.done]);
}

export async function keepPicture(picture: WaitingPicture): Promise<void> {
  await (await store()).put('pictures', picture);
}

export const readPicture = async (key: string): Promise<WaitingPicture | null> =>
  (await (await store()).get('pictures', key)) ?? null;

export async function dropPicture(key: string): Promise<void> {
  await (await store()).delete('pictures', key);
}
