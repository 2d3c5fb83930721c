'use client';

import {
  useId,
  type ButtonHTMLAttributes,
  type ComponentProps,
  type InputHTMLAttributes,
  type ReactNode,
  type SelectHTMLAttributes,
} from 'react';
import { usePhrase } from '../words/phrase';
import { useOthersWork } from './whose';
import type { ActError } from '../act/act';

type Tone = 'main' | 'plain' | 'quiet';
const tones: Readonly<Record<Tone, string>> = {
  main: 'bg-ink text-onink border-ink',
  plain: 'bg-sheet text-ink border-ink',
  quiet: 'bg-transparent text-ink border-transparent underline underline-offset-4',
};

/** A button; with the verb that it sends, it says whose work that is where the person here does not do it. */
export function Button({
  tone = 'plain',
  className = '',
  verb,
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { readonly tone?: Tone; readonly verb?: string }) {
  const others = useOthersWork(verb);
  if (others)
    return (
      <p className={`max-w-[46ch] text-13 text-quiet ${className.includes('ml-auto') ? 'ml-auto' : ''}`}>
        “{rest.children}” is for {others.join(', ')}: take over by PIN at the top right.
      </p>
    );
  return (
    <button
      type="button"
      {...rest}
      className={`pebbly inline-flex min-h-12 items-center justify-center gap-2 border px-4 font-semibold ${tones[tone]} ${className}`}
    />
  );
}

interface FieldProps {
  readonly label: string;
  readonly error?: string | undefined;
  readonly hint?: string;
}

function Frame({
  label,
  error,
  hint,
  id,
  children,
}: FieldProps & { readonly id: string; readonly children: ReactNode }) {
  const phrase = usePhrase();
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="mb-1 block text-13 text-quiet">
        {label}
      </label>
      {children}
      {hint && !error && <p className="mt-1 text-13 text-quiet">{hint}</p>}
      {error && (
        <p id={`${id}-error`} className="mt-1 text-13 font-semibold text-jasper">
          {phrase(error)}
        </p>
      )}
    </div>
  );
}

export function TextField({
  label,
  error,
  hint,
  className = '',
  ...rest
}: FieldProps & InputHTMLAttributes<HTMLInputElement>) {
  const id = useId();
  return (
    <Frame label={label} error={error} id={id} {...(hint && { hint })}>
      <input
        id={id}
        autoComplete="off"
        {...rest}
        aria-invalid={Boolean(error)}
        aria-describedby={error ? `${id}-error` : undefined}
        className={`field ${className}`}
      />
    </Frame>
  );
}

export function TextArea({ label, error, hint, ...rest }: FieldProps & ComponentProps<'textarea'>) {
  const id = useId();
  return (
    <Frame label={label} error={error} id={id} {...(hint && { hint })}>
      <textarea id={id} rows={2} {...rest} aria-invalid={Boolean(error)} className="field" />
    </Frame>
  );
}

export function SelectField({
  label,
  error,
  hint,
  children,
  ...rest
}: FieldProps & SelectHTMLAttributes<HTMLSelectElement>) {
  const id = useId();
  return (
    <Frame label={label} error={error} id={id} {...(hint && { hint })}>
      <select id={id} {...rest} aria-invalid={Boolean(error)} className="field">
        {children}
      </select>
    </Frame>
  );
}

/** What is wrong, what was kept, what to do; and for a shut gate, each missing thing. */
export function ErrorNote({ error }: { readonly error: ActError | null }) {
  const phrase = usePhrase();
  if (!error) return null;
  return (
    <div role="alert" className="my-2 border-l-4 border-jasper bg-sheet px-3 py-2">
      <p className="font-semibold">{phrase(error.what)}</p>
      <p className="text-13 text-quiet">
        {phrase(error.kept)} {phrase(error.todo)}
      </p>
      {error.missing && error.missing.length > 0 && (
        <ul className="mt-1 list-disc pl-5 text-13">
          {error.missing.slice(0, 12).map((line) => (
            <li key={line.anchor + line.words}>{line.words}</li>
          ))}
        </ul>
      )}
    </div>
  );
}

export function issueFor(error: ActError | null, path: string): string | undefined {
  return error?.issues.find((issue) => issue.path === path || issue.path.endsWith(`.${path}`))?.message;
}
