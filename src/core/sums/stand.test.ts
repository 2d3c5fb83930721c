import { present } from '../present';
import fc from 'fast-check';
import { balance, balanceWeight } from './balance';
import { curveCompare } from './curve-compare';
import { npsh } from './npsh';
import { pdSlip } from './pd-slip';
import { trim } from './trim';
import { leakDecay } from './leak-decay';
import { bearingTemperature, insulation } from './temperature';
import { vibration } from './vibration';

const flows = [0, 30, 60, 90, 120];

describe('curves beside each other', () => {
  const curve = (name: string, head: (q: number) => number, power = (q: number) => 5 + 0.05 * q) => ({
    name,
    points: flows.map((q) => ({ flow_m3h: q, head_m: head(q), power_kw: power(q) })),
  });
  test('differences are those of the curves themselves', () => {
    const { result } = curveCompare.compute({
      curves: [curve('as received', (q) => 40 - 0.001 * q * q), curve('as left', (q) => 44 - 0.001 * q * q)],
      hours_per_year: 1000,
      duty_flow_m3h: 60,
    });
    present(result.differences[0]).head_m.forEach((one) => expect(one).toBeCloseTo(4, 6));
    expect(present(result.differences[0]).head_pct[0]).toBeCloseTo(10, 6);
    expect(present(result.energy_kwh_year)[1]).toMatchObject({ name: 'as left' });
    expect(present(present(result.energy_kwh_year)[1]).more_than_first_kwh).toBeCloseTo(0, 3);
    expect(present(present(result.energy_kwh_year)[0]).kwh).toBeCloseTo(8000, 3);
  });
  test('a curve beside itself differs by nothing', () => {
    const one = curve('a', (q) => 40 - 0.1 * q);
    expect(
      present(curveCompare.compute({ curves: [one, { ...one, name: 'b' }] }).result.differences[0]).head_m,
    ).toEqual([0, 0, 0, 0, 0]);
  });
  test('the best point lies where ρ·g·Q·H/P is largest: H = 40 − 0.002·Q², P constant, at Q = √(40/0.006)', () => {
    const [best] = curveCompare.compute({
      curves: [
        curve(
          'a',
          (q) => 40 - 0.002 * q * q,
          () => 10,
        ),
        curve(
          'b',
          (q) => 41 - 0.002 * q * q,
          () => 10,
        ),
      ],
    }).result.best;
    expect(present(best).flow_m3h).toBeCloseTo(Math.sqrt(40 / 0.006), 0);
  });
  test('curves without a common range, and of one flow, are refused', () => {
    const far = { name: 'far', points: [200, 210, 220].map((q) => ({ flow_m3h: q, head_m: 10 })) };
    expect(() => curveCompare.compute({ curves: [curve('a', () => 40), far] })).toThrow(
      expect.objectContaining({ path: 'curves' }),
    );
    expect(() =>
      curveCompare.compute({
        curves: [curve('a', () => 40), { name: 'one', points: [1, 1, 1].map((q) => ({ flow_m3h: q, head_m: 1 })) }],
      }),
    ).toThrow(expect.objectContaining({ path: 'curves.1.points' }));
  });
});

describe('trim', () => {
  const points = flows.map((q) => ({ flow_m3h: q, head_m: 60 - 0.002 * q * q }));
  test('a duty on the curve needs no trim', () =>
    expect(
      trim.compute({ diameter_mm: 200, points, wanted: { flow_m3h: 100, head_m: 40 } }).result.share_pct,
    ).toBeCloseTo(100, 4));
  test('flow and head go with the square of the diameter', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.75, max: 1, noNaN: true }),
        fc.double({ min: 30, max: 110, noNaN: true }),
        (share, q) => {
          const wanted = { flow_m3h: q * share ** 2, head_m: (60 - 0.002 * q * q) * share ** 2 };
          expect(trim.compute({ diameter_mm: 200, points, wanted }).result.diameter_mm).toBeCloseTo(200 * share, 3);
        },
      ),
    );
  });
  test('a duty above the curve, and a deep trim, are said so', () => {
    expect(() => trim.compute({ diameter_mm: 200, points, wanted: { flow_m3h: 100, head_m: 45 } })).toThrow(
      expect.objectContaining({ path: 'wanted' }),
    );
    expect(
      trim.compute({ diameter_mm: 200, points, wanted: { flow_m3h: 50, head_m: 20 } }).warnings.map((one) => one.code),
    ).toContain('deep-trim');
  });
});

describe('npsh', () => {
  const water = {
    surface_kpa_abs: 101.325,
    vapour_kpa_abs: 2.339,
    density_kg_m3: 998.2,
    level_above_pump_m: -3,
    friction_m: 1,
  };
  test('cold water at sea level, 3 m lift, 1 m friction: 10.11 − 4 m', () =>
    expect(npsh.compute(water).result.available_m).toBeCloseTo((101.325 - 2.339) / (0.9982 * 9.80665) - 4, 9));
  test('the margin decides; half a metre unless given', () => {
    expect(npsh.compute({ ...water, required_m: 5.6 }).result.verdict).toBe('enough');
    expect(npsh.compute({ ...water, required_m: 5.7 }).result.verdict).toBe('too little');
    expect(npsh.compute({ ...water, required_m: 5.7, margin_m: 0.3 }).result.verdict).toBe('enough');
  });
  test('a boiling surface is warned of', () =>
    expect(present(npsh.compute({ ...water, vapour_kpa_abs: 101.4 }).warnings[0]).code).toBe('boiling'));
});

describe('slip', () => {
  const pump = { displacement_cm3: 500, speed_rpm: 400, flow_m3h: 10.8, pressure_kpa: 600, viscosity_mm2_s: 100 };
  test('slip goes with pressure and against viscosity', () => {
    const other = (pressure_kpa: number, viscosity_mm2_s: number) =>
      present(pdSlip.compute({ ...pump, other: { pressure_kpa, viscosity_mm2_s } }).result.other_slip_m3h);
    expect([other(600, 100), other(1200, 100), other(600, 50)].map((one) => Number(one.toFixed(9)))).toEqual([
      1.2, 2.4, 2.4,
    ]);
  });
  test('more flow than displacement is refused; a viscosity without its own too', () => {
    expect(() => pdSlip.compute({ ...pump, flow_m3h: 13 })).toThrow(expect.objectContaining({ path: 'flow_m3h' }));
    expect(() =>
      pdSlip.compute({
        displacement_cm3: 500,
        speed_rpm: 400,
        flow_m3h: 10,
        pressure_kpa: 600,
        other: { pressure_kpa: 600, viscosity_mm2_s: 10 },
      }),
    ).toThrow(expect.objectContaining({ path: 'viscosity_mm2_s' }));
  });
  test('the least efficiency is the edge of the verdict', () => {
    expect(pdSlip.compute({ ...pump, least_efficiency_pct: 90 }).result.verdict).toBe('pass');
    expect(pdSlip.compute({ ...pump, least_efficiency_pct: 90.1 }).result.verdict).toBe('fail');
  });
});

describe('vibration zones of ISO 10816-7', () => {
  const zone = (category: 'I' | 'II', power_kw: number, velocity_mm_s: number) =>
    vibration.compute({ category, power_kw, readings: [{ place: 'bearing', direction: 'axial', velocity_mm_s }] })
      .result.zone;
  test.each([
    ['I', 200, [2.5, 4.0, 6.6]],
    ['I', 201, [3.5, 5.0, 7.6]],
    ['II', 200, [3.2, 5.1, 8.5]],
    ['II', 201, [4.2, 6.1, 9.5]],
  ] as const)('category %s, %d kW: borders %j belong to the better zone', (category, power, [ab, bc, cd]) => {
    expect([ab, ab + 0.01, bc, bc + 0.01, cd, cd + 0.01].map((v) => zone(category, power, v))).toEqual([
      'A',
      'B',
      'B',
      'C',
      'C',
      'D',
    ]);
  });
  test('factory acceptance is another table, and says so', () => {
    const outcome = vibration.compute({
      category: 'II',
      power_kw: 15,
      use: 'factory acceptance',
      range: 'allowable',
      readings: [{ place: 'b', direction: 'axial', velocity_mm_s: 4.0 }],
    });
    expect(outcome.result).toMatchObject({ limit_mm_s: 4.2, verdict: 'pass' });
    expect(present(outcome.working.at(-1)).source).toContain('A.2');
  });
});

describe('balance', () => {
  test('G6.3 at 9550·… : e·ω is the grade whatever the speed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 20000 }), (speed_rpm) => {
        const { specific_um, permissible_gmm } = balance.compute({
          grade_mm_s: 6.3,
          mass_kg: 10,
          speed_rpm,
          planes: 1,
        }).result;
        expect((specific_um / 1000) * ((2 * Math.PI * speed_rpm) / 60)).toBeCloseTo(6.3, 9);
        expect(permissible_gmm).toBeCloseTo(10 * specific_um, 9);
      }),
    );
  });
  test('two planes share it, the nearer one more', () => {
    const { permissible_gmm, plane_a_gmm, plane_b_gmm } = balance.compute({
      grade_mm_s: 6.3,
      mass_kg: 10,
      speed_rpm: 3000,
      planes: 2,
      a_mm: 100,
      b_mm: 200,
    }).result;
    expect(present(plane_a_gmm) + present(plane_b_gmm)).toBeCloseTo(permissible_gmm, 9);
    expect(present(plane_a_gmm)).toBeCloseTo(2 * present(plane_b_gmm), 9);
    expect(() => balance.compute({ grade_mm_s: 6.3, mass_kg: 10, speed_rpm: 3000, planes: 2, a_mm: 100 })).toThrow(
      expect.objectContaining({ path: 'b_mm' }),
    );
  });
  test('the correction undoes any linear rotor', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 359, noNaN: true }),
        fc.double({ min: 0.05, max: 3, noNaN: true }),
        fc.double({ min: 0, max: 359, noNaN: true }),
        (amplitude, angle, perGram, lag) => {
          const at = (a: number, deg: number) =>
            [a * Math.cos((deg * Math.PI) / 180), a * Math.sin((deg * Math.PI) / 180)] as const;
          const o = at(amplitude, angle);
          const seen = (mass: number, deg: number) => {
            const e = at(perGram * mass, deg + lag);
            return [o[0] + e[0], o[1] + e[1]] as const;
          };
          const [x, y] = seen(10, 40);
          const { mass_g, angle_deg, predicted_residual } = balanceWeight.compute({
            original: { amplitude, angle_deg: angle },
            trial: { mass_g: 10, angle_deg: 40 },
            response: { amplitude: Math.hypot(x, y), angle_deg: (Math.atan2(y, x) * 180) / Math.PI },
          }).result;
          const [rx, ry] = seen(mass_g, angle_deg);
          expect(Math.hypot(rx, ry)).toBeLessThan(1e-6);
          expect(predicted_residual).toBeLessThan(1e-6);
        },
      ),
    );
  });
  test('a trial weight that changes nothing is refused', () => {
    expect(() =>
      balanceWeight.compute({
        original: { amplitude: 8, angle_deg: 10 },
        trial: { mass_g: 10, angle_deg: 0 },
        response: { amplitude: 8, angle_deg: 370 },
      }),
    ).toThrow(expect.objectContaining({ path: 'response' }));
  });
});

describe('leak by pressure decay', () => {
  const gas = {
    medium: 'gas' as const,
    start_kpa: 200,
    end_kpa: 200,
    start_c: 20,
    end_c: 20,
    volume_l: 10,
    minutes: 5,
  };
  test('cooling alone is no leak: p/T is constant', () => {
    const end_kpa = (301.325 * (273.15 + 15)) / (273.15 + 20) - 101.325;
    expect(leakDecay.compute({ ...gas, end_kpa, end_c: 15 }).result.leak_ml_min).toBeCloseTo(0, 9);
  });
  test('10 L losing 5 kPa in 5 minutes loses 98.7 mL of air a minute', () =>
    expect(leakDecay.compute({ ...gas, end_kpa: 195 }).result.leak_ml_min).toBeCloseTo((10000 * 5) / 101.325 / 5, 9));
  test('water: 1 L losing 220 kPa lost 0.1 mL', () =>
    expect(
      leakDecay.compute({ ...gas, medium: 'liquid', start_kpa: 600, end_kpa: 380, volume_l: 1, minutes: 1 }).result
        .leak_ml_min,
    ).toBeCloseTo(0.1, 9));
  test('the limit itself is tight; changed-over pressures are refused; a rise is warned of', () => {
    expect(leakDecay.compute({ ...gas, end_kpa: 195, limit_ml_min: 10000 / 101.325 }).result.verdict).toBe('tight');
    expect(() => leakDecay.compute({ ...gas, end_kpa: 400 })).toThrow(expect.objectContaining({ path: 'end_kpa' }));
    expect(present(leakDecay.compute({ ...gas, end_kpa: 205 }).warnings[0]).code).toBe('rising');
  });
});

describe('bearing temperature', () => {
  const heating = (end: number, tau: number, minutes: number, step = 5) =>
    Array.from({ length: minutes / step + 1 }, (_, i) => ({
      at_min: i * step,
      temperature_c: end - (end - 20) * Math.exp((-i * step) / tau),
    }));
  test('the end of an exponential rise is found', () =>
    expect(bearingTemperature.compute({ series: heating(60, 20, 60), ambient_c: 20 }).result.end_c).toBeCloseTo(60, 0));
  test('steady only after 30 minutes of less than 1 K in 10', () => {
    expect(bearingTemperature.compute({ series: heating(60, 5, 90), ambient_c: 20 }).result).toMatchObject({
      steady: true,
      verdict: 'within',
    });
    expect(
      bearingTemperature.compute({
        series: [
          { at_min: 0, temperature_c: 40 },
          { at_min: 20, temperature_c: 40 },
        ],
        ambient_c: 20,
      }).result.steady,
    ).toBe(false);
    expect(bearingTemperature.compute({ series: heating(60, 20, 40), ambient_c: 20 }).result.steady).toBe(false);
  });
  test('over its rise or its maximum is over; heading there is warned of', () => {
    expect(
      bearingTemperature.compute({ series: heating(60, 5, 90), ambient_c: 20, max_rise_k: 39 }).result.verdict,
    ).toBe('over');
    expect(
      present(bearingTemperature.compute({ series: heating(90, 40, 40), ambient_c: 20, max_c: 80 }).warnings[0]).code,
    ).toBe('will-be-over');
  });
  test('times that do not rise are refused', () =>
    expect(() =>
      bearingTemperature.compute({
        series: [
          { at_min: 5, temperature_c: 20 },
          { at_min: 5, temperature_c: 21 },
        ],
        ambient_c: 20,
      }),
    ).toThrow(expect.objectContaining({ path: 'series.1.at_min' })));
});

describe('insulation', () => {
  test('halves every 10 K: 400 MΩ at 20 °C is 100 MΩ at 40 °C', () => {
    expect(insulation.compute({ one_minute_mohm: 400, winding_c: 20 }).result.at_40c_mohm).toBeCloseTo(100, 9);
    expect(insulation.compute({ one_minute_mohm: 100, winding_c: 40 }).result.at_40c_mohm).toBe(100);
  });
  test.each([
    [{ one_minute_mohm: 4.9 }, 'bad'],
    [{ one_minute_mohm: 5 }, 'good'],
    [{ one_minute_mohm: 100, ten_minutes_mohm: 150 }, 'doubtful'],
    [{ one_minute_mohm: 6000, ten_minutes_mohm: 6500 }, 'good'],
    [{ one_minute_mohm: 100, winding_ohm: [2, 2, 2.2] }, 'bad'],
  ])('%j at 40 °C is %s', (given, verdict) => {
    expect(insulation.compute({ winding_c: 40, ...given }).result.verdict).toBe(verdict);
  });
});
