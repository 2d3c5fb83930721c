import { set, type FieldErrors, type FieldValues, type Resolver } from 'react-hook-form';

/** What was typed, understood; or what cannot be read, by the path of its field. */
export type ReadForm<Read> =
  | { readonly ok: true; readonly read: Read }
  | { readonly ok: false; readonly issues: Readonly<Record<string, string>> };

/**
 * Issues of one part of a form, by the path of that part.
 * @example issuesUnder('intake', { flow: 'no unit' }) // { 'intake.flow': 'no unit' }
 */
export const issuesUnder = (part: string, issues: Readonly<Record<string, string>>) =>
  Object.fromEntries(Object.entries(issues).map(([name, said]) => [`${part}.${name}`, said]));

/**
 * Lets a form be read by a function of ours, which understands units and money as people type them.
 * The form hands on what was read, or shows each issue at its field.
 */
export function resolverOf<Values extends FieldValues, Read extends FieldValues>(
  read: (values: Values) => ReadForm<Read>,
): Resolver<Values, unknown, Read> {
  return (values) => {
    const answer = read(values);
    if (answer.ok) return { values: answer.read, errors: {} };
    const errors: FieldErrors<Values> = {};
    for (const [path, message] of Object.entries(answer.issues)) set(errors, path, { type: 'unread', message });
    return { values: {}, errors };
  };
}
