import type { Browser } from 'puppeteer-core';
import type { Verb } from '@/contract';
import { workOf } from '@/core/bench';
import { judgePoints } from '@/core/inspection';
import { present } from '@/core/present';
import type { Family } from '@/core/family';
import type { AsBuilt } from '@/core/report';
import type { JobRecord, PersonId, Quote, Tool } from '@/core/record';
import { demoPeople, type DemoPerson } from '../demo/people';
import { account, clean, judge, measure, test as runOnStand, workSteps, type Act, type Stage } from '../demo/play-job';
import { rightPacking } from '../demo/right-packing';
import { fetchAs, openDevice, signIn } from './browser';
import { actAs, linkInOutbox } from './stations';
import { readAll } from './walk';

type Device = Awaited<ReturnType<typeof openDevice>>;
interface View {
  readonly record: JobRecord;
  readonly family: Family;
  readonly instruments: readonly Tool[];
  readonly signers: readonly { readonly personId: PersonId; readonly name: string }[];
  readonly today: string;
  readonly answer: string;
}

/**
 * The people of the demonstration shop, each at a device of their own, and jobs that they play on: what a walk shows is
 * done on the screen, what lies between goes through the same door past it.
 */
export class Chain {
  private readonly devices = new Map<DemoPerson['key'], Device>();
  constructor(private readonly browser: Browser) {}

  /** The device of a person, signed in. */
  async device(person: DemoPerson['key'], screen = {}): Promise<Device> {
    const known = this.devices.get(person);
    if (known) return known;
    const page = await openDevice(this.browser, screen);
    await signIn(page, person);
    this.devices.set(person, page);
    return page;
  }

  readonly act: Act = async (person, verb, input) => (await actAs(await this.device(person), verb, input)) as never;

  async view(tag: string): Promise<View> {
    return ((await this.fetched(`/api/jobs/${tag}`)) as { data: View }).data;
  }

  async record(tag: string): Promise<JobRecord> {
    return (await this.view(tag)).record;
  }

  /** The sentence that is read out to a caller. */
  async answer(tag: string): Promise<string> {
    return (await this.view(tag)).answer;
  }

  /** What refuses a command, in words; fails where it is taken. */
  async refusal(person: DemoPerson['key'], verb: Verb, input: object): Promise<string> {
    try {
      await actAs(await this.device(person), verb, input);
    } catch (error) {
      return error instanceof Error ? error.message : String(error);
    }
    throw new Error(`${verb} was taken`);
  }

  async stage(tag: string): Promise<Stage> {
    const { family, instruments, signers, today } = await this.view(tag);
    const marek = present(demoPeople.find(({ key }) => key === 'marek'));
    const signer = present(signers.find(({ name }) => name === marek.name));
    return {
      ...{ act: this.act, tag, family, technician: 'ines' },
      tools: { tools: instruments, day: today },
      job: { customer: '', at: 'closed', cameIn: 1 } as never,
      load: () => this.record(tag),
      pass: () => undefined,
      signer: { personId: signer.personId, pin: marek.pin },
    };
  }

  async receive(input: object): Promise<string> {
    const { tag } = await actAs(await this.device('wenna'), 'receive-pump', input);
    return String(tag);
  }

  async makeReady(tag: string): Promise<void> {
    const { version } = (await this.record(tag)).intake;
    await this.act('ines', 'confirm-isolation', { tag: tag, basedOn: version });
    for (const caution of ['energy-isolation', 'harmful-liquid'])
      await this.act('ines', 'acknowledge-caution', { tag: tag, caution });
    await this.act('ines', 'advance-job', { tag: tag, event: 'begin-teardown' });
  }

  /** Some steps of a phase, by their ids. */
  async work(tag: string, phase: 'teardown' | 'rebuild', ids: readonly string[]): Promise<void> {
    const stage = await this.stage(tag);
    await workSteps(
      stage,
      phase,
      stage.family[phase].filter(({ id }) => ids.includes(id)),
    );
  }

  /** What is left of the teardown, and how each part came off. */
  async teardown(tag: string): Promise<void> {
    const stage = await this.stage(tag);
    const work = workOf(await this.record(tag), stage.family, 'teardown');
    const left = work.flatMap(({ step, actions, isDone }) => {
      const open = actions.filter(({ answer }) => !answer).map(({ action }) => action);
      return isDone ? [] : [{ ...step, actions: open }];
    });
    await workSteps(stage, 'teardown', left);
    await account({ ...stage, family: await this.unaccounted(tag, stage.family) });
  }

  /** Lays every part in a labelled tray: asked for where a like pump lies open. */
  async lay(tag: string, tray = '1'): Promise<void> {
    const { family } = await this.view(tag);
    await this.act('ines', 'lay-in-tray', { tag, parts: family.parts.map(({ ref }) => ref), tray });
  }

  /** The family with the parts alone of which nobody said how they came. */
  private async unaccounted(tag: string, family: Family): Promise<Family> {
    const said = new Set((await this.record(tag)).parts.map(({ ref }) => ref));
    return { ...family, parts: family.parts.filter(({ ref }) => !said.has(ref)) };
  }

  async clean(tag: string): Promise<void> {
    await clean(await this.stage(tag));
  }

  /**
   * Measures what nobody measured yet and decides on what is out.
   * @param seed by which the simulated gauge finds it worn; left out: its tag, which is another in every run
   */
  async inspect(tag: string, seed = tag): Promise<void> {
    const stage = await this.stage(tag);
    await measure({ ...stage, seed }, 'as-found');
    await judge(stage);
  }

  async buy(tag: string): Promise<void> {
    await this.act('bram', 'order-parts', { tag: tag });
    await this.receiveAll(tag);
  }

  /** Reads every point in the middle of what is as new: nothing is worn. */
  async inspectAsNew(tag: string): Promise<void> {
    const stage = await this.stage(tag);
    await readAll(await this.device('marek'), tag, stage.family, 'as-found');
    await judge(stage);
  }

  /** Measures the points that nobody measured yet. */
  async measureRest(tag: string): Promise<void> {
    await measure(await this.stage(tag), 'as-found');
  }

  /** Decides what nobody decided yet: points that are out, and what was seen; looks at what nobody looked at. */
  async decideRest(tag: string): Promise<void> {
    const { record, family } = await this.view(tag);
    const looked = new Set(record.looks.map(({ ref }) => ref));
    const unseen = family.parts.filter(({ critical, ref }) => critical && !looked.has(ref));
    const parts = unseen.map(({ ref }) => ({ partRef: ref, basedOn: 0 }));
    if (parts.length) await this.act('marek', 'look-at-parts', { tag: tag, parts });
    const about = { tag: tag as never, action: 'replace' as const, reason: 'worn', basedOn: 0 };
    for (const { point, verdict } of judgePoints({ family, readings: record.readings, phase: 'as-found' })) {
      const finding = record.findings.find(({ pointId, phase }) => pointId === point.id && phase === 'as-found');
      if ((verdict === 'out' || verdict === 'tight') && !finding?.disposition)
        await this.act('marek', 'dispose', { ...about, target: { pointId: point.id } });
    }
    for (const { id, kind, disposition } of record.findings)
      if (kind === 'visual' && !disposition)
        await this.act('marek', 'dispose', { ...about, target: { findingId: id } });
  }

  /** Counts in whatever comes, parcel by parcel; pieces of some parts under another number, which is accepted. */
  async receiveAll(tag: string, numbers: Readonly<Record<string, string>> = {}): Promise<void> {
    const isOpen = ({ received, quantity }: { readonly received: number; readonly quantity: number }) =>
      received < quantity;
    for (let parcel = 0; parcel < 8; parcel++) {
      const order = (await this.record(tag)).orders.find(({ lines }) => lines.some(isOpen));
      if (!order) return;
      const about = { tag: tag as never, orderNumber: order.number };
      await this.act('bram', 'take-parcel', about).catch(() => undefined);
      const now = present((await this.record(tag)).orders.find(({ number }) => number === order.number));
      const sent = now.lines.filter((line) => line.sent > line.received);
      if (!sent.length) continue;
      const counts = sent.map((line) => ({
        ...{ lineId: line.id, counted: line.sent - line.received },
        ...(numbers[line.partRef] !== undefined && { number: numbers[line.partRef], accept: true }),
      }));
      await this.act('bram', 'receive-parts', { ...about, counts: counts, note: '' });
    }
    throw new Error(`${tag}: its parts did not all come`);
  }

  /** The supplement that came last. */
  async supplementOf(tag: string): Promise<Quote> {
    const { quotes } = await this.record(tag);
    return present(quotes.findLast(({ kind }) => kind === 'supplement'));
  }

  /** The report as it is frozen, as JSON. */
  async report(tag: string): Promise<AsBuilt> {
    const { number, revision } = present((await this.record(tag)).reports.at(-1));
    return (await this.fetched(`/files/report/${number}/${revision}/json`)) as AsBuilt;
  }

  /** Donor parts that are free for a part of a job. */
  async donorsFor(tag: string, partRef: string): Promise<readonly { readonly tag: string }[]> {
    const { data } = (await this.fetched(`/api/donors/${tag}/${partRef}`)) as { data: { tag: string }[] };
    return data;
  }

  private async fetched(path: string): Promise<unknown> {
    const { bytes } = await fetchAs(await this.device('wenna'), path);
    return JSON.parse(bytes.toString('utf8')) as unknown;
  }

  async rebuild(tag: string): Promise<void> {
    const stage = await this.stage(tag);
    await workSteps(stage, 'rebuild', stage.family.rebuild);
    await measure(stage, 'as-left');
    await this.act('ines', 'advance-job', { tag: tag, event: 'finish-rebuild' });
  }

  async test(tag: string, run = 1): Promise<void> {
    await runOnStand(await this.stage(tag), run, 'sound', 'passed');
  }

  /** A run that fails, and the rebuild after it, read anew. */
  async failOnce(tag: string): Promise<void> {
    const stage = await this.stage(tag);
    await runOnStand(stage, 1, 'internal leakage', 'failed');
    await workSteps(stage, 'rebuild', stage.family.rebuild);
    await measure(stage, 'as-left', { again: await this.record(tag) });
    await this.act('ines', 'advance-job', { tag: tag, event: 'finish-rebuild' });
  }

  async pack(tag: string, change: object = {}): Promise<void> {
    const packing = { ...rightPacking(await this.record(tag)), ...change };
    await this.act('wenna', 'pack', { tag: tag, basedOn: 0, packing });
    await this.act('wenna', 'release-pump', { tag: tag });
  }

  /** The path of the link in the newest mail about a job. */
  async linkOf(tag: string): Promise<string> {
    return linkInOutbox(await this.device('wenna'), tag);
  }
}
