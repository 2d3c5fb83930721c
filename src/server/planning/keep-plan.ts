import { reason, refuse } from '@/core/change/decision';
import { addAbsence, listCalendars, removeAbsence, saveCalendar, saveResource, saveWeight, saveWish } from '@/db';
import type { Context } from '../context';
import { findRecord } from '../find-job';
import { forVerb, inTransaction } from '../use-case';
import { resourcesNow } from './plan-facts';

const nameOf = ({ actor }: Context) => (actor.kind === 'person' ? actor.name : 'Puddlestone');
const signed = (context: Context) => ({ personName: nameOf(context), at: context.now() });

/** The hand or place of an id; refused where there is none. */
async function resourceOf(context: Context, id: string) {
  const found = (await resourcesNow(context.database)).find((one) => one.id === id);
  return found ?? refuse('bad-input', reason('no-resource', { id }), 'resourceId');
}

export const saveAbsence = forVerb('save-absence', async (context, absence) => {
  await resourceOf(context, absence.resourceId);
  const id = context.newId();
  await inTransaction(context, (connection) => addAbsence(connection, { ...absence, id, ...signed(context) }));
  return { id };
});

export const endAbsence = forVerb('end-absence', (context, { id }) =>
  inTransaction(context, async (connection) => {
    if (!(await removeAbsence(connection, id))) refuse('not-found', reason('no-absence'));
    return { id };
  }),
);

export const saveShopResource = forVerb('save-resource', (context, { basedOn, ...row }) =>
  inTransaction(context, async (connection) => {
    const calendars = await listCalendars(connection);
    if (row.calendarId !== null && !calendars.some(({ id }) => id === row.calendarId))
      refuse('bad-input', reason('no-hours', { id: row.calendarId }), 'calendarId');
    if (!(await saveResource(connection, { ...row, version: basedOn })))
      refuse('changed-meanwhile', reason('plan-changed', { name: row.name }));
    return { version: basedOn + 1 };
  }),
);

export const saveShopCalendar = forVerb('save-calendar', (context, { basedOn, ...row }) =>
  inTransaction(context, async (connection) => {
    if (!(await saveCalendar(connection, { ...row, version: basedOn })))
      refuse('changed-meanwhile', reason('plan-changed', { name: row.name }));
    return { version: basedOn + 1 };
  }),
);

export const wishOperation = forVerb('wish-operation', async (context, wish) => {
  await findRecord(context.database, wish.tag);
  if (wish.resourceId !== null) await resourceOf(context, wish.resourceId);
  const row = { ...wish, id: context.newId(), ...signed(context) };
  await inTransaction(context, (connection) => saveWish(connection, row));
  return { tag: wish.tag };
});

export const weighJob = forVerb('weigh-job', async (context, { tag, weight, reason: words }) => {
  await findRecord(context.database, tag);
  const row = { tag, weight, reason: words, ...signed(context) };
  await inTransaction(context, (connection) => saveWeight(connection, row));
  return { tag };
});
