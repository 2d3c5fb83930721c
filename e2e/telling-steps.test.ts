import { present } from '@/core/present';
import { stepsOf } from '@/core/bench';
import type { Build, Family, Step } from '@/core/family';
import type { BenchPhase } from '@/core/record';
import type { Verb } from '@/contract';
import { listInstruments, listPeople, openDatabase } from '@/db';
import { buildFor, shippedFamilies } from '@/server/families';
import { demoPeople } from '../demo/people';
import { loadRecord, measure, playJob, workSteps, type Act, type Stage } from '../demo/play-job';
import { named } from './by-name';
import { open, openBrowser, openDevice, press, signIn, waitForText, type OpenedBrowser } from './browser';
import { actAs, signHoldPoint, workThrough } from './stations';
import { receivePump } from './walk';

// The steps by which a construction is told from the others, by touch; what lies before and between them is done through
// the same door without the screen. Each has one wrong move made in it.

const { database, pool } = openDatabase(present(process.env.DATABASE_URL));
type Device = Awaited<ReturnType<typeof openDevice>>;
let opened: OpenedBrowser;
const devices: Device[] = [];
beforeAll(async () => void (opened = await openBrowser()));
afterAll(async () => {
  await opened?.close();
  pool.end();
});

interface Walk {
  readonly name: string;
  readonly id: string;
  readonly build: Build;
  readonly duty: {
    readonly flowM3h: number;
    readonly headM: number;
    readonly powerKw: number;
    readonly speedRpm: number;
  };
  readonly phase: Extract<BenchPhase, 'teardown' | 'rebuild'>;
  /** Steps by touch, by their ids. */
  readonly steps: readonly string[];
  /** The wrong move: at which action, the word that is pressed, and what is said. */
  readonly slip: { readonly at: string; readonly word: string; readonly said: string };
  readonly screen: { readonly width: number; readonly height: number };
}

const [lying, upright] = [
  { width: 1280, height: 800 },
  { width: 800, height: 1280 },
];
const walks: readonly Walk[] = [
  {
    name: 'a cartridge is rebuilt on the bench, fitted, and let go',
    id: 'F8',
    build: { axes: { seal: 'cartridge', cartridge: 'double' } },
    duty: { flowM3h: 30, headM: 60, powerKw: 9, speedRpm: 1450 },
    phase: 'rebuild',
    steps: ['gear-cartridges-1', 'gear-seals-in-1', 'gear-cartridges-free-1'],
    slip: { at: 'gear-end-cage-in-1', word: 'no', said: 'Half seated it flies out.' },
    screen: lying,
  },
  {
    name: 'a magnet rotor is parted in its frame',
    id: 'F10',
    build: { axes: { rotor: 'magnet', parting: 'frame' } },
    duty: { flowM3h: 60, headM: 12, powerKw: 4, speedRpm: 1450 },
    phase: 'teardown',
    steps: ['parting'],
    slip: { at: 'bench-bare', word: 'no', said: 'A tool jumps to the rotor.' },
    screen: upright,
  },
  {
    name: 'a double seal with its flush is built',
    id: 'F3',
    build: { axes: { seal: 'double' }, counts: { stage: 1 } },
    duty: { flowM3h: 12, headM: 18, powerKw: 1.8, speedRpm: 2900 },
    phase: 'rebuild',
    steps: ['double-in', 'flush-on', 'double-driven'],
    slip: { at: 'drive-ring-in', word: 'no', said: 'Beside the notch: the ring breaks at the start.' },
    screen: upright,
  },
  {
    name: 'plastic stages are stacked with their shims',
    id: 'F5',
    build: { counts: { stage: 4 } },
    duty: { flowM3h: 4, headM: 30, powerKw: 0.9, speedRpm: 2900 },
    phase: 'rebuild',
    steps: ['stage-on-1', 'stage-on-2', 'clip-on'],
    slip: {
      at: 'wheel-in-2',
      word: 'to the end cap',
      said: 'to the end cap is not right here, it must be to the intake',
    },
    screen: lying,
  },
  {
    name: 'circumferential pistons are timed and gauged',
    id: 'F7',
    build: { axes: { rotors: 'piston' } },
    duty: { flowM3h: 10, headM: 50, powerKw: 3, speedRpm: 400 },
    phase: 'rebuild',
    steps: ['gears-on', 'timing', 'gauged'],
    slip: { at: 'timing-turn', word: 'heavy and even', said: 'They touch' },
    screen: lying,
  },
];

const familyOf = ({ id, build }: Walk) => buildFor(present(shippedFamilies.find((one) => one.id === id)), build);

/** Sends verbs with this device's session, past its page: hundreds of answers are no work for a browser. */
const doorOf = (on: Device) => ((_person: string, verb: Verb, input: object) => actAs(on, verb, input)) as Act;

/** The job as the demonstration plays one, through the door of this device; only hold points are signed by another. */
async function stageOf(on: Device, walk: Walk, family: Family): Promise<Stage> {
  const tag = await receivePump(on, family, walk.duty, present(family.elastomers[0]));
  const signer = present(demoPeople.find(({ key }) => key === 'marek'));
  const { id: personId } = present((await listPeople(database)).find(({ name }) => name === signer.name));
  return {
    ...{
      tag,
      family,
      technician: 'ines',
      seed: 'little worn',
      stopsBefore: present(walk.steps[0]),
      pass: () => undefined,
    },
    act: doorOf(on),
    tools: { tools: await listInstruments(database), day: new Date().toISOString().slice(0, 10) },
    signer: { personId, pin: signer.pin },
    load: () => loadRecord(database, tag),
    job: {
      ...{ customer: '', equipment: '', liquid: 'water', whyOut: '', hours: 0, cameIn: 5, promised: 5, at: walk.phase },
      ...{ pump: { maker: '', model: '', serial: '', size: '' }, duty: { ...walk.duty, efficiencyPct: 60 } },
    },
  };
}

async function byTouch(on: Device, stage: Stage, step: Step, { phase, slip }: Walk): Promise<void> {
  const { family, tag } = stage;
  const only = step.actions.flatMap(({ answer }) => (answer?.kind === 'measure' ? answer.points : []));
  if (only.length) await measure(stage, phase === 'teardown' ? 'as-found' : 'as-left', { only });
  const typed = new Map((await stage.load()).answers.map((one) => [one.actionId, one.typed]));
  await open(on, `/jobs/${tag}`);
  const alone = { ...family, [phase]: [step] };
  await workThrough({ page: on, phase, typed }, alone, () => signHoldPoint(on, 'marek'), {
    before: async ({ id }) => {
      if (id !== slip.at) return;
      await press(await on.waitForSelector(`#action-${id} ${named('button', slip.word)}`));
      await waitForText(on, slip.said);
    },
  });
}

test.each(walks)('$name', async (walk) => {
  const on = await openDevice(opened.browser, { ...walk.screen, hasTouch: true });
  devices.push(on);
  await signIn(on, 'sunniva');
  const family = familyOf(walk);
  const stage = await stageOf(on, walk, family);
  await playJob(stage);
  const steps = stepsOf(family, walk.phase);
  const last = steps.findIndex((step) => step.id === walk.steps.at(-1));
  const first = steps.findIndex((step) => step.id === walk.steps[0]);
  for (const step of steps.slice(first, last + 1))
    if (walk.steps.includes(step.id)) await byTouch(on, stage, step, walk);
    else await workSteps(stage, walk.phase, [step]);
  const record = await stage.load();
  const done = record.steps.filter((row) => row.phase === walk.phase && row.state === 'done').map((row) => row.stepId);
  expect(done).toEqual(expect.arrayContaining([...walk.steps]));
  // The wrong move is not kept: what stands is what was right.
  expect(record.answers.find((one) => one.actionId === walk.slip.at)?.typed).not.toBe(walk.slip.word);
});

test('nothing was put into the console but what was meant to be refused', () =>
  expect(devices.flatMap(({ faults }) => faults).filter((fault) => !/422.*answer-action$/.test(fault.trim()))).toEqual(
    [],
  ));
