import type * as z from 'zod';
import type { Audience } from '@/core/access';

/** One verb of the door: what it does in a sentence, who may, what it takes, what it answers. */
export interface VerbDescription<Input extends z.ZodType = z.ZodType, Result extends z.ZodType = z.ZodType> {
  readonly about: string;
  /** Who may do it; the owner always may. */
  readonly audience: readonly Audience[];
  readonly input: Input;
  readonly result: Result;
}

/** A verb with its types kept. */
export function verb<const Input extends z.ZodType, const Result extends z.ZodType>(
  description: VerbDescription<Input, Result>,
): VerbDescription<Input, Result> {
  return description;
}
