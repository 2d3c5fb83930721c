import { dateFormat } from '@/words/formats';
import type { Catalogue, Language } from '@/words';
import type { OwnLetters } from '@/core/letters';
import type { Put } from '@/core/change';
import type { Family } from '@/core/family';
import type { EventKind, MissingShown, Standing } from '@/core/lifecycle';
import type { ReadyRange } from '@/core/planning';
import type { LengthDisplay } from '@/core/units';
import type { WarrantyTerm } from '@/core/warranty';
import type { JobRecord, PersonId, Role, Station, Tool } from '@/core/record';

/** What a job's page shows that follows from the record and the day; small, and sent anew with every change. */
export interface JobFrame {
  readonly answer: string;
  readonly standing: Pick<Standing, 'asks' | 'remaining'>;
  readonly ready: ReadyRange;
  /** By the plan that stands; null where the pump is in none. */
  readonly planned?: { readonly limit: string; readonly keptPct: number } | null;
  readonly today: string;
  readonly zone: string;
  /** A newer version of the job's family that it could still take; null otherwise. */
  readonly newerFamily: string | null;
  /** How the shop reads lengths. */
  readonly lengthDisplay: LengthDisplay;
  /** What the customer reads of the shop, and after how many days a reminder is drafted. */
  readonly shop: {
    readonly name: string;
    readonly place: string;
    readonly telephone: string;
    readonly reminderAfterDays: number;
    readonly language: Language;
    /** Rates of tax that a quote can have, the usual one first. */
    readonly taxes: readonly { readonly name: string; readonly pct: number }[];
    /** Its own words of letters, where it has such. */
    readonly letters: OwnLetters;
    readonly currency: string;
    readonly labourMinorPerHour: number;
  };
  readonly gate: { readonly event: EventKind; readonly words: string; readonly missing: readonly MissingShown[] };
  readonly openLinks: number;
  /** At return: what the warranty covers, by where each part came from. */
  readonly warranty: readonly WarrantyTerm[];
}

/** What a pump is converted from and to, with the names of the parts that leave and come. */
export interface ConversionShown {
  readonly came: string;
  readonly goesBack: string;
  readonly out: readonly string[];
  readonly into: readonly string[];
}

/** Everything a job's page shows, as the server reads it. */
export interface JobView extends JobFrame {
  readonly record: JobRecord;
  readonly family: Family;
  /** Where it goes back otherwise than it came. */
  readonly conversion?: ConversionShown | null;
  readonly instruments: readonly Tool[];
  /** The language of its quote, where that is not English. */
  readonly catalogue?: Catalogue | null;
  /** Who may sign a hold point by PIN. */
  readonly signers: readonly { readonly personId: PersonId; readonly name: string; readonly role: Role }[];
  /** Who may do each verb; the owner may do all. A move of the job is named `advance-job:` and its event. */
  readonly audiences: Readonly<Record<string, readonly string[]>>;
  readonly person: { readonly personId: string; readonly name: string; readonly role: Role };
}

/** What changed in a job, from one version to another. */
export interface JobChanged {
  readonly tag: string;
  readonly from: number;
  readonly version: number;
  readonly headHash: string;
  readonly puts: readonly Put[];
  readonly frame: JobFrame;
}

/** A sheet shows its station; `isHere` when the job stands there and nothing stops it. */
export interface SheetProps {
  readonly view: JobView;
  readonly isHere: boolean;
}

/** A moment as the shop's clock says it: "24 Nov, 14:05". */
export function sayMoment(iso: string, zone: string): string {
  return dateFormat('en-GB', {
    timeZone: zone,
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  }).format(new Date(iso));
}

export function sayDate(isoDate: string): string {
  return dateFormat('en-GB', { timeZone: 'UTC', day: 'numeric', month: 'short', year: 'numeric' }).format(
    new Date(`${isoDate.slice(0, 10)}T00:00:00Z`),
  );
}

/** A day with its year only where that is not the present one. @param today ISO date */
export function sayShortDate(isoDate: string, today: string): string {
  const said = sayDate(isoDate);
  return isoDate.slice(0, 4) === today.slice(0, 4) ? said.replace(/ \d{4}$/, '') : said;
}

/** The address of a station's sheet; where the job stands it is the job's own, so that the page follows it onwards. */
export function stationHref(record: Pick<JobRecord, 'tag' | 'station'>, station: Station, anchor = ''): string {
  return `/jobs/${record.tag}${station === record.station ? '' : `?at=${station}`}${anchor ? `#${anchor}` : ''}`;
}
