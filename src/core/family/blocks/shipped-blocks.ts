import adjustedBearings from '@families/blocks/adjusted-bearings.json';
import cartridgeSeal from '@families/blocks/cartridge-seal.json';
import componentSeal from '@families/blocks/component-seal.json';
import couplingGuard from '@families/blocks/coupling-guard.json';
import doubleSeal from '@families/blocks/double-seal.json';
import heatedBearing from '@families/blocks/heated-bearing.json';
import isolation from '@families/blocks/isolation.json';
import kitOpened from '@families/blocks/kit-opened.json';
import lipSeal from '@families/blocks/lip-seal.json';
import magnetRotor from '@families/blocks/magnet-rotor.json';
import motorBearings from '@families/blocks/motor-bearings.json';
import motorWindings from '@families/blocks/motor-windings.json';
import packingBox from '@families/blocks/packing-box.json';
import reliefValve from '@families/blocks/relief-valve.json';
import rotorSeal from '@families/blocks/rotor-seal.json';
import runReadings from '@families/blocks/run-readings.json';
import spacerCoupling from '@families/blocks/spacer-coupling.json';
import timingGears from '@families/blocks/timing-gears.json';
import { blockSchema, type Block } from './block-schema';

const bodies: readonly unknown[] = [
  adjustedBearings,
  cartridgeSeal,
  componentSeal,
  couplingGuard,
  doubleSeal,
  heatedBearing,
  isolation,
  kitOpened,
  lipSeal,
  magnetRotor,
  motorBearings,
  motorWindings,
  packingBox,
  reliefValve,
  rotorSeal,
  runReadings,
  spacerCoupling,
  timingGears,
];

/** The blocks that ship with this version, by their ids, read once. */
export const shippedBlocks: ReadonlyMap<string, Block> = new Map(
  bodies.map((body) => {
    const block = blockSchema.parse(body);
    return [block.id, block];
  }),
);
