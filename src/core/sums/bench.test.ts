import { present } from '../present';
import { bearingHeat } from './bearing-heat';
import { bearingBoreLowerUm } from './reckon-bearing-heat';
import { boltTorque } from './bolt-torque';
import { duty } from './duty';

describe('bearing heat', () => {
  test('by hand: 45 k5, 20 µm to slide, room 20 °C', () => {
    // k5 upper +13 µm, bore lower −12 µm: 25 µm; (25 + 20) / (12.0e-6 · 45 000 µm) = 83.33 K
    const { result } = bearingHeat.compute({
      bore_mm: 45,
      shaft: 'k5',
      mounting_clearance_um: 20,
      ambient_c: 20,
      school: 'computed',
    });
    expect(result.rise_k).toBeCloseTo(83.3333, 3);
    expect(result.temperature_c).toBeCloseTo(103.3333, 3);
    expect(result.clearance_at_temperature_um).toBeCloseTo(20, 6);
    expect(result.reachable).toBe(true);
  });
  test('without a mounting clearance it is 1 µm per mm, 20 µm the least', () => {
    const rise = (bore_mm: number) =>
      bearingHeat.compute({ bore_mm, interference_um: 0, ambient_c: 20, school: 'computed' }).result.expansion_um;
    expect(rise(60)).toBeCloseTo(60, 6);
    expect(rise(10)).toBeCloseTo(20, 6);
  });
  test('a sealed bearing stops at 80 °C, an open one at 110 °C', () => {
    const ask = (sealed: boolean) =>
      bearingHeat.compute({
        bore_mm: 45,
        shaft: 'k5',
        mounting_clearance_um: 20,
        ambient_c: 20,
        school: 'computed',
        sealed,
      });
    expect(ask(true).result.reachable).toBe(false);
    expect(present(ask(true).warnings[0]).code).toBe('too-hot');
    expect(ask(false).warnings).toEqual([]);
  });
  test('a fixed temperature that does not open the bearing enough is not reachable', () => {
    const { result, warnings } = bearingHeat.compute({
      bore_mm: 45,
      shaft: 'k5',
      mounting_clearance_um: 20,
      ambient_c: 20,
      school: 'fixed',
      fixed_c: 80,
    });
    expect(result.clearance_at_temperature_um).toBeCloseTo(60 * 0.54 - 25, 6);
    expect(result.reachable).toBe(false);
    expect(present(warnings[0]).code).toBe('not-enough');
  });
  test.each([
    [{ bore_mm: 45, ambient_c: 20, school: 'computed' as const }, 'interference_um'],
    [{ bore_mm: 45, shaft: 'k5', ambient_c: 20, school: 'fixed' as const }, 'fixed_c'],
    [{ bore_mm: 45, shaft: 'k5', ambient_c: 20, school: 'fixed' as const, fixed_c: 10 }, 'fixed_c'],
    [{ bore_mm: 45, shaft: 'k5', ambient_c: 20, school: 'rise' as const }, 'rise_k'],
  ])('what is missing is refused by name: %j', (input, path) => {
    expect(() => bearingHeat.compute(input)).toThrow(expect.objectContaining({ path }));
  });
  test.each([
    [10, -8],
    [18, -8],
    [30, -10],
    [50, -12],
    [80, -15],
    [120, -20],
    [180, -25],
    [250, -30],
  ])('normal-class bore of %d mm: lower deviation %d µm (ISO 492)', (bore, um) => {
    expect(bearingBoreLowerUm(bore)).toBe(um);
  });
});

describe('bolt torque', () => {
  // Stress areas in mm² of ISO 898-1:2013, table 4, coarse thread.
  test.each([
    ['M6', 20.1],
    ['M8', 36.6],
    ['M10', 58.0],
    ['M12', 84.3],
    ['M16', 157],
    ['M20', 245],
    ['M24', 353],
    ['M30', 561],
    ['M36', 817],
  ])('stress area of %s is %d mm²', (thread, area) => {
    const digits = area < 100 ? 1 : 0;
    expect(Number(boltTorque.compute({ thread, grade: '8.8' }).result.stress_area_mm2.toFixed(digits))).toBeCloseTo(
      area,
      digits === 1 ? 5 : -0.3,
    );
  });
  test('by hand: M12 8.8 at 75 % of proof, K 0.2', () => {
    // 84.27 mm² · 580 MPa · 0.75 = 36.66 kN; 0.2 · 36.66 kN · 12 mm = 87.97 N·m
    const { result } = boltTorque.compute({ thread: 'M12', grade: '8.8' });
    expect(result.preload_kn).toBeCloseTo(36.66, 2);
    expect(result.torque_nm).toBeCloseTo(87.97, 1);
  });
  test('8.8 has 600 MPa above M16', () => {
    const stress = (thread: string) => {
      const { preload_kn, stress_area_mm2 } = boltTorque.compute({ thread, grade: '8.8', preload_pct: 100 }).result;
      return (preload_kn * 1000) / stress_area_mm2;
    };
    expect(stress('M16')).toBeCloseTo(580, 6);
    expect(stress('M20')).toBeCloseTo(600, 6);
  });
  test('stainless is labelled as yield and ends at M24; a fine thread is taken by its numbers', () => {
    expect(present(boltTorque.compute({ thread: 'M24', grade: 'A4-80' }).working[1]).formula).toContain('yield');
    expect(() => boltTorque.compute({ thread: 'M27', grade: 'A4-80' })).toThrow(
      expect.objectContaining({ path: 'grade' }),
    );
    expect(
      boltTorque.compute({ thread: { d_mm: 24, pitch_mm: 1.5 }, grade: '8.8' }).result.stress_area_mm2,
    ).toBeCloseTo((Math.PI / 4) * (24 - 0.938194 * 1.5) ** 2, 9);
    expect(() => boltTorque.compute({ thread: { d_mm: 12, pitch_mm: 6 }, grade: '8.8' })).toThrow(
      expect.objectContaining({ path: 'thread.pitch_mm' }),
    );
  });
});

describe('duty', () => {
  const base = {
    suction_kpa: -10,
    discharge_kpa: 284.1995,
    suction_pipe_mm: 80,
    discharge_pipe_mm: 65,
    flow_m3h: 36,
    speed_rpm: 2900,
    density_kg_m3: 1000,
  };
  test('head by hand: pressure head 30 m and the two velocity heads', () => {
    // v1 = 0.01/(π/4·0.08²) = 1.9894 m/s: 0.2018 m; v2 = 0.01/(π/4·0.065²) = 3.0136 m/s: 0.4630 m
    const { result } = duty.compute(base);
    expect(result.suction_velocity_head_m).toBeCloseTo(0.2018, 4);
    expect(result.discharge_velocity_head_m).toBeCloseTo(0.463, 3);
    expect(result.head_m).toBeCloseTo(30 + 0.463 - 0.2018, 3);
    expect(result.hydraulic_power_kw).toBeCloseTo((1000 * 9.80665 * 0.01 * result.head_m) / 1000, 9);
  });
  test('affinity laws: flow by n, head by n², power by n³; efficiency stays', () => {
    const { result } = duty.compute({ ...base, rated_speed_rpm: 1450, power_in_kw: 5, motor_efficiency_pct: 90 });
    expect(result.at_rated_speed).toMatchObject({ flow_m3h: 18 });
    expect(present(result.at_rated_speed).head_m).toBeCloseTo(result.head_m / 4, 9);
    expect(present(result.at_rated_speed).power_kw).toBeCloseTo(4.5 / 8, 9);
    expect(result.efficiency_pct).toBeCloseTo((100 * result.hydraulic_power_kw) / 4.5, 9);
  });
  test('elevations add to the head; a negative head and more out than in are warned of', () => {
    expect(duty.compute({ ...base, suction_elevation_m: 1, discharge_elevation_m: 2.5 }).result.head_m).toBeCloseTo(
      duty.compute(base).result.head_m + 1.5,
      9,
    );
    expect(present(duty.compute({ ...base, discharge_kpa: -60 }).warnings[0]).code).toBe('negative-head');
    expect(present(duty.compute({ ...base, power_in_kw: 1 }).warnings[0]).code).toBe('efficiency-over-100');
  });
  test('a motor efficiency without its power, and pressures below vacuum, are refused', () => {
    expect(() => duty.compute({ ...base, motor_efficiency_pct: 90 })).toThrow(
      expect.objectContaining({ path: 'power_in_kw' }),
    );
    expect(duty.input.safeParse({ ...base, suction_kpa: -102 }).success).toBe(false);
  });
});
