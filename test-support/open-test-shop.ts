import { createConnection } from 'mysql2/promise';
import { roles, type Role } from '@/core/record';
import type { Actor } from '@/core/access';
import { loadJobRecord, migrateDatabase } from '@/db';
import { actUseCases, perform, readUseCases, startRuntime, type Context, type Runtime } from '@/server';
import { buildFor, shippedFamilies } from '@/server/families';
import type { DemoJob } from '../demo/jobs';
import { playJob, type Act } from '../demo/play-job';

const verbs = new Map([...actUseCases, ...readUseCases].map((useCase) => [useCase.verb, useCase]));
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
  readonly contextOf: (person: string, change?: Partial<Context>) => Context;
  /** Sends a verb as a person; throws what the use case throws. */
  readonly act: (person: string, verb: string, input: object) => Promise<Record<string, unknown>>;
  readonly load: (tag: string) => ReturnType<typeof loadJobRecord>;
  /** Receives a pump and plays it to a station. Gives its tag. */
  readonly play: (job?: Partial<DemoJob>) => Promise<string>;
  readonly close: () => Promise<void>;
}

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

export const testReceiving = (serial: string) => ({
  customer: 'Harrowmere Botanical Garden',
  contact: { name: 'Fern Okonjo', email: 'fern@garden.example', phone: '' },
  pump: { maker: 'Quillmere', model: 'QB 50-160', serial, size: '50-160' },
  familyId: 'F1',
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

let serials = 0;

/** A fresh migrated database of its own name, a shop and one person for each role, on the test server. */
export async function openTestShop(name: string): Promise<TestShop> {
  const url = new URL(process.env.DATABASE_URL ?? 'mysql://missing');
  url.pathname = `/puddlestone_${name}`;
  const root = await createConnection({ uri: process.env.DATABASE_URL! });
  await root.query(`DROP DATABASE IF EXISTS \`puddlestone_${name}\``);
  await root.query(`CREATE DATABASE \`puddlestone_${name}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  await root.end();
  await migrateDatabase(url.href);
  const runtime = startRuntime(url.href);
  const nobody = runtime.contextFor({ kind: 'nobody' });
  await perform(verbs.get('create-owner')!, nobody, {
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
    .query<never>('select id, name from people')
    .then(([rows]) => rows as { id: string; name: string }[]);
  const people: Record<string, Actor> = {
    sunniva: { kind: 'person', personId: owner!.id, name: 'Sunniva', role: 'owner' },
  };
  for (const [key, role] of Object.entries(roleOf).filter(([key]) => key !== 'sunniva')) {
    const { personId } = (await perform(verbs.get('add-person')!, runtime.contextFor(people.sunniva!), {
      name: key,
      email: `${key}@shop.example`,
      password: 'a-long-enough-word',
      pin: '2002',
      role,
    })) as { personId: string };
    people[key] = { kind: 'person', personId, name: key, role };
  }
  const contextOf: TestShop['contextOf'] = (person, change = {}) => ({
    ...runtime.contextFor(people[person] ?? { kind: 'nobody' }),
    ...change,
  });
  const act: TestShop['act'] = async (person, verb, input) =>
    (await perform(verbs.get(verb)!, contextOf(person), input)) as Record<string, unknown>;
  for (const [code, kind] of gauges)
    await act('sunniva', 'add-instrument', { code, kind, uncertaintyUm: 1.5, dueOn: '2027-06-01' });
  const load = (tag: string) => loadJobRecord(runtime.database, tag);
  const play: TestShop['play'] = async (job = {}) => {
    const build = {
      ...(job.family?.variant && { variant: job.family.variant }),
      ...(job.family?.stages && { stages: job.family.stages }),
    };
    const family = buildFor(
      shippedFamilies.find((one) => one.id === (job.family?.id ?? 'F1'))!,
      build,
    );
    const receiving = testReceiving(`T-${++serials}-${name}`);
    const { tag } = (await act('wenna', 'receive-pump', {
      ...receiving,
      familyId: family.id,
      ...build,
      intake: {
        ...receiving.intake,
        ...(job.duty && { duty: job.duty }),
        ...(job.family?.elastomer && { elastomer: job.family.elastomer }),
      },
    })) as { tag: string };
    const whole = {
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
    } as DemoJob;
    await playJob({
      act: act as Act,
      job: whole,
      tag,
      family,
      technician: 'ines',
      load: async () => (await load(tag))!,
      pass: () => undefined,
    });
    return tag;
  };
  return { runtime, people, contextOf, act, load, play, close: () => runtime.pool.promise().end() };
}

export const everyRole = roles;
