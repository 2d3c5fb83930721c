'use client';

import { Link } from '../ui/link';
import { useState } from 'react';

interface Line {
  readonly kind: 'changes' | 'moves' | 'reads';
  readonly words: string;
  readonly may: readonly boolean[];
  readonly others: readonly string[];
}

export interface PermissionsView {
  readonly roles: readonly string[];
  readonly lines: readonly Line[];
}

const headings = { changes: 'Changes', moves: 'Moves of a job', reads: 'Reads' } as const;
type Kind = keyof typeof headings;
const kinds: readonly Kind[] = ['changes', 'moves', 'reads'];

function Rows({
  lines,
  kind,
  width,
}: {
  readonly lines: readonly Line[];
  readonly kind: Kind;
  readonly width: number;
}) {
  if (!lines.length) return null;
  return (
    <tbody>
      <tr>
        <th colSpan={width} scope="colgroup" className="pt-4 text-left font-bold">
          {headings[kind]}
        </th>
      </tr>
      {lines.map(({ words, may, others }) => (
        <tr key={words} className="row">
          <th scope="row" className="py-1 pr-4 text-left font-normal first-letter:uppercase">
            {words}
          </th>
          {may.map((isAllowed, i) => (
            <td key={i} className="px-2 text-center">
              {isAllowed ? <b>may</b> : <span className="text-quiet">–</span>}
            </td>
          ))}
          <td className="pl-2 text-13">{others.join(', ')}</td>
        </tr>
      ))}
    </tbody>
  );
}

/** Who may do what, as the rule says that every request passes. */
export function PermissionsPage({ view: { roles, lines } }: { readonly view: PermissionsView }) {
  const [sought, seek] = useState('');
  const found = lines.filter(({ words }) => words.toLowerCase().includes(sought.trim().toLowerCase()));
  return (
    <div className="space-y-4 p-6">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-24 font-bold">Who may do what</h1>
        <p role="status">
          {found.length === lines.length ? `${lines.length} things` : `${found.length} of ${lines.length} things`}
        </p>
        <Link href="/library/people" className="ml-auto underline underline-offset-4">
          People
        </Link>
      </div>
      <p className="max-w-[72ch]">
        Read from the rule that every request passes. A person has one role, which the owner gives; the owner may do all
        that people do. A customer’s link reaches one pump and one quote.
      </p>
      <label className="block max-w-[320px]">
        <span className="text-13">Find a thing</span>
        <input
          type="search"
          value={sought}
          onChange={(event) => seek(event.target.value)}
          className="min-h-11 w-full border-b border-ink bg-transparent"
        />
      </label>
      <table className="w-full">
        <thead className="sticky top-0 bg-paper">
          <tr>
            <th className="text-left text-13 font-normal text-quiet">What</th>
            {roles.map((role) => (
              <th key={role} scope="col" className="px-2 text-13">
                {role}
              </th>
            ))}
            <th scope="col" className="pl-2 text-left text-13">
              others
            </th>
          </tr>
        </thead>
        {kinds.map((kind) => (
          <Rows key={kind} {...{ kind, lines: found.filter((line) => line.kind === kind) }} width={roles.length + 2} />
        ))}
      </table>
    </div>
  );
}
