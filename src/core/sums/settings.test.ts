import { present } from '../present';
import fc from 'fast-check';
import { alignment } from './alignment';
import { pressForce } from './press-force';
import { drip, glandLog } from './gland';
import { packing } from './packing';
import { sealSetting } from './seal-setting';
import { shimLedger } from './shim-ledger';
import { timingShift } from './timing-shift';
import { arcForWay, endClearance, preloadArc } from './threaded-cap';
import { boltPattern, crosswiseOrder, lockNut, torqueWrench } from './tightening';

describe('end clearance', () => {
  const thread = { pitch_mm: 2, mark_diameter_mm: 100 };
  test('a full turn moves one pitch', () =>
    expect(endClearance.compute({ ...thread, clearance_mm: 2 }).result).toMatchObject({ turns: 1, turn_deg: 360 }));
  test('clearance and arc are each other’s inverse', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 5, noNaN: true }), (clearance_mm) => {
        const { arc_mm } = endClearance.compute({ ...thread, clearance_mm }).result;
        expect(arc_mm).toBeCloseTo((Math.PI * 100 * clearance_mm) / 2, 9);
        expect(endClearance.compute({ ...thread, arc_mm }).result.clearance_mm).toBeCloseTo(clearance_mm, 9);
      }),
    );
  });
  test('thick and hot liquids widen the base clearance by the family’s factors', () => {
    const factors = [
      { up_to_mm2_s: 100, factor: 1 },
      { up_to_mm2_s: 1000, factor: 1.5 },
      { up_to_c: 60, factor: 1 },
      { up_to_c: 120, factor: 1.25 },
    ];
    const target = (viscosity_mm2_s: number, temperature_c: number) =>
      endClearance.compute({ ...thread, base_clearance_mm: 0.2, factors, viscosity_mm2_s, temperature_c }).result
        .clearance_mm;
    expect(target(100, 60)).toBeCloseTo(0.2, 9);
    expect(target(101, 61)).toBeCloseTo(0.375, 9);
    expect(() => target(1001, 20)).toThrow(expect.objectContaining({ path: 'viscosity_mm2_s' }));
    expect(() => target(10, 121)).toThrow(expect.objectContaining({ path: 'temperature_c' }));
  });
  test('exactly one of clearance, arc and base clearance', () => {
    expect(() => endClearance.compute(thread)).toThrow(expect.objectContaining({ path: 'clearance_mm' }));
    expect(() => endClearance.compute({ ...thread, clearance_mm: 1, arc_mm: 1 })).toThrow(
      expect.objectContaining({ path: 'clearance_mm' }),
    );
  });
  test('preload turns on, end play turns back, by the same arc', () => {
    const ask = (end_play_mm: number) => preloadArc.compute({ end_play_mm, ...thread }).result;
    expect([ask(0.1).direction, ask(-0.1).direction, ask(0).direction]).toEqual(['back', 'on', 'none']);
    expect(ask(-0.1).arc_mm).toBeCloseTo(arcForWay({ wayMm: 0.1, pitchMm: 2, markMm: 100 }), 12);
  });
});

describe('press force', () => {
  test('solid shaft of the hub’s material, by Lamé in short form: p = δ·E·(1 − q)/(2·d)', () => {
    // q = 0.25: 0.03 · 210 000 · 0.75 / 100 = 47.25 MPa; F = 0.12 · 47.25 · π · 50 · 40 = 35.63 kN
    expect(
      pressForce.compute({ diameter_mm: 50, length_mm: 40, interference_um: 30, hub_outer_mm: 100 }).result
        .pressure_mpa,
    ).toBeCloseTo(47.25, 9);
  });
  test('force goes with interference and length, and falls with a bored shaft', () => {
    const force = (change: object) =>
      pressForce.compute({ diameter_mm: 50, length_mm: 40, interference_um: 30, hub_outer_mm: 100, ...change }).result
        .force_kn;
    expect(force({ interference_um: 60 })).toBeCloseTo(2 * force({}), 9);
    expect(force({ length_mm: 80 })).toBeCloseTo(2 * force({}), 9);
    expect(force({ shaft_bore_mm: 25 })).toBeLessThan(force({}));
    expect(force({ interference_um: 0 })).toBe(0);
  });
  test('a hub inside its shaft is refused', () => {
    expect(() => pressForce.compute({ diameter_mm: 50, length_mm: 40, interference_um: 30, hub_outer_mm: 50 })).toThrow(
      expect.objectContaining({ path: 'hub_outer_mm' }),
    );
    expect(() =>
      pressForce.compute({ diameter_mm: 50, length_mm: 40, interference_um: 30, hub_outer_mm: 90, shaft_bore_mm: 50 }),
    ).toThrow(expect.objectContaining({ path: 'shaft_bore_mm' }));
  });
});

describe('torque wrench', () => {
  test('an extension lowers the setting; none leaves it', () => {
    const set = (extension_mm: number) =>
      torqueWrench.compute({ target_nm: 100, wrench_length_mm: 400, extension_mm, wrench_max_nm: 200 }).result.set_nm;
    expect(set(0)).toBe(100);
    expect(set(400)).toBeCloseTo(50, 12);
  });
  test.each([
    [19, false],
    [40, true],
    [200, true],
    [201, false],
  ])('%d N·m on a wrench of 200: %s', (target_nm, isTrue) => {
    const ask = () => torqueWrench.compute({ target_nm, wrench_length_mm: 400, extension_mm: 0, wrench_max_nm: 200 });
    if (isTrue) expect(ask().result.set_nm).toBe(target_nm);
    else expect(ask).toThrow(expect.objectContaining({ path: 'target_nm' }));
  });
});

describe('bolt pattern', () => {
  test.each([
    [4, [1, 3, 2, 4]],
    [6, [1, 4, 2, 5, 3, 6]],
    [8, [1, 5, 3, 7, 2, 6, 4, 8]],
  ])('%d bolts: %j', (bolts, order) => expect(crosswiseOrder(bolts)).toEqual(order));
  test('each bolt once; an even circle in opposite pairs; quarters before eighths', () => {
    for (let bolts = 2; bolts <= 48; bolts++) {
      const order = crosswiseOrder(bolts);
      expect(order.toSorted((a, b) => a - b)).toEqual(Array.from({ length: bolts }, (_, i) => i + 1));
      if (bolts % 2 === 0)
        for (let i = 0; i < bolts; i += 2) expect(Math.abs(present(order[i]) - present(order[i + 1]))).toBe(bolts / 2);
      if (bolts % 4 === 0) expect(new Set(order.slice(0, 4).map((one) => (one - 1) % (bolts / 4))).size).toBe(1);
    }
  });
  test('the final round is 1 to n at the last pass; falling passes are refused', () => {
    const { passes } = boltPattern.compute({ bolts: 5, passes_pct: [50, 100], final_round: true }).result;
    expect(passes.at(-1)).toEqual({ pct: 100, order: [1, 2, 3, 4, 5] });
    expect(boltPattern.compute({ bolts: 5, passes_pct: [50, 100], final_round: false }).result.passes).toHaveLength(2);
    expect(() => boltPattern.compute({ bolts: 5, passes_pct: [60, 30], final_round: true })).toThrow(
      expect.objectContaining({ path: 'passes_pct.1' }),
    );
  });
});

describe('lock nut', () => {
  const nut = { torque_nm: 100, window_nm: { min: 95, max: 115 }, nut_slots: 4, washer_tabs: 19, nm_per_deg: 2 };
  test('alignments come every 360/76 degrees; the full step if the next is not given', () => {
    expect(lockNut.compute(nut).result.turn_deg).toBeCloseTo(360 / 76, 9);
  });
  test('an alignment below the window is passed over, never turned back', () => {
    const { result } = lockNut.compute({ ...nut, torque_nm: 80, angle_to_slot_deg: 1 });
    // 80 + 2·(1 + k·4.7368) ≥ 95 → k = 2: 10.4737°, 100.95 N·m
    expect(result.turn_deg).toBeCloseTo(1 + 2 * (360 / 76), 9);
    expect(result).toMatchObject({ in_window: true });
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 200, noNaN: true }),
        (torque_nm) => lockNut.compute({ ...nut, torque_nm }).result.turn_deg >= 0,
      ),
    );
  });
  test('none in the window is said so', () => {
    const outcome = lockNut.compute({ ...nut, nut_slots: 2, washer_tabs: 2, nm_per_deg: 5 });
    expect(outcome.result.in_window).toBe(false);
    expect(present(outcome.warnings[0]).code).toBe('no-alignment');
  });
});

describe('seal setting', () => {
  const seal = { reference_to_seat_mm: 48, free_length_mm: 40, compression_mm: { min: 3, max: 5 } };
  test.each([
    [12, 'within', 0],
    [9, 'under', 2],
    [15, 'over', -2],
    [11, 'within', 0],
    [13, 'within', 0],
  ])('collar at %d mm: %s, move %d', (reference_to_collar_mm, verdict, move_mm) => {
    expect(sealSetting.compute({ ...seal, reference_to_collar_mm }).result).toMatchObject({ verdict, move_mm });
  });
  test('the side that is measured from does not matter', () => {
    expect(sealSetting.compute({ ...seal, reference_to_seat_mm: -48, reference_to_collar_mm: -12 }).result).toEqual(
      sealSetting.compute({ ...seal, reference_to_collar_mm: 12 }).result,
    );
  });
  test('a seal that is not compressed is warned of; one place for both is refused', () => {
    expect(present(sealSetting.compute({ ...seal, reference_to_collar_mm: 2 }).warnings[0]).code).toBe('not-closed');
    expect(() => sealSetting.compute({ ...seal, reference_to_collar_mm: 48 })).toThrow(
      expect.objectContaining({ path: 'reference_to_collar_mm' }),
    );
  });
});

describe('packing', () => {
  const box = { shaft_mm: 50, bore_mm: 70, depth_mm: 80, gland_entry_mm: 10 };
  test('without a lantern all rings are below', () =>
    expect(packing.compute(box).result).toMatchObject({
      section_mm: 10,
      rings: 7,
      rings_below: 7,
      rings_above: 0,
      joint_angles_deg: [0, 120, 240, 0, 120, 240, 0],
    }));
  test.each([
    [20, 1, 4],
    [30, 2, 3],
    [60, 5, 0],
    [10, 0, 5],
  ])('a port %d mm from the bottom: %d below, %d above', (port_from_bottom_mm, below, above) => {
    expect(packing.compute({ ...box, lantern_mm: 20, port_from_bottom_mm }).result).toMatchObject({
      rings_below: below,
      rings_above: above,
      lantern_covers_port: true,
    });
  });
  test('a lantern that cannot reach its port is warned of', () => {
    expect(packing.compute({ ...box, lantern_mm: 6, port_from_bottom_mm: 78 })).toMatchObject({
      result: { lantern_covers_port: false },
      warnings: [{ code: 'lantern-misses-port' }],
    });
  });
  test('inch sections are standard too: 3/8 in is 9.525 mm', () => {
    expect(packing.compute({ ...box, bore_mm: 69.05 }).result).toMatchObject({
      standard_section_mm: 9.525,
      misfit_mm: 0,
    });
    expect(packing.compute({ ...box, bore_mm: 70.2 }).result).toMatchObject({
      standard_section_mm: 10,
      misfit_mm: -0.1,
    });
  });
  test('rings never take more than the depth', () => {
    fc.assert(
      fc.property(fc.integer({ min: 52, max: 100 }), fc.integer({ min: 60, max: 300 }), (bore_mm, depth_mm) => {
        const { rings, section_mm } = packing.compute({ ...box, bore_mm, depth_mm }).result;
        expect(rings * section_mm).toBeLessThanOrEqual(depth_mm - 10 + 1e-9);
        expect((rings + 1) * section_mm).toBeGreaterThan(depth_mm - 10 - 1e-9);
      }),
    );
  });
  test('a bore no larger than the shaft, and no room, are refused', () => {
    expect(() => packing.compute({ ...box, bore_mm: 50 })).toThrow(expect.objectContaining({ path: 'bore_mm' }));
    expect(() => packing.compute({ ...box, depth_mm: 15 })).toThrow(expect.objectContaining({ path: 'depth_mm' }));
    // A gap of a hair, or one that no list of rings could hold.
    for (const [shaft_mm, bore_mm] of [
      [50, 50.001],
      [1e-12, 1e-6],
    ] as const)
      expect(() => packing.compute({ ...box, shaft_mm, bore_mm })).toThrow(
        expect.objectContaining({ path: 'bore_mm' }),
      );
  });
});

test('twenty drops are one millilitre, and none is dry', () => {
  expect(drip.compute({ ml_per_min: 3, window_ml_min: { min: 1, max: 2 } }).result).toMatchObject({
    drops_per_min: 60,
    verdict: 'too much',
  });
  expect(present(drip.compute({ drops_per_min: 0 }).warnings[0]).code).toBe('dry');
});

describe('gland log', () => {
  const log = (entries: readonly [number, number, number, number][]) =>
    glandLog.compute({
      entries: entries.map(([at_min, turn_deg, temperature_c, drops_per_min]) => ({
        at_min,
        turn_deg,
        temperature_c,
        drops_per_min,
      })),
      window_drops_min: { min: 20, max: 60 },
      wait_min: 10,
      step_deg: 30,
      max_c: 60,
    }).result;
  test('too much drip: wait, then tighten by one step', () => {
    expect(
      log([
        [0, 30, 22, 200],
        [4, 0, 23, 180],
      ]),
    ).toMatchObject({ next: 'wait', wait_left_min: 6 });
    expect(
      log([
        [0, 30, 22, 200],
        [10, 0, 23, 180],
      ]),
    ).toMatchObject({ next: 'tighten', turn_deg: 30 });
  });
  test('within the window it is left, below it or warming it is backed off', () => {
    expect(log([[0, 0, 22, 40]]).next).toBe('leave');
    expect(log([[0, 0, 22, 19]])).toMatchObject({ next: 'back off', turn_deg: -30 });
    expect(
      log([
        [0, 30, 22, 200],
        [2, 0, 32, 150],
      ]).next,
    ).toBe('back off'); // 5 K a minute passes 60 °C within the wait
    expect(log([[0, 0, 60, 40]]).next).toBe('back off');
  });
  test('times that run back are refused', () =>
    expect(() =>
      log([
        [5, 0, 22, 40],
        [4, 0, 22, 40],
      ]),
    ).toThrow(expect.objectContaining({ path: 'entries.1.at_min' })));
});

describe('alignment', () => {
  const still = { top_mm: 0, right_mm: 0, bottom_mm: 0, left_mm: 0 };
  const feet = { to_front_foot_mm: 200, to_rear_foot_mm: 500 };
  /** What dials would read of a movable shaft that lies `offset` too high with a `slope` upwards. */
  const rimAndFace = (offset: number, slope: number, sag = 0) => ({
    method: 'rim-and-face' as const,
    rim: { ...still, bottom_mm: 2 * offset - sag },
    face: { ...still, top_mm: (slope * 100) / 2, bottom_mm: (-slope * 100) / 2 },
    face_diameter_mm: 100,
    bar_sag_mm: sag,
    ...feet,
  });
  test('the feet undo offset and slope', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: -0.01, max: 0.01, noNaN: true }),
        fc.double({ min: 0, max: 0.2, noNaN: true }),
        (offset, slope, sag) => {
          const { vertical } = alignment.compute(rimAndFace(offset, slope, sag)).result;
          expect(vertical.offset_mm).toBeCloseTo(offset, 9);
          expect(vertical.front_foot_mm).toBeCloseTo(-(offset + slope * 200), 9);
          expect(vertical.rear_foot_mm).toBeCloseTo(-(offset + slope * 500), 9);
        },
      ),
    );
  });
  test('reverse dials find the same line from two planes', () => {
    // 0.1 mm high at the stationary dial, 0.3 mm high at the movable dial 100 mm further out
    const { vertical } = alignment.compute({
      method: 'reverse-dial',
      stationary: { ...still, bottom_mm: 0.2 },
      movable: { ...still, top_mm: 0.6 },
      dial_distance_mm: 100,
      ...feet,
    }).result;
    expect(vertical).toMatchObject({ offset_mm: 0.1, angle_mm_per_m: 2 });
    expect(vertical.rear_foot_mm).toBeCloseTo(-1.1, 9);
  });
  test('a true coupling needs nothing, whatever the sag', () => {
    const { result } = alignment.compute({
      ...rimAndFace(0, 0, 0.1),
      tolerance: { offset_mm: 0.05, angle_mm_per_m: 0.5 },
    });
    expect(result).toMatchObject({
      vertical: { front_foot_mm: 0, rear_foot_mm: 0 },
      horizontal: { front_foot_mm: 0 },
      verdict: 'within',
    });
  });
  test('feet in the wrong order are refused', () =>
    expect(() => alignment.compute({ ...rimAndFace(0, 0), to_rear_foot_mm: 100 })).toThrow(
      expect.objectContaining({ path: 'to_rear_foot_mm' }),
    ));
});

describe('a ledger of shims', () => {
  const shim = (fitted: number, left: number) => ({ shim_mm: 0.5, found: 2, stock: 1, fitted, left });
  const ledger = (shims: ReturnType<typeof shim>[], gap_mm = 1.4) =>
    shimLedger.compute({ shims, gap_mm, window_mm: { min: 0.3, max: 0.5 } });
  test.each([
    ['all three are somewhere, 1.4 − 1.0 lies in the window', 2, 1, 'within', 0.4, 0],
    ['one is nowhere', 2, 0, 'not accounted for', 0.4, 1],
    ['one too many is not accounted for either', 3, 1, 'not accounted for', -0.1, 1],
    ['too few on the pump', 1, 2, 'over', 0.9, 0],
    ['too many on the pump', 3, 0, 'under', -0.1, 0],
  ] as const)('%s', (_what, fitted, left, verdict, rest_mm, missing) =>
    expect(ledger([shim(fitted, left)]).result).toEqual({ fitted_mm: fitted / 2, rest_mm, missing, verdict }),
  );
  test('the edges of the window count, and a missing shim is warned of', () => {
    expect(ledger([shim(2, 1)], 1.5).result.verdict).toBe('within');
    expect(ledger([shim(2, 1)], 1.3).result.verdict).toBe('within');
    expect(ledger([shim(2, 1)]).warnings).toEqual([]);
    expect(ledger([shim(2, 0)]).warnings.map((one) => one.code)).toEqual(['missing']);
    expect(ledger([shim(2, 0)]).working[0]?.outcome).toBe('1 missing');
    expect(ledger([shim(3, 1)]).working[0]?.outcome).toBe('1 too many');
  });
  test('one thickness twice is refused by its row', () =>
    expect(() => ledger([shim(2, 1), shim(0, 0)])).toThrow(expect.objectContaining({ path: 'shims.1.shim_mm' })));
});

describe('the timing of two rotors', () => {
  const allowed = { equal_mm: 0.02, spread_mm: 0.04 };
  const lobe = (stations: readonly (readonly [number, number])[]) =>
    timingShift.compute({
      ...{ form: 'lobe', ...allowed, radius_mm: 55 },
      stations: stations.map(([one_mm, other_mm]) => ({ one_mm, other_mm })),
    });
  const screw = (one_mm: number, other_mm: number, angles = {}) =>
    timingShift.compute({ form: 'screw', ...allowed, lead_mm: 60, stations: [{ one_mm, other_mm }], ...angles });
  test('half the difference is brought over by an arc: 0.055 mm on 55 mm is a thousandth of a radian', () => {
    const { result } = lobe([
      [0.26, 0.14],
      [0.25, 0.15],
    ]);
    expect(result).toMatchObject({ mean_one_mm: 0.255, mean_other_mm: 0.145, towards: 'one', verdict: 'turn' });
    expect(result.turn_deg).toBeCloseTo(0.0572958, 6);
    expect([result.least_mm, result.largest_mm, result.spread_mm]).toEqual([0.14, 0.26, 0.02]);
  });
  test('it turns towards the larger gap, whichever that is', () =>
    expect(lobe([[0.1, 0.2]]).result.towards).toBe('other'));
  test('a screw of 60 mm lead turns 0.3° for a tenth of a millimetre along the shaft', () =>
    expect(screw(0.25, 0.15).result).toMatchObject({ turn_deg: 0.3, towards: 'one', verdict: 'turn' }));
  test('a feeler that leans against the shaft measures less than the way along it', () => {
    // cos 60° is a half: the same feelers stand for twice the way.
    expect(screw(0.25, 0.15, { lead_angle_deg: 60 }).result.turn_deg).toBeCloseTo(0.6, 9);
    expect(screw(0.25, 0.15, { flank_angle_deg: 60 }).result.turn_deg).toBeCloseTo(0.6, 9);
  });
  test.each([
    ['alike', [[0.2, 0.2]], 'equal', 'neither'],
    ['alike at the edge of what is allowed', [[0.21, 0.19]], 'equal', 'one'],
    ['a hair beyond it', [[0.211, 0.19]], 'turn', 'one'],
    // 0.03 one way at one quarter, 0.03 the other way at the next: no turn mends both.
    [
      'unlike from quarter to quarter',
      [
        [0.23, 0.2],
        [0.2, 0.23],
      ],
      'spread',
      'neither',
    ],
  ] as const)('%s', (_what, stations, verdict, towards) => {
    const { result, warnings } = lobe(stations);
    expect([result.verdict, result.towards]).toEqual([verdict, towards]);
    expect(warnings.map((one) => one.code)).toEqual(verdict === 'spread' ? ['not-timed-away'] : []);
  });
  test.each([
    ['lobe', 'radius_mm'],
    ['screw', 'lead_mm'],
  ] as const)('a %s without its %s is refused by name', (form, path) =>
    expect(() => timingShift.compute({ form, ...allowed, stations: [{ one_mm: 0.2, other_mm: 0.1 }] })).toThrow(
      expect.objectContaining({ path }),
    ),
  );
  test('the working says the turn and the way', () =>
    expect(screw(0.25, 0.15).working.map((step) => step.outcome)).toContain(
      '0.3° towards the one flank, its larger gap',
    ));
});
