import { receive } from '@/core/change';
import { DomainError } from '@/core/errors';
import { findCustomerByName, listTagsOfCustomer, mergeCustomer } from '@/db';
import { changeJob, type JobCommand } from '../change-job';
import type { Context } from '../context';
import { forVerb } from '../use-case';
import { noteDeed } from './deed';

function refuseName(path: 'from' | 'into', message: string): never {
  throw new DomainError('bad-input', { what: message, issues: [{ path, message }] });
}

/** A customer by their name. Throws DomainError where there is none. */
async function named({ database }: Context, path: 'from' | 'into', name: string) {
  return (await findCustomerByName(database, name)) ?? refuseName(path, `There is no customer “${name}”.`);
}

/**
 * Makes one customer of two: every job of the first says that its owner is the second, with the reason; then the first
 * is offered no more. Broken off in between, it is done again: what is moved stays moved.
 */
export const mergeCustomers = forVerb('merge-customers', async (context, { from, into, reason }) => {
  const [one, other] = [await named(context, 'from', from), await named(context, 'into', into)];
  if (one.id === other.id) refuseName('into', `“${from}” and “${into}” are one customer already.`);
  const { remember: _remember, entry: _entry, ...alone } = context;
  const job: JobCommand<'correct-owner', receive.OwnerFacts, undefined> = {
    verb: 'correct-owner',
    decider: receive.correctOwner,
    prepare: () => ({ facts: { customer: { id: other.id, name: other.name }, isMerge: true } }),
  };
  const tags = await listTagsOfCustomer(context.database, one.id);
  for (const tag of tags) await changeJob(alone, job, { tag, command: { tag, customer: other.name, reason } });
  await context.database.transaction(async (connection) => {
    await mergeCustomer(connection, one.id, other.id);
    await noteDeed(context, connection, 'merge-customers', `made “${one.name}” one with “${other.name}”: ${reason}`);
  });
  return { moved: tags.length };
});
