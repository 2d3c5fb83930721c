import { DomainError } from '@/core/errors';
import { letterFaults, letterKinds, type OwnLetters } from '@/core/letters';
import { schoolOfMatter } from '@/core/policies';
import type { Matter } from '@/core/record';
import type { ChangeSettings } from '@/contract/people';
import { hasSums, readShop, saveShopSettings, saveShopSign, type ShopSettings } from '@/db';
import { forVerb, inTransaction } from '../use-case';
import { noteDeed } from './deed';

/** Refuses a school that is none of its matter. */
function checkSchools(policies: Readonly<Partial<Record<Matter, string>>>): void {
  for (const [matter, school] of Object.entries(policies) as [Matter, string][])
    if (!schoolOfMatter(matter, school)) {
      const message = `“${school}” is no way that this shop knows`;
      const issues = [{ path: `policies.${matter}`, message }];
      throw new DomainError('bad-input', { what: `${matter}: ${message}.`, issues });
    }
}

/** Refuses words of a letter with a field that there is not, or without one that it must have. */
function checkLetters(letters: NonNullable<ChangeSettings['letters']>): void {
  const issues = letterKinds.flatMap((kind) => {
    const words = letters[kind];
    return words
      ? letterFaults(kind, words).map(({ at, message }) => ({ path: `letters.${kind}.${at}`, message }))
      : [];
  });
  const [first] = issues;
  if (first) throw new DomainError('bad-input', { what: `${first.message}.`, issues });
}

/** The shop's own words after some letters were worded anew, or given back to the usual ones. */
function lettersAfter(before: OwnLetters, change: NonNullable<ChangeSettings['letters']>): OwnLetters {
  const all = letterKinds.map((kind) => [kind, change[kind] === undefined ? before[kind] : change[kind]] as const);
  return Object.fromEntries(all.filter(([, words]) => words));
}

const names: Readonly<Record<keyof ChangeSettings, string>> = {
  ...{ labourMinorPerHour: 'labour, an hour', machiningMinorPerHour: 'machining, an hour' },
  ...{ testMinor: 'test on the stand', freightMinor: 'return freight', partsMarkupPct: 'mark-up on parts' },
  ...{
    taxPct: 'tax',
    taxes: 'other taxes',
    warrantyMonths: 'months of warranty',
    quoteValidDays: 'days for which quotes stand',
  },
  ...{ reminderAfterDays: 'days until a reminder', wageMinorPerHour: 'wage, an hour', telephone: 'telephone' },
  ...{ address: 'address', paperSize: 'sheet of its papers', language: 'language of its papers' },
  ...{ basis: 'what repairs are held against', policies: 'the shop’s ways', letters: 'the words of its letters' },
};

const sayTaxes = (taxes: ChangeSettings['taxes']) =>
  taxes?.map(({ name, pct }) => `${name} ${pct} %`).join(', ') || 'none';

/** Each thing that is another one now, with what it was. */
function changesInWords(was: ShopSettings, change: ChangeSettings): readonly string[] {
  return (Object.keys(names) as (keyof ChangeSettings)[]).flatMap((name) => {
    const [before, after] = [JSON.stringify(was[name]), JSON.stringify(change[name])];
    if (after === undefined || before === after) return [];
    if (name === 'policies' || name === 'basis' || name === 'letters') return [names[name]];
    if (name === 'taxes') return [`${names[name]}: ${sayTaxes(change.taxes)} (were ${sayTaxes(was.taxes)})`];
    const isMoney = name.includes('Minor');
    const say = (value: unknown) =>
      value === null ? 'none' : isMoney ? (Number(value) / 100).toFixed(2) : String(value);
    return [`${names[name]}: ${say(change[name])} (was ${say(was[name])})`];
  });
}

/** What the shop is called, where it is, and what it reckons in: the last only while nothing was quoted or ordered. */
export const changeShop = forVerb('change-shop', (context, sign) =>
  inTransaction(context, async (connection) => {
    const shop = await readShop(connection);
    if (!shop) throw new DomainError('not-found', { what: 'There is no shop yet.' });
    if (sign.currency !== shop.currency && (await hasSums(connection))) {
      const message = `quotes and orders are in ${shop.currency} already, and sums of two currencies are not added`;
      throw new DomainError('bad-input', {
        what: `Currency ${sign.currency}: ${message}.`,
        issues: [{ path: 'currency', message }],
      });
    }
    await saveShopSign(connection, sign);
    const changed = (['name', 'place', 'currency'] as const).filter((key) => sign[key] !== shop[key]);
    const words = changed.map((key) => `${key}: ${sign[key]} (was ${shop[key]})`);
    if (words.length) await noteDeed(context, connection, 'change-shop', `settled ${words.join('; ')}`);
    return { changed };
  }),
);

/** What the owner settles for the shop. Open jobs keep the schools that they came in with. */
export const changeSettings = forVerb('change-settings', (context, change) =>
  inTransaction(context, async (connection) => {
    const shop = await readShop(connection);
    if (!shop) throw new DomainError('not-found', { what: 'There is no shop yet.' });
    checkSchools(change.policies ?? {});
    checkLetters(change.letters ?? {});
    const given = Object.entries(change).filter(([, value]) => value !== undefined);
    await saveShopSettings(connection, {
      ...shop.settings,
      ...Object.fromEntries(given),
      letters: lettersAfter(shop.settings.letters, change.letters ?? {}),
    });
    const words = changesInWords(shop.settings, change);
    if (words.length) await noteDeed(context, connection, 'change-settings', `settled ${words.join('; ')}`);
    return { changed: given.map(([name]) => name) };
  }),
);
