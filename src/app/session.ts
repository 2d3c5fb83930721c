import { getIronSession } from 'iron-session';
import { cookies, headers } from 'next/headers';
import { cache } from 'react';
import type { Actor } from '@/core/access';
import { findSessionActor, getRuntime, openCustomerLink, type Context } from '@/server';

interface Sealed {
  sessionId?: string;
}

async function isSecure(): Promise<boolean> {
  return (await headers()).get('x-forwarded-proto') === 'https';
}

/** The sealed cookie of this browser: HTTP-only, same site. */
export async function openSealed() {
  const password = process.env.PUDDLESTONE_SECRET;
  if (!password) throw new Error('PUDDLESTONE_SECRET is not set: start with npm start');
  return getIronSession<Sealed>(await cookies(), {
    password,
    cookieName: 'puddlestone',
    ttl: 14 * 86400,
    cookieOptions: { httpOnly: true, sameSite: 'lax', secure: await isSecure(), path: '/' },
  });
}

export const currentActor = cache(async (): Promise<Actor> => {
  const { sessionId } = await openSealed();
  return findSessionActor(getRuntime().database, sessionId);
});

export async function currentOrigin(): Promise<string> {
  const given = await headers();
  return `${given.get('x-forwarded-proto') ?? 'http'}://${given.get('x-forwarded-host') ?? given.get('host') ?? 'localhost:4170'}`;
}

/** The context of this request: the person of the session, or the customer of a link. */
export async function requestContext(customerToken?: string | null): Promise<Context> {
  const runtime = getRuntime();
  const actor = customerToken
    ? await openCustomerLink(runtime.database, customerToken, new Date())
    : await currentActor();
  return runtime.contextFor(actor, { origin: await currentOrigin() });
}
