export const gradeNames = ['1E', '1B', '1U', '2B', '2U', '3B'] as const;
type Grade = (typeof gradeNames)[number];
export interface Tolerances {
  readonly flowLowPct: number;
  readonly flowHighPct: number;
  readonly headLowPct: number;
  readonly headHighPct: number;
  readonly efficiencyPct: number;
  readonly powerPct: number;
}
const both = (flow: number, head: number, efficiencyPct: number, powerPct: number): Tolerances => ({
  flowLowPct: -flow,
  flowHighPct: flow,
  headLowPct: -head,
  headHighPct: head,
  efficiencyPct,
  powerPct,
});
const upward = (flow: number, head: number, efficiencyPct: number, powerPct: number): Tolerances => ({
  flowLowPct: 0,
  flowHighPct: flow,
  headLowPct: 0,
  headHighPct: head,
  efficiencyPct,
  powerPct,
});
/** Source: ISO 9906:2012, table 8. */
const tolerances: Readonly<Record<Grade, Tolerances>> = {
  '1E': both(5, 3, 0, 4),
  '1B': both(5, 3, -3, 4),
  '1U': upward(10, 6, 0, 10),
  '2B': both(8, 5, -5, 8),
  '2U': upward(16, 10, -5, 16),
  '3B': both(9, 7, -7, 9),
};

/**
 * Tolerances in force: those of small pumps where the guaranteed input power is 10 kW or less. Source: ISO 9906:2012,
 * 4.4.2.
 */
export function tolerancesFor(
  grade: Grade,
  power: number | undefined,
): {
  readonly tolerance: Tolerances;
  readonly source: string;
} {
  if (power === undefined || power > 10)
    return { tolerance: tolerances[grade], source: `ISO 9906:2012, table 8, grade ${grade}` };
  const efficiency = -(10 * (1 - power / 10) + 7);
  return {
    tolerance: both(10, 8, efficiency, Math.sqrt(49 + efficiency ** 2)),
    source: 'ISO 9906:2012, 4.4.2 (input power up to 10 kW)',
  };
}
