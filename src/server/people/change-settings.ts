import { DomainError } from '@/core/errors';
import { schoolOfMatter } from '@/core/policies';
import type { Matter } from '@/core/record';
import type { ChangeSettings } from '@/contract/people';
import { readShop, saveShopSettings, type ShopSettings } from '@/db';
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

const names: Readonly<Record<keyof ChangeSettings, string>> = {
  ...{ labourMinorPerHour: 'labour, an hour', machiningMinorPerHour: 'machining, an hour' },
  ...{ testMinor: 'test on the stand', freightMinor: 'return freight', partsMarkupPct: 'mark-up on parts' },
  ...{ taxPct: 'tax', warrantyMonths: 'months of warranty', quoteValidDays: 'days for which quotes stand' },
  ...{ reminderAfterDays: 'days until a reminder', wageMinorPerHour: 'wage, an hour', telephone: 'telephone' },
  ...{ address: 'address', paperSize: 'sheet of its papers' },
  ...{ basis: 'what repairs are held against', policies: 'the shop’s ways' },
};

/** Each thing that is another one now, with what it was. */
function changesInWords(was: ShopSettings, change: ChangeSettings): readonly string[] {
  return (Object.keys(names) as (keyof ChangeSettings)[]).flatMap((name) => {
    const [before, after] = [JSON.stringify(was[name]), JSON.stringify(change[name])];
    if (after === undefined || before === after) return [];
    if (name === 'policies' || name === 'basis') return [names[name]];
    const isMoney = name.includes('Minor');
    const say = (value: unknown) =>
      value === null ? 'none' : isMoney ? (Number(value) / 100).toFixed(2) : String(value);
    return [`${names[name]}: ${say(change[name])} (was ${say(was[name])})`];
  });
}

/** What the owner settles for the shop. Open jobs keep the schools that they came in with. */
export const changeSettings = forVerb('change-settings', (context, change) =>
  inTransaction(context, async (connection) => {
    const shop = await readShop(connection);
    if (!shop) throw new DomainError('not-found', { what: 'There is no shop yet.' });
    checkSchools(change.policies ?? {});
    const given = Object.entries(change).filter(([, value]) => value !== undefined);
    await saveShopSettings(connection, { ...shop.settings, ...Object.fromEntries(given) });
    const words = changesInWords(shop.settings, change);
    if (words.length) await noteDeed(context, connection, 'change-settings', `settled ${words.join('; ')}`);
    return { changed: given.map(([name]) => name) };
  }),
);
