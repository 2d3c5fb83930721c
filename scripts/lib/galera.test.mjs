import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { addressOf, latestOf, placesFor } from './galera.mjs';

/** @type {string} */
let folder;
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'puddlestone-places-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

test('each node has a folder and four ports of its own, below those that are given by chance', async () => {
  const places = await placesFor(folder);
  const ports = places.flatMap((place) => [...[place.port, place.groupPort, place.stateEndPort, place.stateStartPort]]);
  expect(new Set(ports).size).toBe(12);
  expect(Math.max(...ports)).toBeLessThan(32_000);
  expect(places.map((place) => place.folder)).toEqual([1, 2, 3].map((i) => join(folder, `node-${i}`)));
});

test('an address names every node once, the wanted one first', async () => {
  const places = await placesFor(folder);
  const [one, two, three] = places.map(({ port }) => `127.0.0.1:${port}`);
  expect(addressOf(places)).toContain(`@${one},${two},${three}/puddlestone`);
  expect(addressOf(places, 1)).toContain(`@${two},${three},${one}/puddlestone`);
  expect(addressOf(places, 2, [7001, 7002, 7003])).toContain('@127.0.0.1:7003,127.0.0.1:7001,127.0.0.1:7002/');
  // The word is the cluster's, not one of each node.
  expect(new URL(addressOf(places).replace(/,[^/]*/, '')).password).toMatch(/^[0-9a-f]{64}$/);
});

test('the node that was stopped last makes the cluster anew; a fresh one begins with the first', async () => {
  const places = await placesFor(folder);
  expect(latestOf(places)).toBe(0);
  for (const [i, isSafe] of [0, 1, 0].entries()) {
    mkdirSync(join(folder, `node-${i + 1}`, 'mariadb'), { recursive: true });
    writeFileSync(
      join(folder, `node-${i + 1}`, 'mariadb', 'grastate.dat'),
      `# GALERA saved state\nversion: 2.1\nuuid: u\nseqno: 9\nsafe_to_bootstrap: ${isSafe}\n`,
    );
  }
  expect(latestOf(places)).toBe(1);
});
