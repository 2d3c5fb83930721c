/** What a search may ask for beside names: pumps in a state, not of a name. */
export const foundStates = ['late', 'approval', 'week', 'hold', 'parts', 'risk'] as const;
export type FoundState = (typeof foundStates)[number];

/** How each is said above what was found. */
export const foundWords: Readonly<Record<FoundState, string>> = {
  late: 'ready after their promise',
  approval: 'waiting for the customer’s answer',
  week: 'promised this week',
  hold: 'on hold',
  parts: 'waiting for parts',
  risk: 'ordered at risk',
};

const asked: readonly (readonly [FoundState, RegExp])[] = [
  ['late', /^(late|overdue|too late)$/],
  ['approval', /^((waiting|waits?) (for|on) )?(an |the )?(approval|answers?|customers?)$|^(not approved|unanswered)$/],
  ['week', /^((due|promised|going out|goes out) )?this week$/],
  ['hold', /^(on hold|held|stopped)$/],
  ['parts', /^(waiting|waits?) (for|on) (the )?parts$/],
  ['risk', /^(ordered )?at risk$/],
];

/**
 * The state that a text asks for; null where it is a name.
 * @example stateAsked('Waiting for approval') // 'approval'
 */
export function stateAsked(text: string): FoundState | null {
  const words = text.trim().toLowerCase().replace(/\s+/g, ' ');
  return asked.find(([, pattern]) => pattern.test(words))?.[0] ?? null;
}
