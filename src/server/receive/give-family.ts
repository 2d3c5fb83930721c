import type { Family } from '@/core/family';
import { saveFamilyOfJob, saveSearchText } from '@/db';
import type { JobChange } from '../change-job';
import { keepFamily } from '../families';
import { searchTextOf } from './search-text';

/** From here on the job and its pump are built by this family: its file is kept, and the job is found by its title. */
export async function giveFamily(
  { connection, record }: Pick<JobChange, 'connection' | 'record'>,
  built: Family,
): Promise<void> {
  await keepFamily(connection, built);
  await saveFamilyOfJob(connection, { id: record.id, pumpId: record.pump.id }, built);
  await saveSearchText(
    connection,
    record.id,
    searchTextOf({
      tag: record.tag,
      customer: record.customer.name,
      pump: record.pump,
      intake: record.intake,
      familyTitle: built.title,
    }),
  );
}
