'use client';

import { createContext, useContext, type ReactNode } from 'react';

interface WhoseWork {
  readonly audiences: Readonly<Record<string, readonly string[]>>;
  readonly role: string;
}

const WhoseContext = createContext<WhoseWork | null>(null);

/** Tells the buttons below whose work each verb is, so that they say so instead of being refused. */
export function Whose({ audiences, role, children }: WhoseWork & { readonly children: ReactNode }) {
  return <WhoseContext value={{ audiences, role }}>{children}</WhoseContext>;
}

/** Whether a role may do a verb; the owner may do all. */
export const mayDo = (audiences: WhoseWork['audiences'], verb: string, role: string): boolean =>
  role === 'owner' || (audiences[verb]?.includes(role) ?? false);

/** The roles that do a verb when the person here does not; null when they may, or when nothing is known. */
export function useOthersWork(verb: string | undefined): readonly string[] | null {
  const whose = useContext(WhoseContext);
  const audience = verb ? whose?.audiences[verb] : undefined;
  if (!whose || !audience || whose.role === 'owner' || audience.includes(whose.role)) return null;
  return audience;
}
