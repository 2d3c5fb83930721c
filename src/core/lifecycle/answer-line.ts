import { dateFormat } from '@/words/formats';
import type { ReadyRange } from '../planning';
import { holderNames, type Hold, type Holder, type Outcome, type Station, stationNames } from '../record';

export interface AnswerGiven {
  readonly tag: string;
  readonly pump: string;
  readonly owner: string;
  readonly station: Station;
  readonly holder: Holder;
  readonly holderSince: string;
  readonly hold: Hold | null;
  readonly outcome: Outcome;
  /** Which unit of how many came together; absent for a pump that came alone. */
  readonly lot?: { readonly unit: number; readonly of: number } | undefined;
  readonly closedAt: string | null;
  readonly waitingFor: string;
  readonly ready: ReadyRange;
  readonly promisedOn: string;
  /** What is open beside the station, in words. */
  readonly asks?: readonly string[];
  /** The moment of asking, ISO, and the shop's zone. */
  readonly now: string;
  readonly zone: string;
}

const spoken = dateFormat('en-GB', { day: 'numeric', month: 'long', timeZone: 'UTC' });

/**
 * A day as it is said, with its year where that is another than today's.
 * @param today ISO date; left out: the year goes without saying
 * @example sayDay('2027-01-09', '2026-12-09') // '9 January 2027'
 */
export function sayDay(isoDate: string, today = isoDate): string {
  const said = spoken.format(new Date(`${isoDate.slice(0, 10)}T00:00:00Z`));
  const year = isoDate.slice(0, 4);
  return year === today.slice(0, 4) ? said : `${said} ${year}`;
}

/**
 * The day of a moment on the clocks of a zone, `YYYY-MM-DD`.
 * @example dayInZone('2026-11-23T23:30:00Z', 'Europe/Vienna') // '2026-11-24'
 */
export function dayInZone(iso: string, zone: string): string {
  const asIso = { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' } as const;
  return dateFormat('en-CA', asIso).format(new Date(iso));
}

/**
 * Since when, as a person says it.
 * @example saySince('2026-11-21T08:00:00Z', '2026-11-24T08:00:00Z', 'UTC') // 'for three days'
 */
export function saySince(iso: string, now: string, zone: string): string {
  const days = Math.round((Date.parse(dayInZone(now, zone)) - Date.parse(dayInZone(iso, zone))) / 86_400_000);
  if (days <= 0) return 'since today';
  if (days === 1) return 'since yesterday';
  const small = ['', '', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];
  return `for ${small[days] ?? days} days`;
}

function sayRange({ early, late }: ReadyRange, today: string): string {
  if (early === late) return `on ${sayDay(early, today)}`;
  const [from, to] = [sayDay(early, today), sayDay(late, today)];
  return from.split(' ')[1] === to.split(' ')[1] && early.slice(0, 7) === late.slice(0, 7)
    ? `between ${from.split(' ')[0]} and ${to}`
    : `between ${from} and ${to}`;
}

function sayPromise(given: AnswerGiven): string {
  const promised = sayDay(given.promisedOn, given.now);
  if (given.ready.early > given.promisedOn) return `we promised ${promised} and shall be late`;
  return given.ready.late > given.promisedOn ? `we promised ${promised}, which is at risk` : `we promised ${promised}`;
}

const heldBy: Readonly<Record<Holder, string>> = {
  U: 'with us',
  B: 'on the bench',
  S: 'on the test stand',
  C: 'with the customer',
  P: 'with the supplier',
  O: `with the ${holderNames.O}`,
};

const endings: Readonly<Record<Outcome, (day: string) => string>> = {
  open: (day) => `went back on ${day}`,
  repaired: (day) => `went back on ${day}, repaired and tested`,
  declined: (day) => `went back on ${day} as it was: the repair was declined`,
  reassembled: (day) => `went back on ${day} put together, not repaired`,
  scrapped: (day) => `was scrapped on ${day} by its owner’s word`,
  donor: (day) => `was left to us on ${day} as a donor of parts`,
};
const tails: Readonly<Record<Exclude<Outcome, 'open' | 'repaired'>, string>> = {
  declined: 'The repair was declined; it goes back as it is.',
  reassembled: 'The repair was declined; it goes back put together, not repaired.',
  scrapped: 'It is scrapped by its owner’s word.',
  donor: 'It stays with us as a donor of parts, by its owner’s word.',
};

/**
 * One sentence or two that can be read out on the telephone: station, holder, waiting for what since when, predicted
 * date against the promised one.
 */
export function answerLine(given: AnswerGiven): string {
  const unit = given.lot && given.lot.of > 1 ? `, unit ${given.lot.unit} of ${given.lot.of}` : '';
  const subject = `${given.tag}, ${given.pump} of ${given.owner}${unit}`;
  if (given.closedAt)
    return `${subject}, ${endings[given.outcome](sayDay(dayInZone(given.closedAt, given.zone), given.now))}.`;
  const since = saySince(given.holderSince, given.now, given.zone);
  if (given.hold)
    return `${subject}, is on hold at ${stationNames[given.station].toLowerCase()} until ${sayDay(given.hold.until, given.now)}, ${heldBy[given.hold.holder]} ${since}: ${given.hold.reason}. It would be ready ${sayRange(given.ready, given.now)}; ${sayPromise(given)}.`;
  const tail =
    given.outcome !== 'open' && given.outcome !== 'repaired'
      ? tails[given.outcome]
      : `Ready ${sayRange(given.ready, given.now)}; ${sayPromise(given)}.`;
  const open = given.asks?.length ? ` Also open: ${given.asks.join('; ').toLowerCase()}.` : '';
  return `${subject}, is ${heldBy[given.holder]} ${since}, waiting for ${given.waitingFor}.${open} ${tail}`;
}
