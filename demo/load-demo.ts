import { present } from '@/core/present';
import { proposeSize, type Family } from '@/core/family';
import type { Actor } from '@/core/access';
import {
  addCalibration,
  addInstrument,
  addPerson,
  countPeople,
  createShop,
  listEvents,
  listInstruments,
  readShop,
} from '@/db';
import { hashSecret } from '@/server/people/passwords';
import { standardSettings } from '@/server/people/create-owner';
import { act as actAs, type Runtime } from '@/server';
import type { PersonId } from '@/core/record';
import { buildFor, findFamily, shippedFamilies } from '@/server/families';
import { loadHistory, type PlayedKind } from './history/load-history';
import { loadCatalogue } from './catalogue';
import { demoJobs, type DemoJob } from './jobs';
import { demoPassword, demoPeople, type DemoPerson } from './people';
import { loadRecord, playJob, type Act, type WornBefore } from './play-job';
import { afterWork, lastWork, workMinutes } from './shop-hours';

const dayMs = 86_400_000;
/** The number of the first tag of the jobs that are played; the years before count down from it. */
const firstTag = 398;

async function loadShop(runtime: Runtime): Promise<Map<DemoPerson['key'], Actor>> {
  const { database } = runtime;
  const context = runtime.contextFor({ kind: 'nobody' });
  if (!(await readShop(database)))
    await createShop(database, {
      name: 'Kettlewick Pump Works',
      place: 'Harrowmere',
      zone: 'Europe/Vienna',
      currency: 'EUR',
      settings: { ...standardSettings, wageMinorPerHour: 3900, telephone: 'Harrowmere 214' },
      firstTag,
    });
  const actors = new Map<DemoPerson['key'], Actor>();
  const passwordHash = await hashSecret(demoPassword);
  for (const { key, name, email, role, pin } of demoPeople) {
    const id = context.newId<PersonId>();
    await addPerson(database, {
      id,
      name,
      email,
      role,
      passwordHash,
      pinHash: await hashSecret(pin),
      createdAt: context.now(),
    });
    actors.set(key, { kind: 'person', personId: id, name, role });
  }
  const inDays = (days: number) => new Date(Date.now() + days * dayMs).toISOString().slice(0, 10);
  const gauges = [
    ['M-07', 'outside micrometer', 'mm', 0.0015, 0, 150, 41],
    ['M-12', 'outside micrometer', 'mm', 0.003, 150, 300, 41],
    ['B-02', 'bore gauge', 'mm', 0.002, 10, 250, 73],
    ['D-11', 'dial indicator', 'mm', 0.003, 0, 10, 120],
    ['C-04', 'vernier caliper', 'mm', 0.02, 0, 300, 15],
    ['T-03', 'depth gauge', 'mm', 0.02, 0, 300, 200],
    ['F-01', 'feeler gauge', 'mm', 0.005, 0, 2, 310],
    ['N-05', 'spring balance', 'N', 1, 2, 200, 96],
    ['G-08', 'pressure gauge', 'bar', 0.1, 0, 25, 58],
    ['W-02', 'torque wrench', 'N·m', 1, 10, 100, 133],
    ['W-06', 'torque wrench', 'N·m', 4, 60, 400, 133],
    ['W-01', 'torque wrench', 'N·m', 0.2, 1, 12, 133],
    ['W-09', 'torque wrench', 'N·m', 0.2, 1, 12, -6],
    ['W-11', 'torque wrench', 'N·m', 15, 300, 1500, 133],
    ['R-01', 'insulation tester', 'MΩ', 0.5, 0, 2000, 240],
    ['H-01', 'thermometer', '°C', 1, -20, 250, 87],
    ['L-01', 'hoist', 'kg', null, 0, 500, 19],
    ['S-01', 'test stand', 'mm', null, null, null, 151],
  ] as const;
  for (const [code, kind, unit, uncertainty, rangeLow, rangeHigh, due] of gauges) {
    const tool = { code, kind, unit, uncertainty, rangeLow, rangeHigh, dueOn: inDays(due) };
    await addInstrument(database, { id: context.newId(), ...tool });
  }
  await loadCalibrations(database, gauges, context);
  return actors;
}

/** Each gauge was found good a year before it is due, and a year before that. */
async function loadCalibrations(
  database: Runtime['database'],
  gauges: readonly (readonly [
    code: string,
    kind: string,
    unit: string,
    uncertainty: number | null,
    ...rest: unknown[],
    due: number,
  ])[],
  { newId }: { readonly newId: () => string },
): Promise<void> {
  for (const [i, [code, , , uncertainty, ...rest]] of gauges.entries())
    for (const years of [1, 2]) {
      const at = new Date(Date.now() + (Number(rest.at(-1)) - 365 * years) * dayMs);
      const nextDueOn = new Date(at.getTime() + 365 * dayMs).toISOString().slice(0, 10);
      const error = uncertainty === null ? null : String(uncertainty / 2);
      const found = { code, error, nextDueOn, isWithin: true, certificate: `K-${2200 - 40 * years + i}`, note: '' };
      const onDay = at.toISOString().slice(0, 10);
      await addCalibration(database, { ...found, id: newId(), onDay, personName: 'Tarnbeck Laboratory', at });
    }
}

const contacts: Readonly<Record<string, { name: string; email: string; phone: string }>> = {
  'Larkspur Trout Hatchery': { name: 'Petra Ambleside', email: 'petra@larkspur.example', phone: '0100 210' },
  'Harrowmere Ice Rink': { name: 'Tobin Frostwick', email: 'tobin@rink.example', phone: '0100 340' },
  'Vantry Board Mill': { name: 'Greta Solvanger', email: 'greta@vantrymill.example', phone: '0100 417' },
  'Upper Sill District Heating': { name: 'Jory Pentreath', email: 'jory@uppersill.example', phone: '0100 502' },
  'Crakeside Snow Plant': { name: 'Linnea Birkholt', email: 'linnea@crakeside.example', phone: '0100 618' },
  'Tarnhollow Slate Quarry': { name: 'Emrys Caddon', email: 'emrys@tarnhollow.example', phone: '0100 733' },
  'Harrowmere Botanical Garden': { name: 'Fern Okonjo', email: 'fern@garden.example', phone: '0100 851' },
  'Harrowmere Paddle Ferry': { name: 'Silas Rudderham', email: 'silas@ferry.example', phone: '0100 964' },
};

/** Hours that a play passes, all in all, until a job stands at its station. */
const hoursUntil: Readonly<Record<DemoJob['at'], number>> = {
  receive: 1,
  teardown: 24,
  clean: 26,
  inspect: 28,
  quote: 31,
  approve: 51,
  parts: 53,
  rebuild: 175,
  test: 183,
  report: 187,
  return: 190,
  closed: 200,
};

/**
 * Working minutes that go by for each hour of a play, so that the last thing done to a job lies a day or so back: what
 * waits for answers and parcels is no work, and a play's hours count day and night.
 */
function paceOf({ cameIn, at, part }: DemoJob, { teardown, rebuild }: Family, from: number): number {
  if (cameIn > 100) return 22;
  const isShort = part === 'short' || part === 'declined';
  const isRebuilt = !isShort && hoursUntil[at] >= hoursUntil.rebuild;
  const steps = isRebuilt ? [...teardown, ...rebuild] : teardown;
  const actions = steps.flatMap((step) => step.actions);
  // An answer takes a minute, a step half an hour, points that are measured within one three hours.
  const measured = actions.filter(({ answer }) => answer?.kind === 'measure').length;
  const hours = (isShort ? 53 : hoursUntil[at]) + steps.length * 0.5 + measured * 3;
  const calls = at === 'receive' ? 10 : 60 + actions.length * 1.2;
  return Math.max(3, (workMinutes(from, Date.now()) - calls - 200) / hours);
}

const pinOf = (key: DemoPerson['key']) => present(demoPeople.find((person) => person.key === key)).pin;
function personIdOf(actor: Actor) {
  if (actor.kind !== 'person') throw new RangeError('Only a person signs.');
  return actor.personId;
}

/** Takes one pump in; what it gives back plays the job on. */
async function receiveJob(
  runtime: Runtime,
  actors: Map<DemoPerson['key'], Actor>,
  job: DemoJob,
  index: number,
): Promise<{ tag: string; play: (wornBefore: WornBefore) => Promise<WornBefore> }> {
  const latest = lastWork(Date.now());
  let clock = Math.min(latest - 3600_000, afterWork(Date.now() - job.cameIn * dayMs - 3600_000, (index * 7) % 90));
  clock = lastWork(clock);
  const now = () => new Date(Math.min(latest, (clock = afterWork(clock, 1))));
  const act: Act = (person, verb, input) =>
    actAs(verb, runtime.contextFor(present(actors.get(person)), { now }), input);
  const inDays = (days: number) => new Date(Date.now() + days * dayMs).toISOString().slice(0, 10);
  const intake = {
    equipmentNumber: job.equipment,
    duty: job.duty,
    liquid: job.liquid,
    liquidTemperatureC: job.pumpedAt?.temperatureC ?? null,
    viscosityMm2S: job.pumpedAt?.viscosityMm2S ?? null,
    cleaning: job.liquid ? (index % 2 ? ('declaration' as const) : ('sheet' as const)) : ('none' as const),
    cleaningReference: job.liquid ? `CD-${2200 + index}` : '',
    whyOut: job.whyOut,
    runningHours: job.hours,
    cameWith: ['coupling half', 'guard', index % 3 ? 'seal flush line' : 'key'],
    shims: [
      { foot: 'front left', thicknesses: '0.5 + 0.1 mm' },
      { foot: 'rear right', thicknesses: '0.2 mm' },
    ],
    hazards: !job.liquid
      ? ''
      : job.liquid.includes('brine') || job.liquid.includes('glycol')
        ? 'irritates skin and eyes'
        : 'none known',
    shippingDamage: index % 5 === 2 ? 'pallet strap has cut the paint' : '',
    elastomer: job.family?.elastomer ?? 'EPDM',
    ...(job.part === 'residue' && { liquidState: 'foreign substance' as const }),
    ...(job.part === 'begun' && { arrival: 'partly dismantled' as const }),
  };
  const file = present(shippedFamilies.find((one) => one.id === (job.family?.id ?? 'F1')));
  const size = proposeSize(file, `${job.pump.model} ${job.pump.size}`);
  const build = { ...job.family?.build, ...(size !== undefined && { size }) };
  const { tag } = await act('wenna', 'receive-pump', {
    customer: job.customer,
    contact: contacts[job.customer] ?? null,
    pump: job.pump,
    familyId: file.id,
    ...build,
    promisedOn: inDays(job.promised),
    intake,
  });
  const family = buildFor(file, build);
  const pace = paceOf(job, family, clock);
  const tools = await listInstruments(runtime.database);
  const play = (wornBefore: WornBefore) =>
    playJob({
      act,
      job,
      tag,
      family,
      technician: index % 2 ? 'odile' : 'ines',
      tools: { tools, day: inDays(0) },
      signer: { personId: personIdOf(present(actors.get('marek'))), pin: pinOf('marek') },
      load: () => loadRecord(runtime.database, tag),
      pass: (hours) => (clock = afterWork(clock, hours * pace)),
      wornBefore,
      ...(job.stopsBefore !== undefined && { stopsBefore: job.stopsBefore }),
    });
  return { tag, play };
}

/** Loads the demonstration shop through the use cases, once, into an empty database. Gives the tags by job. */
export async function loadDemo(runtime: Runtime, jobs: readonly DemoJob[] = demoJobs): Promise<readonly string[]> {
  if ((await countPeople(runtime.database)) > 0) return [];
  const actors = await loadShop(runtime);
  await loadCatalogue(runtime, present(actors.get('bram')));
  const tags: string[] = [];
  const plays: (() => Promise<unknown>)[] = [];
  // A pump comes back only when its earlier visit is over, and is worn from where that left it.
  const visits = new Map<string, Promise<WornBefore>>();
  for (const [index, job] of jobs.entries()) {
    const { serial } = job.pump;
    const left = (await visits.get(serial)) ?? new Map<string, string>();
    const { tag, play } = await receiveJob(runtime, actors, job, index);
    tags.push(tag);
    const comesBack = jobs.slice(index + 1).some((other) => other.pump.serial === serial);
    if (comesBack) visits.set(serial, play(left));
    else plays.push(() => play(left));
  }
  await playInLanes(plays, 4);
  await loadBefore(runtime, { actors, jobs, tags });
  return tags;
}

interface Loaded {
  readonly actors: ReadonlyMap<DemoPerson['key'], Actor>;
  readonly jobs: readonly DemoJob[];
  readonly tags: readonly string[];
}

/** The two years before, after the played jobs that are examples of them. */
async function loadBefore(runtime: Runtime, { actors, jobs, tags }: Loaded): Promise<void> {
  const { database } = runtime;
  const played: PlayedKind[] = [];
  for (const [i, { example, pump }] of jobs.entries()) {
    if (!example) continue;
    const record = await loadRecord(database, present(tags[i]));
    const family = await findFamily(database, record.familyId, record.familyVersion);
    const prefix = pump.serial.slice(0, pump.serial.indexOf('-') + 1);
    played.push({ record, family, kind: example, prefix, events: await listEvents(database, record.id) });
  }
  if (!played.length) return;
  const people = new Map(
    [...actors].flatMap(([key, actor]) =>
      actor.kind === 'person' ? [[key, { id: actor.personId, name: actor.name }] as const] : [],
    ),
  );
  await loadHistory({ ...{ runtime, people, contacts, played }, lastTag: firstTag - 1 });
}

/** Plays jobs side by side; each touches only its own record. */
async function playInLanes(plays: readonly (() => Promise<unknown>)[], lanes: number): Promise<void> {
  let next = 0;
  const lane = async () => {
    while (next < plays.length) await present(plays[next++])();
  };
  await Promise.all(Array.from({ length: lanes }, lane));
}
