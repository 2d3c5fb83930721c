import type { FieldErrors, FieldValues } from 'react-hook-form';
import type { ActError } from '../act/act';
import { issueFor } from './form';

/** What is wrong with a field of a form: as it was typed, or as the answer said. */
export function faultsOf<Values extends FieldValues>(
  errors: FieldErrors<Values>,
  answered: ActError | null,
): (name: keyof Values & string) => string | undefined {
  return (name) => {
    const said = errors[name]?.message;
    return typeof said === 'string' ? said : issueFor(answered, name);
  };
}
