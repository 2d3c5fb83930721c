import { sealData, unsealData } from 'iron-session';
import { LRUCache } from 'lru-cache';
import { cookies, headers } from 'next/headers';
import { cache } from 'react';
import * as z from 'zod';
import { sayAgent, type Actor } from '@/core/access';
import { DomainError } from '@/core/errors';
import type { PersonId } from '@/core/record';
import type { Context, Device, Entry } from '@/server';
import { served } from './served';

const runtime = () => served().getRuntime();
const secret = () => served().installationSecret();

const cookieName = 'puddlestone';
/** Two weeks, in seconds. */
const sessionSeconds = 14 * 86400;

const sealedSchema = z.object({ sessionId: z.string(), use: z.enum(['session', 'entries']).default('session') });
/** What a device keeps of itself: its id, the tablet it is, and who has signed in on it with their password. */
const deviceSchema = z.object({
  deviceId: z.string().max(36),
  tabletId: z.string().max(36).nullable(),
  knows: z.array(z.string().max(36).brand<'PersonId'>()),
});
/** How many people a device remembers, those who came last: a browser drops a cookie of more than 4 kB. */
const mostKnown = 20;
type KeptDevice = z.infer<typeof deviceSchema>;
const deviceCookie = 'puddlestone-device';
/** A year, in seconds. */
const deviceSeconds = 365 * 86400;

/** Seals that were opened a moment ago: opening one takes a millisecond, and every request brings two. */
const opened = new LRUCache<string, NonNullable<unknown>>({ max: 2000, ttl: 60_000 });

async function openSeal(text: string | undefined, seconds: number): Promise<unknown> {
  if (!text) return null;
  const known = opened.get(text);
  if (known) return known;
  const read = await unsealData<unknown>(text, { password: secret(), ttl: seconds }).catch(() => null);
  // An empty object is what the package gives for a seal that has ended or is another's.
  if (typeof read === 'object' && read !== null && Object.keys(read).length) opened.set(text, read);
  return read;
}

/** What was sealed here for a use; undefined for anything else, whatever it is: another seal is nobody's session. */
async function unseal(text: string | undefined, use: 'session' | 'entries'): Promise<string | undefined> {
  const sealed = sealedSchema.safeParse(await openSeal(text, sessionSeconds));
  return sealed.success && sealed.data.use === use ? sealed.data.sessionId : undefined;
}

const keptDevice = cache(async (): Promise<KeptDevice | null> => {
  const sealed = (await cookies()).get(deviceCookie)?.value;
  const read = deviceSchema.safeParse(await openSeal(sealed, deviceSeconds));
  return read.success ? read.data : null;
});

/** What is known of the device that asks. */
export async function currentDevice(): Promise<Device> {
  const [kept, given, sessionId] = await Promise.all([keptDevice(), headers(), currentSessionId()]);
  return {
    ...{ id: kept?.deviceId ?? null, tabletId: kept?.tabletId ?? null, knows: kept?.knows ?? [] },
    // Only what this process or a believed proxy wrote stands in this header (scripts/lib/client-address.mjs).
    client: (given.get('x-forwarded-for') ?? '').slice(0, 64),
    agent: sayAgent(given.get('user-agent') ?? ''),
    sessionId: sessionId ?? null,
  };
}

/** Keeps on this device what it is now: a tablet of the bench, or one on which somebody has signed in. */
export async function keepDevice(change: { readonly tabletId?: string; readonly knows?: PersonId }): Promise<void> {
  const kept = (await keptDevice()) ?? { deviceId: crypto.randomUUID(), tabletId: null, knows: [] };
  const knows = change.knows ? [...new Set([change.knows, ...kept.knows])].slice(0, mostKnown) : kept.knows;
  const device: KeptDevice = { ...kept, knows, ...(change.tabletId !== undefined && { tabletId: change.tabletId }) };
  const sealed = await sealData(device, { password: secret(), ttl: deviceSeconds });
  const isSecure = (await headers()).get('x-forwarded-proto') === 'https';
  const how = { httpOnly: true, sameSite: 'lax', secure: isSecure, path: '/', maxAge: deviceSeconds } as const;
  (await cookies()).set(deviceCookie, sealed, how);
}

/** The session of this browser's cookie. */
export const currentSessionId = cache(async (): Promise<string | undefined> =>
  unseal((await cookies()).get(cookieName)?.value, 'session'),
);

/** Gives this browser its session: a sealed cookie, HTTP-only, same site. */
export async function keepSession(sessionId: string): Promise<void> {
  const isSecure = (await headers()).get('x-forwarded-proto') === 'https';
  const sealed = await sealData({ sessionId, use: 'session' }, { password: secret(), ttl: sessionSeconds });
  const how = { httpOnly: true, sameSite: 'lax', secure: isSecure, path: '/', maxAge: sessionSeconds } as const;
  (await cookies()).set(cookieName, sealed, how);
}

export async function dropSession(): Promise<void> {
  (await cookies()).delete(cookieName);
}

export const currentActor = cache(async (): Promise<Actor> =>
  served().findSessionActor(runtime().database, { id: await currentSessionId(), now: new Date() }),
);

/** Passes that were made within the hour: every page brings one, and a seal takes a millisecond. */
const passes = new LRUCache<string, string>({ max: 2000, ttl: 3_600_000 });

/**
 * What a device keeps beside the entries that its person makes, so that they are recorded under that person whoever is
 * signed in when they are sent. It sends entries only; it ends with the person's session.
 */
export async function makeEntryPass(): Promise<string> {
  const sessionId = await currentSessionId();
  if (!sessionId) return '';
  const known = passes.get(sessionId);
  if (known) return known;
  const pass = await sealData({ sessionId, use: 'entries' }, { password: secret(), ttl: sessionSeconds });
  passes.set(sessionId, pass);
  return pass;
}

export async function currentOrigin(): Promise<string> {
  const given = await headers();
  const host = given.get('x-forwarded-host') ?? given.get('host') ?? 'localhost:4170';
  return `${given.get('x-forwarded-proto') ?? 'http'}://${host}`;
}

/** The person who made an entry that waited. Throws DomainError when that person must sign in again. */
async function makerOf(pass: string): Promise<Actor> {
  const actor = await served().findSessionActor(runtime().database, {
    ...{ id: await unseal(pass, 'entries'), now: new Date(), isForEntries: true },
  });
  if (actor.kind !== 'person') throw new DomainError('maker-signed-out');
  return actor;
}

const entrySchema = z.object({
  key: z.string().regex(/^[\w-]{8,64}$/),
  madeAt: z.iso.datetime().nullable(),
});

/**
 * The entry of a request: its key and the moment when it was made, as the device says. Throws DomainError for nonsense.
 */
export function entryOf(request: Request): Entry | undefined {
  const key = request.headers.get('entry-key');
  if (key === null) return undefined;
  const read = entrySchema.safeParse({ key, madeAt: request.headers.get('entry-made-at') });
  if (read.success) return read.data;
  throw new DomainError('bad-input', {
    what: 'The key of an entry has 8 to 64 letters, figures or hyphens; its moment is an ISO date and time in UTC.',
    issues: [{ path: 'entry-key', message: 'does not fit' }],
  });
}

/**
 * Whether a request brings a seal that was made here. Whose it is, and whether it holds still, the database says; but
 * it is nobody who comes along.
 */
export async function bringsSeal(request: Request): Promise<boolean> {
  const pass = request.headers.get('entry-pass');
  return (pass ? await unseal(pass, 'entries') : await currentSessionId()) !== undefined;
}

/** Who acts in a request: the maker of an entry, the customer of a link, or the person of the session. */
export async function actorOf(request: Request): Promise<Actor> {
  const pass = request.headers.get('entry-pass');
  if (pass) return makerOf(pass);
  const link = request.headers.get('x-customer-link');
  return link ? served().openCustomerLink(runtime().database, link, new Date()) : currentActor();
}

/** All that draws one page looks once. */
const ownContext = cache(async (): Promise<Context> =>
  runtime().contextFor(await currentActor(), {
    ...{ origin: await currentOrigin(), device: await currentDevice(), isOneLook: true },
  }),
);

/** The context of a page or file: the person of the session, or the customer of a link. */
export async function requestContext(customerToken?: string | null): Promise<Context> {
  if (!customerToken) return ownContext();
  const actor = await served().openCustomerLink(runtime().database, customerToken, new Date());
  return runtime().contextFor(actor, { origin: await currentOrigin(), device: await currentDevice() });
}

/** For how long somebody had been at what an entry ends; null where the device does not say, or says nonsense. */
function workSecondsOf(request: Request): number | null {
  const text = request.headers.get('entry-work-seconds') ?? '';
  return /^\d{1,6}$/.test(text) ? Number(text) : null;
}

/** The context of a change. */
export async function changeContext(request: Request, actor: Actor): Promise<Context> {
  const entry = entryOf(request);
  const workSeconds = workSecondsOf(request);
  return {
    ...runtime().contextFor(actor, { origin: await currentOrigin(), device: await currentDevice() }),
    ...(entry && { entry }),
    ...(workSeconds !== null && { workSeconds }),
  };
}
