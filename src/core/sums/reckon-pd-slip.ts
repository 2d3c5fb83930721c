import { present } from '../present';
import { inNumbers, show, SumRefusal, type Outcome, type Warning, type WorkingStep } from './notebook';

export interface PdSlipInput {
  readonly displacement_cm3: number;
  readonly speed_rpm: number;
  readonly flow_m3h: number;
  readonly pressure_kpa: number;
  readonly viscosity_mm2_s?: number | undefined;
  readonly least_efficiency_pct?: number | undefined;
  readonly other?: { readonly pressure_kpa: number; readonly viscosity_mm2_s?: number | undefined } | undefined;
}

export interface PdSlipResult {
  readonly theoretical_m3h: number;
  readonly slip_m3h: number;
  readonly volumetric_efficiency_pct: number;
  readonly verdict?: 'pass' | 'fail' | undefined;
  readonly other_slip_m3h?: number | undefined;
  readonly other_flow_m3h?: number | undefined;
}

function slipOf(given: PdSlipInput) {
  const theoretical = (given.displacement_cm3 * given.speed_rpm * 60) / 1e6;
  const slip = theoretical - given.flow_m3h;
  if (slip < -0.02 * theoretical)
    throw new SumRefusal(
      'flow_m3h',
      `${given.flow_m3h} m³/h is more than the ${show(theoretical, 2)} m³/h that this displacement moves`,
    );
  const efficiency = (100 * given.flow_m3h) / theoretical;
  const verdict =
    given.least_efficiency_pct === undefined
      ? undefined
      : efficiency >= given.least_efficiency_pct - 1e-9
        ? ('pass' as const)
        : ('fail' as const);
  if (given.other?.viscosity_mm2_s !== undefined && given.viscosity_mm2_s === undefined)
    throw new SumRefusal('viscosity_mm2_s', 'the viscosity at the test is needed to reckon another');
  const thin =
    given.other?.viscosity_mm2_s === undefined ? 1 : present(given.viscosity_mm2_s) / given.other.viscosity_mm2_s;
  const otherSlip = given.other && Math.max(0, slip) * (given.other.pressure_kpa / given.pressure_kpa) * thin;
  return {
    result: {
      theoretical_m3h: theoretical,
      slip_m3h: slip,
      volumetric_efficiency_pct: efficiency,
      ...(verdict && { verdict }),
      ...(otherSlip !== undefined && {
        other_slip_m3h: otherSlip,
        other_flow_m3h: Math.max(0, theoretical - otherSlip),
      }),
    },
    theoretical,
    slip,
    efficiency,
    verdict,
    otherSlip,
  };
}
type PdSlipReckoned = ReturnType<typeof slipOf>;

function pdSlipWorking(
  given: PdSlipInput,
  { theoretical, slip, efficiency, verdict, otherSlip }: PdSlipReckoned,
): readonly WorkingStep[] {
  return [
    {
      what: 'Theoretical flow',
      formula: 'V · n',
      put: `${show(given.displacement_cm3, 1)} cm³ · ${show(given.speed_rpm)} 1/min`,
      outcome: `${show(theoretical, 3)} m³/h`,
    },
    {
      what: 'Slip',
      formula: 'Qt − Q',
      put: `${show(theoretical, 3)} − ${show(given.flow_m3h, 3)}`,
      outcome: `${show(slip, 3)} m³/h`,
    },
    { what: 'Volumetric efficiency', outcome: `${show(efficiency, 1)} %${verdict ? `: ${verdict}` : ''}` },
    ...(otherSlip === undefined
      ? []
      : [
          {
            what: 'Slip elsewhere',
            formula: 'slip · p2/p1 · ν1/ν2',
            outcome: `${show(otherSlip, 3)} m³/h`,
            source: 'laminar gap flow',
          },
        ]),
  ];
}

function pdSlipWarnings({ theoretical, otherSlip }: PdSlipReckoned): readonly Warning[] {
  return otherSlip !== undefined && otherSlip > theoretical
    ? [{ code: 'all-slips', sentence: 'Everything slips back there: the pump would deliver nothing.' }]
    : [];
}

/**
 * Slip of a positive displacement pump. `Qt = V·n`, slip = Qt − Q. At another pressure or viscosity slip goes with
 * pressure and against viscosity (laminar gap flow, Hagen and Poiseuille). Source: ISO 17769-1; laminar annular gap.
 Throws
 * SumRefusal for more than the displacement moves.
 */
export function reckonPdSlip(given: PdSlipInput): Outcome<PdSlipResult> {
  const reckoned = slipOf(given);
  return inNumbers({
    result: reckoned.result,
    working: pdSlipWorking(given, reckoned),
    warnings: pdSlipWarnings(reckoned),
  });
}
