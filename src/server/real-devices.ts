import { isAbsolute, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { StandIns } from '@/stand-ins';

/** What a device of each name must be able to do; see the contract in src/stand-ins. */
const abilities: { readonly [Name in keyof StandIns]: { readonly [Ability in keyof StandIns[Name]]: true } } = {
  gauge: { takeReading: true },
  camera: { takePicture: true },
  scanner: { readBag: true },
  supplier: { acknowledge: true, parcelBy: true, expedite: true, cancel: true, add: true },
  mail: { send: true },
  testStand: { run: true },
};

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null;

/**
 * Devices of a module, checked by name and ability.
 * @param exported what the module exports as default: an object with some of gauge, camera, scanner, supplier, mail, testStand
 * Throws RangeError that names what does not fit.
 */
export function checkDevices(exported: unknown): Partial<StandIns> {
  if (!isObject(exported)) throw new RangeError('the module exports no object of devices as its default');
  for (const [name, device] of Object.entries(exported)) {
    if (!Object.hasOwn(abilities, name))
      throw new RangeError(`“${name}” is no device; devices are ${Object.keys(abilities).join(', ')}`);
    const lacking = Object.keys(abilities[name as keyof StandIns]).filter(
      (ability) => !isObject(device) || typeof device[ability] !== 'function',
    );
    if (lacking.length) throw new RangeError(`${name} lacks ${lacking.join(', ')}`);
  }
  return exported;
}

const shared = globalThis as { puddlestoneDevices?: Partial<StandIns> };

/** The real devices of this copy; those that are missing are simulated. */
export const realDevices = (): Partial<StandIns> => shared.puddlestoneDevices ?? {};

/**
 * Takes real devices from a module, once, before anything is served.
 * @param path of an ES module, from the working folder; undefined leaves all devices simulated
 * Throws Error that names the module when it cannot be used.
 */
export async function takeDevices(path: string | undefined): Promise<void> {
  if (!path) return;
  const url = pathToFileURL(isAbsolute(path) ? path : resolve(process.cwd(), path)).href;
  try {
    const loaded: unknown = await import(/* webpackIgnore: true */ /* turbopackIgnore: true */ url);
    shared.puddlestoneDevices = checkDevices(isObject(loaded) ? loaded.default : undefined);
  } catch (error) {
    throw new Error(
      `PUDDLESTONE_DEVICES = "${path}" cannot be used: ${error instanceof Error ? error.message : error}`,
      {
        cause: error,
      },
    );
  }
}
