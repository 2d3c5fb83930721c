import type { AuditKind } from '@/core/access';
import type { PersonId } from '@/core/record';
import { addAudit } from '@/db';
import type { Context } from '../context';

export interface Audited {
  readonly kind: AuditKind;
  readonly words: string;
  /** Whom it is about; the person who acts where it is left out, null for somebody unknown. */
  readonly person?: { readonly id: PersonId; readonly name: string } | null;
}

/** Notes for the owner who came in, who was refused, or what was taken out. */
export async function noteAudit(context: Context, { kind, words, person }: Audited): Promise<void> {
  const { actor, database, device, now } = context;
  const own = actor.kind === 'person' ? { id: actor.personId, name: actor.name } : null;
  const who = person === undefined ? own : person;
  await addAudit(database, {
    ...{ id: context.newId(), at: now(), kind, words: words.slice(0, 190) },
    ...{ personId: who?.id ?? null, personName: who?.name ?? '' },
    ...{ client: device.client, agent: device.agent },
  });
}
