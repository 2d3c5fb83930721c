import type { Guarantee, StandReading } from '../record';
import { show, SumRefusal, type WorkingStep } from '../sums';
import type { JudgedRun, PowerResult } from './judged-run';

/** Shaft power that may be taken above what the plate says, and how far readings may lie apart, in per cent. */
const [overPct, apartPct] = [5, 10];

/** Shaft power of one reading at the rated speed, kW: it goes with the third power of the speed. */
const shaftKw = ({ powerInKw, motorEfficiencyPct, speedRpm }: StandReading, ratedRpm: number) =>
  powerInKw * (motorEfficiencyPct / 100) * (ratedRpm / speedRpm) ** 3;

function workingOf(taken: readonly number[], { meanKw, ratedKw, spreadPct }: PowerResult): readonly WorkingStep[] {
  return [
    {
      what: 'Shaft power at the rated speed',
      formula: 'P · η of the motor · (n rated / n)³',
      put: taken.map((kw) => show(kw, 2)).join(', '),
      outcome: `mean ${show(meanKw, 2)} kW`,
      source: 'affinity of power with the third power of speed',
    },
    {
      what: 'How far the readings lie apart',
      formula: '(largest − least) / mean',
      outcome: `${show(spreadPct, 1)} %, at most ${apartPct} %`,
      source: 'shop’s own bound',
    },
    ...(ratedKw === null
      ? []
      : [
          {
            what: 'Allowed',
            formula: `plate and ${overPct} % of it`,
            put: `${show(ratedKw, 2)} · ${1 + overPct / 100}`,
            outcome: `${show(ratedKw * (1 + overPct / 100), 2)} kW`,
            source: 'plate; shop’s own tolerance',
          },
        ]),
  ];
}

/**
 * Judges a run that has no curve, such as that of a mixer: the shaft power at the rated speed may not lie above that of
 * the plate by more than five per cent, and may not wander by more than ten.
 * Source: affinity laws (power with the third power of speed); the two bounds are the shop's own.
 * @throws SumRefusal where nothing was read, or nothing turned
 */
export function judgePower(guarantee: Guarantee, readings: readonly StandReading[]): Omit<JudgedRun, 'points'> {
  const running = readings.filter(({ speedRpm }) => speedRpm > 0);
  if (!running.length) throw new SumRefusal('points', 'nothing was read while it ran');
  const taken = running.map((reading) => shaftKw(reading, guarantee.speedRpm));
  const meanKw = taken.reduce((sum, kw) => sum + kw, 0) / taken.length;
  const spreadPct = ((Math.max(...taken) - Math.min(...taken)) / meanKw) * 100;
  const ratedKw = guarantee.powerKw ?? null;
  const power: PowerResult = { meanKw, ratedKw, spreadPct };
  const isOver = ratedKw !== null && meanKw > ratedKw * (1 + overPct / 100) + 1e-9;
  const isUneven = spreadPct > apartPct + 1e-9;
  const faults = [isOver && 'Takes too much', isUneven && 'Does not run evenly'].filter(Boolean);
  const said = `${show(meanKw, 2)} kW at the shaft${ratedKw === null ? '' : ` of ${show(ratedKw, 2)} on the plate`}, readings ${show(spreadPct, 1)} % apart`;
  return {
    ...{ acceptance: null, slip: null, power },
    verdict: faults.length ? 'fail' : 'pass',
    reason: faults.length
      ? `${faults.join(', and ').replace(', and D', ', and d')}: ${said}.`
      : `Runs evenly: ${said}.`,
    working: workingOf(taken, power),
    warnings: ratedKw === null ? ['The plate says no power: only whether it runs evenly is judged.'] : [],
  };
}
