import type { CommandOf, ResultOf, Verb } from '@/contract';
import type { Decider } from '@/core/change';
import { changeJob, type Asking, type JobCommand } from './change-job';
import { forVerb, type UseCase } from './use-case';

type Tagged = { readonly tag: string };
export type TaggedVerb = { [V in Verb]: CommandOf<V> extends Tagged ? V : never }[Verb];

/** A verb whose rule needs the record alone. */
export function plain<V extends TaggedVerb>(
  verb: V,
  decider: Decider<CommandOf<V>, Omit<ResultOf<V>, 'version'>>,
): UseCase<CommandOf<V>, ResultOf<V>> {
  return jobCommand<V, undefined, undefined>({
    verb,
    decider,
    prepare: () => ({ facts: undefined }),
    isReadOnly: true,
  });
}

/** A verb whose rule must know something from the database as well. */
export function withFacts<V extends TaggedVerb, Facts>(
  verb: V,
  decider: Decider<CommandOf<V>, Omit<ResultOf<V>, 'version'>, Facts>,
  factsOf: (asking: Asking<CommandOf<V>>) => Promise<Facts> | Facts,
): UseCase<CommandOf<V>, ResultOf<V>> {
  return jobCommand({ verb, decider, prepare: async (asking) => ({ facts: await factsOf(asking) }) });
}

/** A verb with all that its change asks. */
export function jobCommand<V extends TaggedVerb, Facts, Outside>(
  job: JobCommand<V, Facts, Outside>,
): UseCase<CommandOf<V>, ResultOf<V>> {
  const useCase = forVerb(job.verb, (context, command: CommandOf<V>) =>
    changeJob(context, job, { tag: tagOf(command), command }),
  );
  return { ...useCase, isAllOrNothing: !job.ask, readsAhead: job.isReadOnly === true && !job.ask };
}

const tagOf = (command: Tagged) => command.tag;
