// The worker that stands between a tablet and the shop: it keeps the application itself, pictures that were seen, and
// one page that shows what the tablet holds, and gives them where nobody answers. It never answers for the shop's record.
import { clientsClaim, skipWaiting, type WorkboxPlugin } from 'workbox-core';
import { ExpirationPlugin } from 'workbox-expiration';
import { cleanupOutdatedCaches, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching';
import { registerRoute } from 'workbox-routing';
import { CacheFirst } from 'workbox-strategies';
import { heldPath, heldCache, pictureCache } from '@/components/held/caches';
import { readPicture } from '@/components/held/held-store';

/** Files of the application with their fingerprints in their names; put in by the build. */
declare const applicationFiles: readonly PrecacheEntry[];
/** How long somebody may be silent before the page that is held is shown, in ms. */
const patience = 8000;
/** Pictures that a shift looks at. */
const mostPictures = 400;

skipWaiting();
clientsClaim();
cleanupOutdatedCaches();
precacheAndRoute([...applicationFiles]);

/** Where the held page stands in for another: those of people at work, not of customers, and no files. */
const isOfShop = ({ pathname }: URL) =>
  !/^\/(api|files|customer|sign-in|welcome|empty|solver|_next)(\/|$)/.test(pathname) && !/\.\w+$/.test(pathname);

async function heldPage(): Promise<Response | undefined> {
  return (await caches.open(heldCache)).match(heldPath);
}

const isSilent = ({ status }: Response) => status === 502 || status === 503 || status === 504;

/** A page that failed because the record cannot be reached, not by a fault of its own. */
async function isRecordAway({ status }: Response): Promise<boolean> {
  if (status < 500) return false;
  const health = await fetch('/api/health', { cache: 'no-store' }).catch(() => null);
  return !health || isSilent(health);
}

/** The page as the shop gives it; where nobody answers, the one that shows what is held, if there is one. */
async function page(request: Request): Promise<Response> {
  const held = await heldPage();
  if (!held) return fetch(request);
  try {
    // A page that is asked for anew and never comes is as good as none.
    const answer = await Promise.race([
      fetch(request),
      new Promise<never>((_, refuse) => setTimeout(() => refuse(new Error('nobody answers')), patience)),
    ]);
    return (await isRecordAway(answer)) ? held : answer;
  } catch {
    return held;
  }
}

registerRoute(
  ({ request, url, sameOrigin }) => sameOrigin && request.mode === 'navigate' && isOfShop(url),
  ({ request }) => page(request),
);

// The package's own plugin; its type leaves callbacks out by `undefined`, which ours are strict about.
const oldestGo = new ExpirationPlugin({ maxEntries: mostPictures, purgeOnQuotaError: true }) as WorkboxPlugin;
const pictures = new CacheFirst({ cacheName: pictureCache, plugins: [oldestGo] });

registerRoute(
  ({ request, url, sameOrigin }) =>
    sameOrigin && request.destination === 'image' && url.pathname.startsWith('/files/photo/') && !url.search,
  async (asked) => {
    // One that waits to be sent has the key of its entry for a name.
    const waiting = await readPicture(asked.url.pathname.split('/')[3] ?? '').catch(() => null);
    return waiting ? new Response(waiting.file) : pictures.handle(asked);
  },
);

// A new build has other files: the page that is held must be one of it.
self.addEventListener('activate', (event) => {
  const renew = async () => {
    if (!(await heldPage())) return;
    const answer = await fetch(heldPath, { cache: 'no-store' });
    if (answer.ok && !answer.redirected) await (await caches.open(heldCache)).put(heldPath, answer);
  };
  // The lifetime of a worker's event is known to browsers, not to the library of windows.
  (event as Event & { waitUntil(done: Promise<unknown>): void }).waitUntil(renew().catch(() => undefined));
});
