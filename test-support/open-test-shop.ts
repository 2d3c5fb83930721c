import { present } from '@/core/present';
import { createConnection } from 'mysql2/promise';
import { findAction, nextAction, workAt, workOf } from '@/core/bench';
import { loadFamily } from '@/core/family';
import { asId, roles, type BenchPhase, type PersonId, type Role } from '@/core/record';
import type { Actor } from '@/core/access';
import { verbs, type InputOf, type ResultOf, type Verb } from '@/contract';
import { addTablet, listInstruments, loadJobRecord, migrateDatabase } from '@/db';
import { act as actAs, actPhoto, perform, readUseCases, startRuntime, type Context, type Runtime } from '@/server';
import { buildFor, findFamily, findVersion, shippedFamilies } from '@/server/families';
import { noDevice } from '@/server/people/device';
import plain from './plain-overhung.json';
import type { DemoJob } from '../demo/jobs';
import { playJob, type Act } from '../demo/play-job';
import { rightAnswer } from '../demo/right-answer';

type ReadVerb = keyof typeof readUseCases;
type Read<V extends ReadVerb> = Awaited<ReturnType<(typeof readUseCases)[V]['run']>>;
/** Sends a verb as a person; throws what the use case throws. Inputs are unknown: tests send what does not fit, too. */
interface ActAs {
  <V extends Verb>(person: string, verb: V, input: unknown): Promise<ResultOf<V>>;
  <V extends ReadVerb>(person: string, verb: V, input: unknown): Promise<Read<V>>;
}

const isRead = (verb: string): verb is ReadVerb => verb in readUseCases;

/** What is answered must be what the contract says; reading has no contract of its own. */
async function actChecked(context: Context, verb: Verb | ReadVerb, input: unknown): Promise<unknown> {
  if (isRead(verb)) return perform(readUseCases[verb] as Parameters<typeof perform>[0], context, input);
  const answer = await actAs(verb, context, input);
  return verbs[verb].result.parse(answer);
}

/** The demonstration's people by the role they stand for here. */
const roleOf: Readonly<Record<string, Role>> = {
  sunniva: 'owner',
  wenna: 'coordinator',
  ines: 'technician',
  odile: 'technician',
  marek: 'inspector',
  bram: 'parts',
};

export interface TestShop {
  readonly runtime: Runtime;
  readonly people: Readonly<Record<string, Actor>>;
  readonly signerOf: (person: string) => InputOf<'sign-hold-point'>['signer'];
  readonly contextOf: (person: string, change?: Partial<Context>) => Context;
  readonly act: ActAs;
  readonly addPhoto: (person: string, fields: unknown, bytes: Buffer) => Promise<ResultOf<'add-photo'>>;
  readonly load: (tag: string) => ReturnType<typeof loadJobRecord>;
  /** Receives a pump and plays it to a station. Gives its tag. */
  readonly play: (job?: Partial<DemoJob> & { readonly lot?: object }) => Promise<string>;
  /** Answers the bench's actions of a phase rightly until the one named comes next; all of them where none is. */
  readonly workTo: (tag: string, phase: BenchPhase, until?: string) => Promise<void>;
  /** Answers one action of a phase, as it is next; sends what is given beside the right answer. */
  readonly answer: (person: string, tag: string, phase: BenchPhase, change: AnswerChange) => Promise<unknown>;
  readonly close: () => Promise<void>;
}

/** Which action, and what is answered otherwise than rightly. */
export type AnswerChange = Partial<InputOf<'answer-action'>> & { readonly actionId: string };

export const testIntake = {
  equipmentNumber: 'lily house',
  duty: { flowM3h: 25, headM: 32, powerKw: 3.3, efficiencyPct: 66, speedRpm: 2900 },
  liquid: 'pond water',
  cleaning: 'sheet',
  cleaningReference: 'S-1',
  whyOut: 'noise',
  runningHours: 100,
  cameWith: ['guard'],
  shims: [{ foot: 'front left', thicknesses: '0.5 mm' }],
  hazards: '',
  shippingDamage: '',
  elastomer: 'EPDM',
};

/** The shop's own short list of an overhung pump: the first family that a test shop takes in. */
export const plainId = 'S1';
export const plainFile = loadFamily(plain);

export const testReceiving = (serial: string) => ({
  customer: 'Harrowmere Botanical Garden',
  contact: { name: 'Fern Okonjo', email: 'fern@garden.example', phone: '' },
  pump: { maker: 'Quillmere', model: 'QB 50-160', serial, size: '50-160' },
  familyId: plainId,
  promisedOn: '2027-01-15',
  intake: testIntake,
});

const gauges = [
  ['M-07', 'outside micrometer'],
  ['B-02', 'bore gauge'],
  ['D-11', 'dial indicator'],
  ['C-04', 'vernier caliper'],
  ['T-03', 'depth gauge'],
] as const;

/** Who is asked for whatever a test shop needs. */
export const usualSupplier = {
  ...{ basedOn: 0, name: 'Sillwater Pump Parts', email: 'orders@sillwater.example', currency: 'EUR', rate: 1 },
  ...{ freightMinor: 0, minimumMinor: 0, isUsual: true, isActive: true },
};

/** The tablet at the bench of a test shop. */
export const testDevice = { ...noDevice, tabletId: 'tablet-1', agent: 'A program on a device' } as const;

/** Everybody's PIN in a test shop, the owner's apart: one that is in no row and no list. */
export const usualPin = '7302';

let serials = 0;

/** A fresh migrated database of its own name, a shop and one person for each role, on the test server. */
export async function openTestShop(name: string): Promise<TestShop> {
  // What an installation seals with.
  process.env.PUDDLESTONE_SECRET ??= 'a secret of test shops alone, long enough';
  const url = new URL(process.env.DATABASE_URL ?? 'mysql://missing');
  url.pathname = `/puddlestone_${name}`;
  const root = await createConnection({ uri: present(process.env.DATABASE_URL) });
  await root.query(`DROP DATABASE IF EXISTS \`puddlestone_${name}\``);
  await root.query(`CREATE DATABASE \`puddlestone_${name}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  await root.end();
  await migrateDatabase(url.href);
  const runtime = startRuntime(url.href);
  const nobody = runtime.contextFor({ kind: 'nobody' });
  await actAs('create-owner', nobody, {
    name: 'Sunniva',
    email: 'sunniva@shop.example',
    password: 'a-long-enough-word',
    pin: '1001',
    shopName: 'Kettlewick Pump Works',
    place: 'Harrowmere',
    zone: 'Europe/Vienna',
    currency: 'EUR',
  });
  const [owner] = await runtime.pool
    .promise()
    .query('select id, name from people')
    .then(([rows]) => rows as { id: PersonId; name: string }[]);
  const people: Record<string, Actor> = {
    sunniva: { kind: 'person', personId: present(owner).id, name: 'Sunniva', role: 'owner' },
  };
  for (const [key, role] of Object.entries(roleOf).filter(([key]) => key !== 'sunniva')) {
    const { personId } = await actAs('add-person', runtime.contextFor(present(people.sunniva)), {
      name: key,
      email: `${key}@shop.example`,
      password: 'a-long-enough-word',
      pin: usualPin,
      role,
    });
    people[key] = { kind: 'person', personId, name: key, role };
  }
  // Whoever acts in a test shop sits at its tablet, unless it is said otherwise.
  await addTablet(runtime.database, { id: testDevice.tabletId, name: 'Bench 1', personName: 'wenna', at: new Date() });
  const contextOf: TestShop['contextOf'] = (person, change = {}) => ({
    ...runtime.contextFor(people[person] ?? { kind: 'nobody' }, { device: testDevice }),
    ...change,
  });
  const act = ((person: string, verb: Verb | ReadVerb, input: unknown) =>
    actChecked(contextOf(person), verb, input)) as ActAs;
  const addPhoto: TestShop['addPhoto'] = (person, fields, bytes) =>
    actPhoto(contextOf(person), fields, () => Promise.resolve(bytes));
  for (const [code, kind] of gauges)
    await act('sunniva', 'add-instrument', { code, kind, uncertainty: 0.0015, dueOn: '2027-06-01' });
  await act('bram', 'save-supplier', usualSupplier);
  const taken = await act('sunniva', 'import-family', { text: JSON.stringify(plain) });
  const own = present(await findVersion(runtime.database, taken.familyId, taken.version));
  /** A person and their PIN, as a hold point is signed. */
  const signerOf: TestShop['signerOf'] = (key) => {
    const person = people[key];
    return { personId: person?.kind === 'person' ? person.personId : asId(''), pin: usualPin };
  };
  /** What lies in the shop just now. */
  const toolsNow = async () => ({ tools: await listInstruments(runtime.database), day: '2026-11-25' });
  const load = (tag: string) => loadJobRecord(runtime.database, tag);
  const play: TestShop['play'] = async (job = {}) => {
    const build = job.family?.build ?? {};
    const family = buildFor(
      present([own, ...shippedFamilies].find((one) => one.id === (job.family?.id ?? plainId))),
      build,
    );
    const receiving = testReceiving(`T-${++serials}-${name}`);
    const { tag } = await act('wenna', 'receive-pump', {
      ...receiving,
      ...{ familyId: family.id, ...build, lot: job.lot ?? null },
      ...(job.pump && { pump: { ...job.pump, nameplate: {} } }),
      intake: {
        ...receiving.intake,
        ...(job.duty && { duty: job.duty }),
        ...(job.pumpedAt && {
          liquidTemperatureC: job.pumpedAt.temperatureC,
          viscosityMm2S: job.pumpedAt.viscosityMm2S,
        }),
        ...(job.family?.elastomer && { elastomer: job.family.elastomer }),
      },
    });
    const whole: DemoJob = {
      customer: 'Garden',
      pump: { maker: 'Quillmere', model: 'QB', serial: 's', size: '' },
      equipment: '',
      duty: testIntake.duty,
      liquid: 'pond water',
      whyOut: '',
      hours: 0,
      at: 'receive',
      cameIn: 5,
      promised: 5,
      ...job,
    };
    await playJob({
      // Many jobs are played in a minute: the brake on PINs is tested where it is meant.
      act: ((person: string, verb: Verb, input: unknown) => actChecked(contextOf(person), verb, input)) as Act,
      job: whole,
      tag,
      family,
      technician: 'ines',
      tools: await toolsNow(),
      signer: signerOf('marek'),
      load: async () => present(await load(tag)),
      pass: () => undefined,
    });
    return tag;
  };
  const familyOf = async (tag: string) => {
    const { familyId, familyVersion } = present(await load(tag));
    return findFamily(runtime.database, familyId, familyVersion);
  };
  const answer: TestShop['answer'] = async (person, tag, phase, change) => {
    const [record, family] = [present(await load(tag)), await familyOf(tag)];
    const { step, action } = present(findAction(family, phase, change.actionId));
    const { wantsPhoto, ...right } = rightAnswer({ phase, step, action, record, family, ...(await toolsNow()) });
    const picture = { tag, about: `action:${action.id}`, partRef: 'casing', caption: action.id };
    const isPhoto = wantsPhoto && change.photoId === undefined;
    const photoId = isPhoto ? (await act(person, 'take-picture', picture)).photoId : null;
    const stored = workAt(record, family, { phase, actionId: action.id })?.at.stored;
    return act(person, 'answer-action', {
      ...{ tag, phase, photoId, ...right, cautionsRead: [...step.cautions, ...action.cautions] },
      basedOn: stored?.version ?? 0,
      ...change,
    });
  };
  const workTo: TestShop['workTo'] = async (tag, phase, until) => {
    for (;;) {
      const next = nextAction(workOf(present(await load(tag)), await familyOf(tag), phase));
      const id = next?.action.action.id;
      if (id === undefined || id === until) return;
      await answer('ines', tag, phase, { actionId: id });
    }
  };
  return {
    runtime,
    people,
    signerOf,
    contextOf,
    act,
    addPhoto,
    load,
    play,
    workTo,
    answer,
    close: () => new Promise<void>((done) => runtime.pool.end(() => done())),
  };
}

export const everyRole = roles;
