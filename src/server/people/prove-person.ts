import { DomainError } from '@/core/errors';
import type { PersonId } from '@/core/record';
import { findPerson } from '@/db';
import type { Context } from '../context';
import { noteAudit } from './audit';
import { isSecretRight } from './passwords';
import { tryOnce } from './tries';

/** Where a PIN is typed: the bench's tablet, else wherever the person who is signed in sits. */
function placeOf({ actor, device }: Context): string {
  if (device.tabletId) return `tablet ${device.tabletId}`;
  return actor.kind === 'person' ? `person ${actor.personId}` : 'nowhere';
}

/**
 * The person whom a PIN proves. Wrong ones are counted by person and device and slow each other down there, and nowhere
 * else; a right one is never counted. Throws DomainError with the wait after too many wrong tries, and where person and
 * PIN do not belong together.
 */
export async function provePerson(
  context: Context,
  { personId, pin }: { readonly personId: PersonId; readonly pin: string },
) {
  const place = placeOf(context);
  const tried = await tryOnce(context, [
    { kind: 'device', of: place },
    { kind: 'pin', of: `${place}/${personId}` },
  ]);
  const person = await findPerson(context.database, personId);
  if (!person?.pinHash || !person.active || !(await isSecretRight(person.pinHash, pin))) {
    const words = person ? `the PIN for ${person.name} was wrong` : 'a PIN for nobody';
    await noteAudit(context, { kind: 'refused', words });
    if (tried.locks.length) await noteAudit(context, { kind: 'locked', words: `${words}, too often` });
    throw new DomainError('wrong-sign-in', { what: 'Person and PIN do not belong together.' });
  }
  await tried.right();
  return person;
}
