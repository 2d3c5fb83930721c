import { DomainError } from '@/core/errors';
import { schoolOfMatter } from '@/core/policies';
import type { Matter } from '@/core/record';
import { readShop, saveShopSettings } from '@/db';
import { forVerb, inTransaction } from '../use-case';

/** Refuses a school that is none of its matter. */
function checkSchools(policies: Readonly<Partial<Record<Matter, string>>>): void {
  for (const [matter, school] of Object.entries(policies) as [Matter, string][])
    if (!schoolOfMatter(matter, school)) {
      const message = `“${school}” is no way that this shop knows`;
      const issues = [{ path: `policies.${matter}`, message }];
      throw new DomainError('bad-input', { what: `${matter}: ${message}.`, issues });
    }
}

/** What the owner settles for the shop. Open jobs keep the schools that they came in with. */
export const changeSettings = forVerb('change-settings', (context, change) =>
  inTransaction(context, async (connection) => {
    const shop = await readShop(connection);
    if (!shop) throw new DomainError('not-found', { what: 'There is no shop yet.' });
    checkSchools(change.policies ?? {});
    const given = Object.entries(change).filter(([, value]) => value !== undefined);
    await saveShopSettings(connection, { ...shop.settings, ...Object.fromEntries(given) });
    return { changed: given.map(([name]) => name) };
  }),
);
