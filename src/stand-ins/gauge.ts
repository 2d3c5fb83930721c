import { chanceFrom } from './chance';
import type { Gauge, GaugeAsk } from './contract';

/**
 * How worn the simulated part is: 0 as new, 1 at the limit for reuse, above 1 past it. One wear for all places of a
 * point.
 */
function wearOf(ask: GaugeAsk): number {
  if (ask.phase === 'as-left') return -0.4;
  const chance = chanceFrom(`${ask.job}/${ask.point}/wear`)();
  // What was in use is never newer than what was just fitted.
  return chance < 0.62 ? -0.28 + chance * 0.4 : chance < 0.86 ? chance * 0.95 : 1.15 + chance * 0.3;
}

/** Whether a point wears towards larger values. */
export const wearsUp = ({ asNew, reuse }: Pick<GaugeAsk, 'asNew' | 'reuse'>): boolean =>
  asNew.min === undefined || (asNew.max !== undefined && reuse.min === undefined);

/** Where a value wears to: the edge of what is new, which way it goes on, and how far until the limit for reuse. */
function wearPath({ asNew, reuse }: GaugeAsk) {
  const grows = wearsUp({ asNew, reuse });
  const edge = (grows ? asNew.max : asNew.min) ?? 0;
  const limit = (grows ? reuse.max : reuse.min) ?? edge;
  const isClosed = asNew.min !== undefined && asNew.max !== undefined;
  const width = isClosed ? (asNew.max ?? 0) - (asNew.min ?? 0) : Math.abs(edge) * 0.5;
  return { sign: grows ? 1 : -1, edge, room: Math.abs(limit - edge), width };
}

/** A gauge that reads a believable, repeatable part: wear by job and point, a little scatter by place. */
export const simulatedGauge: Gauge = {
  async takeReading(ask) {
    const wear = wearOf(ask);
    const { sign, edge, room, width } = wearPath(ask);
    const scatter = (chanceFrom(`${ask.job}/${ask.phase}/${ask.point}/${ask.place}`)() - 0.5) * 0.2;
    const past = wear <= 0 ? wear * width + scatter * width : wear * room + scatter * Math.max(room, width) * 0.3;
    return { typed: Math.max(0, edge + sign * past).toFixed(ask.digits), unit: ask.unit };
  },
};
