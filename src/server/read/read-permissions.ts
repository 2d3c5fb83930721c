import * as z from 'zod';
import { moveAudience, verbs } from '@/contract';
import { mayAct, type Audience } from '@/core/access';
import { asId, roles, type PersonId } from '@/core/record';
import { defineUseCase, type UseCase } from '../use-case';

/** A line of who may do what. */
export interface Permission {
  readonly kind: 'changes' | 'moves' | 'reads';
  readonly words: string;
  /** For each role in the order of `roles`, whether it may. */
  readonly may: readonly boolean[];
  /** Who else may: a customer with a link, a service such as a supplier’s desk, anybody. */
  readonly others: readonly string[];
}

const otherWords: Readonly<Record<string, string>> = {
  customer: 'a customer with a link',
  service: 'a supplier’s desk',
  anyone: 'anybody',
};

/** What the rule itself says of an audience: the same function that every request passes. */
function permission(kind: Permission['kind'], words: string, audience: readonly Audience[]): Permission {
  const personId = asId<PersonId>('');
  return {
    ...{ kind, words },
    may: roles.map((role) => mayAct({ kind: 'person', personId, name: '', role }, audience)),
    others: audience.flatMap((one) => otherWords[one] ?? []),
  };
}

const readable = (name: string) => name.replace(/^read-/, '').replaceAll('-', ' ');

/**
 * Makes the use case that says who may do what, from the rules that every request passes.
 * @param reading gives the use cases that read, when it is asked: the table of them has this one, too
 */
export const permissionsOf = (reading: () => readonly UseCase[]) =>
  defineUseCase({
    verb: 'read-permissions',
    audience: ['owner'],
    input: z.strictObject({}),
    run: () =>
      Promise.resolve({
        roles,
        lines: [
          ...Object.values(verbs).map(({ about, audience }) => permission('changes', about, audience)),
          ...Object.entries(moveAudience).map(([event, audience]) => permission('moves', readable(event), audience)),
          ...reading().map(({ verb, audience }) => permission('reads', readable(verb), audience)),
        ],
      }),
  });
export type PermissionsShown = Awaited<ReturnType<ReturnType<typeof permissionsOf>['run']>>;
