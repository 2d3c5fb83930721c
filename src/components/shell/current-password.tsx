import type { ActError } from '../act/act';
import { issueFor, TextField } from '../ui/form';

/** One's own password, for what only its person may do. */
export function CurrentPassword({ error }: { readonly error: ActError | null }) {
  return (
    <TextField
      label="The password that you have now"
      name="current"
      type="password"
      autoComplete="current-password"
      error={issueFor(error, 'current')}
    />
  );
}
