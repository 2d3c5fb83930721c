import { DomainError } from '@/core/errors';
import { addTablet, endTablet, findTablet, listTablets, openSession, parkSession } from '@/db';
import { reason, refuse } from '@/core/change/decision';
import type { Context } from '../context';
import { forVerb, inTransaction } from '../use-case';
import { noteAudit } from './audit';
import { noteDeed } from './deed';
import { provePerson } from './prove-person';

/** The tablet that a request comes from. Throws DomainError for a device that is none. */
async function tabletOf({ database, device }: Context) {
  const tablet = device.tabletId ? await findTablet(database, device.tabletId) : null;
  if (!tablet) throw new DomainError('not-a-tablet');
  return tablet;
}

/**
 * On a bench tablet that is enrolled and signed in, another person takes over by PIN. The session before is parked: it
 * sends what was entered under it and opens nothing more.
 */
export const switchPerson = forVerb('switch-person', async (context, command) => {
  const tablet = await tabletOf(context);
  const person = await provePerson(context, command);
  const { id: tabletId } = tablet;
  const sessionId = context.newId();
  const { client, agent } = context.device;
  const at = context.now();
  await inTransaction(context, async (connection) => {
    await parkSession(connection, { id: context.device.sessionId, tabletId, by: person.id, at });
    const session = { id: sessionId, personId: person.id, startedAt: at, seenAt: at, tabletId, client, agent };
    await openSession(connection, { ...session, how: 'PIN' });
    return null;
  });
  await noteAudit(context, { kind: 'took over', words: `by PIN on ${tablet.name}`, person });
  return { sessionId, personId: person.id, name: person.name, role: person.role };
});

/** Makes the device at which this is pressed a tablet of the bench. */
export const enrolTablet = forVerb('enrol-tablet', async (context, { name }) => {
  const { actor } = context;
  if (actor.kind !== 'person') throw new DomainError('not-signed-in');
  return inTransaction(context, async (connection) => {
    if ((await listTablets(connection)).some((one) => one.name.toLowerCase() === name.toLowerCase()))
      refuse('bad-input', reason('tablet-name-taken', { name }), 'name');
    const tabletId = context.newId();
    await addTablet(connection, { id: tabletId, name, personName: actor.name, at: context.now() });
    await noteDeed(context, connection, 'enrol-tablet', `enrolled the tablet “${name}”: people take over there by PIN`);
    return { tabletId, name };
  });
});

/** Ends a tablet, such as one that was lost: who is signed in there is out, and nobody takes over there by PIN. */
export const endTabletVerb = forVerb('end-tablet', async (context, { tabletId }) =>
  inTransaction(context, async (connection) => {
    const tablet = (await findTablet(connection, tabletId)) ?? refuse('not-found', reason('no-tablet'));
    const ended = await endTablet(connection, tabletId, context.now());
    await noteDeed(context, connection, 'end-tablet', `ended the tablet “${tablet.name}”`);
    return { ended };
  }),
);
