import type { Family } from '../family';
import { nameQuote } from '../quoting';
import type { JobRecord } from '../record';
import { scopeOf, type StandingItem } from '../scope';
import type { AsBuilt } from './as-built';

/** What is said of why an item was done: its findings, the shop's rule, or who decided it. */
function whyOf(record: JobRecord, { findingIds, policy, reason }: StandingItem): string {
  const found = record.findings.filter(({ id }) => findingIds.includes(id)).map(({ words }) => words);
  return [...found, ...(policy ? [policy] : []), ...(reason && !found.length ? [reason] : [])].join('; ');
}

/** The scope as it ended: all but what was only thought of and never offered. */
export function scopeListed(record: JobRecord, family: Family): NonNullable<AsBuilt['scope']> {
  return scopeOf(record, family)
    .filter(({ standing, source }) => standing !== 'proposed' || source === 'kept')
    .map((item) => ({
      ...{ what: item.title, action: item.action, why: whyOf(record, item), source: item.source },
      ...{ standing: item.source === 'kept' ? 'kept' : item.standing, quote: item.quote && nameQuote(item.quote) },
    }));
}

/** What was declined though the pump may fail without it, and the disclaimer that it went on with. */
export function disclaimersOf({ declines }: JobRecord): readonly string[] {
  return declines
    .filter(({ decision }) => decision === 'go on')
    .map(({ words, personName }) => `${words} (${personName})`);
}
