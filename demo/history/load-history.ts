import type { Chance } from '@/core/planning';
import { standingReadings } from '@/core/bench';
import { openingPuts } from '@/core/change';
import { searchTextOf, standingOf, writeTag } from '@/core/lifecycle';
import { present } from '@/core/present';
import { asId, type JobHead, type PersonId, type Tag } from '@/core/record';
import {
  addShopOrder,
  addWorked,
  findPhoto,
  findShopOrder,
  persistTakenIn,
  readShop,
  takeNumber,
  sha256,
  type Connection,
} from '@/db';
import type { Runtime } from '@/server';
import { ensureContact, ensureCustomer, ensurePump } from '@/server/receive-pump';
import { chanceFrom } from '@/stand-ins';
import type { DemoPerson } from '../people';
import { drawVisits, type Kind, type Visit } from './draw-visits';
import { eventTimes } from './event-times';
import { pumpsOfBefore } from './pumps';
import { warpJob, type Played, type Warped } from './warp-job';
import { keyOf, wornReadings, type Typed } from './wear';
import { workLine, type WorkLine } from './work-line';

/** A job that was played whole, and what it stands for. */
export interface PlayedKind extends Played {
  readonly kind: Kind['kind'];
  /** How serial numbers of its make begin. */
  readonly prefix: string;
}

interface History {
  readonly runtime: Runtime;
  readonly people: ReadonlyMap<DemoPerson['key'], { readonly id: PersonId; readonly name: string }>;
  readonly contacts: Readonly<Record<string, { name: string; email: string; phone: string }>>;
  readonly played: readonly PlayedKind[];
  /** The last tag of the two years; the ones before are counted down from it. */
  readonly lastTag: number;
}

const dayMs = 86_400_000;
const yearsMs = 2 * 365 * dayMs;

const likeOf = ({ record }: Played) => `${record.pump.model} ${record.pump.size}`;

function kindOf(one: PlayedKind): Kind {
  const { record, family } = one;
  const { standard } = standingOf(record, family);
  return {
    ...{ tag: record.tag, like: likeOf(one), kind: one.kind, minutes: present(standard) },
    orders: record.orders.map(({ supplier, dueOn, at }) => ({
      supplier,
      days: dueOn ? Math.max(1, Math.round((Date.parse(dueOn) - Date.parse(at.slice(0, 10))) / dayMs)) : 5,
    })),
  };
}

/** Loads the shop's two years: closed jobs, each after a played one, at times and with wear of their own. Gives their number. */
export async function loadHistory(history: History): Promise<number> {
  const { played, runtime } = history;
  const until = Date.now() - 10 * dayMs;
  const line = workLine(until - yearsMs - 400 * dayMs, Date.now() + 90 * dayMs);
  const makes = [
    ...new Map(
      played.map((one) => [likeOf(one), { model: one.record.pump.model, prefix: one.prefix, like: likeOf(one) }]),
    ).values(),
  ];
  const visits = drawVisits(pumpsOfBefore(makes), played.map(kindOf), line, [until - yearsMs, until - 30 * dayMs])
    .filter(({ times }) => line.momentOf(times.delivered) < until)
    .sort((a, b) => a.opened - b.opened);
  const numbered = await numberVisits(runtime, visits, history.lastTag);
  const writer = new Writer(history, line);
  // A pump comes back only after its earlier visit; others are written side by side.
  const byPump = new Map<string, Numbered[]>();
  for (const one of numbered) byPump.set(one.visit.pump.serial, [...(byPump.get(one.visit.pump.serial) ?? []), one]);
  const chains = [...byPump.values()];
  const lane = async () => {
    for (let own = chains.shift(); own; own = chains.shift())
      for (const one of own) await runtime.database.transaction((connection) => writer.write(connection, one));
  };
  await Promise.all([lane(), lane(), lane()]);
  return writer.count;
}

/** A visit with the numbers that it takes: its tag, those of its orders, that of its report. */
interface Numbered {
  readonly visit: Visit;
  readonly tag: Tag;
  readonly orders: readonly string[];
  readonly report: string;
}

const padded = (number: number, digits: number) => String(number).padStart(digits, '0');

/** Takes all numbers at once: a series that every visit took from by itself would let only one be written at a time. */
async function numberVisits(
  { database }: Runtime,
  visits: readonly Visit[],
  lastTag: number,
): Promise<readonly Numbered[]> {
  return database.transaction(async (connection) => {
    const numbered: Numbered[] = [];
    for (const [i, visit] of visits.entries()) {
      const orders: string[] = [];
      for (const _order of visit.kind.orders) orders.push(`PO-${padded(await takeNumber(connection, 'nextOrder'), 5)}`);
      const report = padded(await takeNumber(connection, 'nextReport'), 4);
      numbered.push({ visit, orders, report, tag: asId<Tag>(writeTag(lastTag - visits.length + 1 + i)) });
    }
    return numbered;
  });
}

class Writer {
  count = 0;
  readonly #left = new Map<string, Typed>();
  readonly #tags = new Map<Visit, Tag>();
  readonly #pictures = new Map<string, { readonly bytes: Buffer; readonly thumb: Buffer }>();

  constructor(
    private readonly history: History,
    private readonly line: WorkLine,
  ) {}

  async write(connection: Connection, numbered: Numbered): Promise<void> {
    const { visit, tag } = numbered;
    const played = present(this.history.played.find(({ record }) => record.tag === visit.kind.tag));
    // Visits are written side by side: each draws by its own tag, so that they come out the same in any order.
    const chance = chanceFrom(tag);
    const readings = this.#readings(played, visit, chance);
    // Where the pump cannot have come so worn, it did not come.
    if (!readings) return;
    const warped = warpJob(played, {
      ...(await this.#whoAndWhat(connection, played, visit, tag)),
      readings,
      times: eventTimes(played, visit, this.line),
      promisedOn: new Date(visit.promised).toISOString().slice(0, 10),
      stand: 1 + 0.008 * (chance() - 0.5),
      words: this.#words(played, numbered),
      shop: present(await readShop(connection)),
      newId: this.#context().newId,
      sha256,
    });
    await this.#persist(connection, played, warped);
    await this.#addOrders(connection, played, numbered);
    await this.#addWork(connection, visit, tag);
    this.#tags.set(visit, tag);
    this.#left.set(visit.pump.serial, leftBy(played, warped));
    this.count += 1;
  }

  #context() {
    return this.history.runtime.contextFor({ kind: 'nobody' });
  }

  #readings({ family, record }: Played, visit: Visit, chance: Chance) {
    const found = standingReadings(record, family).filter(({ phase }) => phase === 'as-found');
    const before = this.#left.get(visit.pump.serial) ?? null;
    return wornReadings({ family, found, before, wear: visit.wear, chance });
  }

  async #whoAndWhat(connection: Connection, { record }: Played, { pump, hours }: Visit, tag: Tag) {
    const context = this.#context();
    const customer = await ensureCustomer(context, connection, pump.customer);
    const said = this.history.contacts[pump.customer];
    const contact = said ? await ensureContact(context, connection, { customerId: customer.id, ...said }) : null;
    const { maker, model, size } = record.pump;
    const plate = { maker, model, size, serial: pump.serial };
    const here: JobHead['pump'] = await ensurePump(context, connection, { pump: plate, familyId: record.familyId });
    const intake = { equipmentNumber: pump.equipment, liquid: pump.liquid, runningHours: hours };
    return { tag, customer, contact, pump: here, intake };
  }

  #words({ record, events }: Played, { visit, orders, report }: Numbered): ReadonlyMap<string, string> {
    const words = new Map(record.orders.map(({ number }, i) => [number, present(orders[i])]));
    const year = new Date(this.line.momentOf(visit.times.reported)).getUTCFullYear();
    for (const { number } of record.reports) words.set(number, `R-${year}-${report}`);
    const [ines, odile] = (['ines', 'odile'] as const).map((key) => present(this.history.people.get(key)));
    // Whoever took the played one apart, this one was taken apart by the person whose hands were drawn for it.
    const began = events.find(({ kind }) => kind === 'begin-teardown')?.personName;
    const isOther = began !== this.history.people.get(visit.technician)?.name;
    if (ines && odile && isOther)
      words.set(ines.name, odile.name).set(odile.name, ines.name).set(ines.id, odile.id).set(odile.id, ines.id);
    const earlier = visit.comebackOf && this.#tags.get(visit.comebackOf);
    const was = record.sheets.flatMap(({ body }) => ('earlierTag' in body ? [body.earlierTag] : []));
    if (earlier) for (const one of was) words.set(one, earlier);
    return words;
  }

  async #persist(
    connection: Connection,
    { family }: Played,
    { record, events, texts, pictures }: Warped,
  ): Promise<void> {
    const people = new Map([...this.history.people.values()].map(({ id, name }) => [name, id]));
    const chain = events.map((event) => ({ ...event, personId: people.get(event.personName) ?? null }));
    const bytes: Record<string, { readonly bytes: Buffer; readonly thumb: Buffer }> = {};
    for (const [was, is] of pictures) bytes[is] = await this.#picture(was);
    await persistTakenIn(
      connection,
      {
        ...{ after: record, events: chain, event: present(chain.at(-1)), texts, openedSeq: 1 },
        standing: standingOf(record, family),
        changes: openingPuts(record).map((put) => ({ ...put, was: null })),
      },
      { searchText: searchTextOf(record, family.title), pictures: bytes, newId: this.#context().newId },
    );
  }

  /** Its orders as the suppliers read them, ended on the day that their parcels came. */
  async #addOrders(connection: Connection, { record }: Played, { visit, orders }: Numbered): Promise<void> {
    const ordered = this.line.momentOf(visit.times.ordered);
    for (const [i, { number }] of record.orders.entries()) {
      const was = await findShopOrder(connection, number);
      if (!was) continue;
      const apart = Math.round((ordered - Date.parse(was.at)) / dayMs) * dayMs;
      const moved = (day: string | null) => day && new Date(Date.parse(day) + apart).toISOString().slice(0, 10);
      const [arrival] = [visit.arrivals[i] ?? visit.times.rebuildBegins];
      await addShopOrder(connection, {
        ...{ ...was, number: present(orders[i]), placedOn: present(moved(was.placedOn)), state: 'ended', version: 1 },
        ...{
          at: new Date(ordered).toISOString(),
          endedOn: new Date(this.line.momentOf(arrival)).toISOString().slice(0, 10),
        },
        history: [],
        reference: was.reference?.replace(number, present(orders[i])) ?? null,
        lines: was.lines.map((line) => ({ ...line, firstDueOn: moved(line.firstDueOn), dueOn: moved(line.dueOn) })),
      });
    }
  }

  async #picture(id: string) {
    const known = this.#pictures.get(id);
    if (known) return known;
    const { database } = this.history.runtime;
    const [full, thumb] = [await findPhoto(database, id, 'full'), await findPhoto(database, id, 'thumb')];
    const picture = { bytes: present(full?.bytes), thumb: present(thumb?.bytes) };
    this.#pictures.set(id, picture);
    return picture;
  }

  async #addWork(connection: Connection, { work }: Visit, tag: Tag): Promise<void> {
    for (const { station, person, from, minutes } of work) {
      const { id, name } = present(this.history.people.get(person));
      const [startedAt, endedAt] = [from, from + minutes].map((at) => new Date(this.line.momentOf(at)));
      const seconds = Math.round(minutes * 60);
      const row = { id: this.#context().newId(), tag, station, personId: id, personName: name, seconds };
      const uncorrected = { takenSeconds: seconds, reason: '', correctedBy: null };
      await addWorked(connection, { ...row, ...uncorrected, startedAt: present(startedAt), endedAt: present(endedAt) });
    }
  }
}

function leftBy({ family }: Played, { record }: Warped): Typed {
  const left = standingReadings(record, family).filter(({ phase }) => phase === 'as-left');
  return new Map(left.map(({ pointId, place, typed }) => [keyOf(pointId, place), typed]));
}
