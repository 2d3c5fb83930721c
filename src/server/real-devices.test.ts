import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { checkDevices } from './real-devices';

const able = (...abilities: string[]) => Object.fromEntries(abilities.map((name) => [name, () => Promise.resolve()]));

describe('devices of a module', () => {
  test('some of them are enough; the others stay simulated', () => {
    const mail = able('send');
    expect(checkDevices({ mail })).toEqual({ mail });
    expect(checkDevices({})).toEqual({});
  });
  test.each([
    [undefined, 'exports no object of devices'],
    [{ scales: able('weigh') }, '“scales” is no device; devices are gauge, camera, scanner, supplier, mail, testStand'],
    [{ supplier: able('acknowledge') }, 'supplier lacks parcelBy, expedite, cancel, add'],
    [{ supplier: {} }, 'supplier lacks acknowledge, parcelBy, expedite, cancel, add'],
    [{ gauge: null }, 'gauge lacks takeReading'],
    [{ testStand: { run: 'fast' } }, 'testStand lacks run'],
  ])('%j is refused by name', (exported, words) => {
    expect(() => checkDevices(exported)).toThrow(words);
  });
});

describe('a module named by a path', () => {
  const folder = mkdtempSync(join(tmpdir(), 'devices-'));
  afterAll(() => rmSync(folder, { recursive: true }));
  /** Loads a module as a serving copy does, in a process of its own, and says which devices are real after that. */
  const load = (path: string) =>
    execFileSync(
      process.execPath,
      [
        ...['--import', 'tsx', '--input-type=module', '--eval'],
        `import { takeDevices, realDevices } from '${join(import.meta.dirname, 'real-devices.ts')}';
        await takeDevices('${path}').then(() => console.log(Object.keys(realDevices()).join()), (error) => console.log(error.message));`,
      ],
      { encoding: 'utf8', cwd: join(import.meta.dirname, '../..') },
    ).trim();

  test('is loaded, and its devices are taken', () => {
    const path = join(folder, 'own.mjs');
    writeFileSync(path, 'export default { mail: { async send() {} }, gauge: { async takeReading() {} } };');
    expect(load(path)).toBe('mail,gauge');
  });
  test('is refused with its path where it is not there or does not fit', () => {
    const path = join(folder, 'wrong.mjs');
    writeFileSync(path, 'export const mail = {};');
    expect(load(path)).toMatch(/^PUDDLESTONE_DEVICES = ".*wrong\.mjs" cannot be used: the module exports no object/);
    expect(load(join(folder, 'none.mjs'))).toMatch(/none\.mjs" cannot be used: Cannot find module/);
  });
});
