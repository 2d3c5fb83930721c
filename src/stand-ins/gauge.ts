import { present } from '@/core/present';
import { chanceFrom } from './chance';
import type { Gauge, GaugeAsk } from './contract';

/**
 * How worn the simulated part is: 0 as new, 1 at the limit for reuse, above 1 past it. One wear for all places of a
 * point.
 */
function wearOf(ask: GaugeAsk): number {
  if (ask.phase === 'as-left') return -0.4;
  const chance = chanceFrom(`${ask.job}/${ask.point}/wear`)();
  return chance < 0.62 ? -0.5 + chance * 0.6 : chance < 0.86 ? chance * 0.95 : 1.15 + chance * 0.3;
}

/** A gauge that reads a believable, repeatable part: wear by job and point, a little scatter by place. */
export const simulatedGauge: Gauge = {
  async takeReading(ask) {
    const { newMm, reuseMm } = ask;
    const wear = wearOf(ask);
    const width = newMm.max - newMm.min;
    const towardsMax = reuseMm.min === undefined;
    const room = towardsMax ? (reuseMm.max ?? newMm.max) - newMm.max : newMm.min - present(reuseMm.min);
    const scatter = (chanceFrom(`${ask.job}/${ask.phase}/${ask.point}/${ask.place}`)() - 0.5) * 0.2;
    const past = wear <= 0 ? wear * width + scatter * width : wear * room + scatter * Math.max(room, width) * 0.3;
    const value = towardsMax ? newMm.max + past : newMm.min - past;
    return { typed: Math.max(0, value).toFixed(ask.digits), unit: 'mm' };
  },
};
