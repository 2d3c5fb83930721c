import { present } from '../present';
import fc from 'fast-check';
import { endFloat } from './end-float';
import { evaluate, fitPolynomial, rootsWithin } from './polynomial';
import { solve } from './linear-system';
import { runOut } from './run-out';
import { annulusLeakageM3h } from './reckon-running-clearance';
import { runningClearance } from './running-clearance';

describe('running clearance', () => {
  const design = { design_um: { min: 300, max: 380 }, limit_um: 760 };
  test.each([
    [[100.34], [100.0], 'new'],
    [[100.42], [100.0], 'reuse'],
    [[100.2], [100.0], 'tight'],
    [[100.761], [100.0], 'out'],
    [[100.76], [100.0], 'reuse'],
    [[100.3, 100.38], [100.0], 'new'],
  ])('bore %j on journal %j is %s', (bore_mm, journal_mm, verdict) => {
    expect(runningClearance.compute({ bore_mm, journal_mm, ...design }).result.verdict).toBe(verdict);
  });
  test('least is smallest bore less largest journal', () => {
    expect(
      runningClearance.compute({ bore_mm: [100.4, 100.42], journal_mm: [100.0, 99.98], ...design }).result,
    ).toMatchObject({ min_um: 400, max_um: 440, mean_um: 420, ratio_to_design: 420 / 340 });
  });
  test('leakage by hand: c 0.2 mm, D 100 mm, L 20 mm, H 30 m, λ 0.04', () => {
    // A = π·0.1·0.0002 = 6.2832e-5 m²; 1.5 + 0.04·0.02/0.0004 = 3.5; √(2·9.80665·30/3.5) = 12.965 m/s
    expect(
      annulusLeakageM3h({ clearanceUm: 400, boreMm: 100, lengthMm: 20, headM: 30, frictionFactor: 0.04 }),
    ).toBeCloseTo(3600 * 6.283185e-5 * 12.9651, 3);
  });
  test('extra leakage is nothing at the middle of the design, and its energy is its share of the flow', () => {
    const { result } = runningClearance.compute({
      bore_mm: [100.34],
      journal_mm: [100],
      ...design,
      length_mm: 20,
      head_m: 30,
      flow_m3h: 50,
      power_kw: 10,
      hours_per_year: 1000,
      price_per_kwh: 0.2,
    });
    expect(result.extra_leakage_m3h).toBeCloseTo(0, 9);
    const worn = runningClearance.compute({
      bore_mm: [100.6],
      journal_mm: [100],
      ...design,
      length_mm: 20,
      head_m: 30,
      flow_m3h: 50,
      power_kw: 10,
      hours_per_year: 1000,
      price_per_kwh: 0.2,
    }).result;
    expect(worn.extra_energy_kwh_year).toBeCloseTo((present(worn.extra_leakage_m3h) / 50) * 10 * 1000, 6);
    expect(worn.extra_cost_year).toBeCloseTo(present(worn.extra_energy_kwh_year) * 0.2, 6);
  });
  test('leakage grows with clearance and head', () => {
    fc.assert(
      fc.property(fc.integer({ min: 50, max: 2000 }), fc.integer({ min: 1, max: 500 }), (clearanceUm, more) => {
        const base = { clearanceUm, boreMm: 100, lengthMm: 20, headM: 30, frictionFactor: 0.04 };
        expect(annulusLeakageM3h({ ...base, clearanceUm: clearanceUm + more })).toBeGreaterThan(
          annulusLeakageM3h(base),
        );
        expect(annulusLeakageM3h({ ...base, headM: 30 + more })).toBeGreaterThan(annulusLeakageM3h(base));
      }),
    );
  });
  test('a limit below the design is refused', () => {
    expect(() =>
      runningClearance.compute({
        bore_mm: [100],
        journal_mm: [99.6],
        design_um: { min: 300, max: 380 },
        limit_um: 370,
      }),
    ).toThrow(expect.objectContaining({ path: 'limit_um' }));
  });
});

describe('run-out', () => {
  const dial = (value: (deg: number) => number, angles = [0, 45, 90, 135, 180, 225, 270, 315]) =>
    angles.map((angle_deg) => ({ angle_deg, value_mm: value(angle_deg) }));
  const rad = (deg: number) => (deg * Math.PI) / 180;
  test('a pure offset is all first harmonic, with nothing left', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.005, max: 2, noNaN: true }),
        fc.double({ min: 0, max: 359, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        (offset, angle, zero) => {
          const { result } = runOut.compute({ readings: dial((deg) => zero + offset * Math.cos(rad(deg - angle))) });
          expect(result.offset_mm).toBeCloseTo(offset, 9);
          expect(result.roundness_left_mm).toBeCloseTo(0, 8);
          const turned = Math.abs(present(result.offset_angle_deg) - angle);
          expect(Math.min(turned, 360 - turned)).toBeLessThan(1e-4);
        },
      ),
    );
  });
  test('an oval shaft has no offset; its roundness stays', () => {
    const { result } = runOut.compute({ readings: dial((deg) => 0.02 * Math.cos(rad(2 * deg))) });
    expect(result.offset_mm).toBeCloseTo(0, 9);
    expect(result.roundness_left_mm).toBeCloseTo(0.04, 9);
    expect(result.tir_mm).toBeCloseTo(0.04, 9);
  });
  test('the zero of the dial does not matter', () => {
    const tir = (zero: number) =>
      runOut.compute({ readings: dial((deg) => zero + 0.03 * Math.sin(rad(deg))), limit_mm: 0.06 }).result;
    expect(tir(5)).toMatchObject({ tir_mm: 0.06, eccentricity_mm: 0.03, high_spot_deg: 90, verdict: 'within' });
  });
  test('two readings give a reading, no harmonic, and a warning', () => {
    const { result, warnings } = runOut.compute({ readings: dial(() => 0.01, [0, 180]), limit_mm: 0.05 });
    expect(result.offset_mm).toBeNull();
    expect(warnings.map((one) => one.code)).toEqual(['few-angles']);
  });
  test('a singular system has no answer', () => {
    expect(
      solve(
        [
          [1, 2],
          [2, 4],
        ],
        [1, 2],
      ),
    ).toBeNull();
    expect(
      solve(
        [
          [2, 0],
          [0, 4],
        ],
        [2, 2],
      ),
    ).toEqual([1, 0.5]);
  });
});

describe('end float', () => {
  test.each([
    [[52.4], [49.9], 'within', null],
    [[52.4, 52.44], [49.9, 49.96], 'within', false],
    [[51.8], [49.9], 'under', null],
    [[53.0], [49.9], 'over', null],
    [[49.9], [52.4], 'within', null],
  ])('down %j, up %j: %s', (down_mm, up_mm, verdict, repeatable) => {
    expect(endFloat.compute({ down_mm, up_mm, limit_mm: { min: 2, max: 3 } }).result).toMatchObject({
      verdict,
      repeatable,
    });
  });
  test('the limits themselves are within', () => {
    expect(endFloat.compute({ down_mm: [52], up_mm: [50], limit_mm: { min: 2, max: 3 } }).result.verdict).toBe(
      'within',
    );
    expect(endFloat.compute({ down_mm: [53], up_mm: [50], limit_mm: { min: 2, max: 3 } }).result.verdict).toBe(
      'within',
    );
  });
});

describe('polynomials', () => {
  test('an exact polynomial is found again', () => {
    const truth = [40, -0.1, -0.004];
    const xs = [0, 10, 30, 55, 80];
    const found = present(
      fitPolynomial(
        xs,
        xs.map((x) => evaluate(truth, x)),
        2,
      ),
    );
    found.forEach((coefficient, i) => expect(coefficient).toBeCloseTo(present(truth[i]), 9));
  });
  test('roots of (x − 1)(x − 4) are found, none outside the range', () => {
    expect(rootsWithin((x) => (x - 1) * (x - 4), 0, 10).map((x) => Math.round(x * 1e6) / 1e6)).toEqual([1, 4]);
    expect(rootsWithin((x) => (x - 1) * (x - 4), 5, 10)).toEqual([]);
  });
});
