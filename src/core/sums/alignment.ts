import * as z from 'zod';
import { defineSum, finite, lengthMm, notNegative, show, SumRefusal } from './sum';

const clock = z.strictObject({
  top_mm: finite.max(100),
  right_mm: finite.max(100),
  bottom_mm: finite.max(100),
  left_mm: finite.max(100),
});
const shared = {
  to_front_foot_mm: lengthMm,
  to_rear_foot_mm: lengthMm,
  bar_sag_mm: notNegative.max(10).optional(),
  tolerance: z.strictObject({ offset_mm: notNegative.max(10), angle_mm_per_m: notNegative.max(100) }).optional(),
};
const input = z.discriminatedUnion('method', [
  z.strictObject({ method: z.literal('rim-and-face'), rim: clock, face: clock, face_diameter_mm: lengthMm, ...shared }),
  z.strictObject({
    method: z.literal('reverse-dial'),
    stationary: clock,
    movable: clock,
    dial_distance_mm: lengthMm,
    ...shared,
  }),
]);
type Input = z.infer<typeof input>;
const plane = z.object({
  offset_mm: z.number(),
  angle_mm_per_m: z.number(),
  front_foot_mm: z.number(),
  rear_foot_mm: z.number(),
});
const result = z.object({ vertical: plane, horizontal: plane, verdict: z.enum(['within', 'outside']).optional() });

/** Half the difference of two opposite readings; sag reads low at the bottom and is put back. */
const half = (one: number, other: number, sag: number) => (one - (other + sag)) / 2;

interface Line {
  /** The movable shaft's height over the stationary one's line at the dial plane, mm. */
  readonly offset: number;
  /** Rise of the movable shaft a millimetre away from the coupling. */
  readonly slope: number;
}

/**
 * Lines of the movable shaft. Dials are on the stationary hub and sweep the movable rim (and face); reverse dials read
 * both ways. Bar sag is what a dial shows at the bottom of a true rim, as a positive number (bottom reads −sag).
 */
function linesOf(given: Input): { readonly vertical: Line; readonly horizontal: Line } {
  const sag = given.bar_sag_mm ?? 0;
  if (given.method === 'rim-and-face') {
    const { rim, face, face_diameter_mm: d } = given;
    return {
      vertical: { offset: -half(rim.top_mm, rim.bottom_mm, sag), slope: (face.top_mm - face.bottom_mm) / d },
      horizontal: { offset: -half(rim.right_mm, rim.left_mm, 0), slope: (face.right_mm - face.left_mm) / d },
    };
  }
  const { stationary, movable, dial_distance_mm: d } = given;
  const line = (near: number, far: number): Line => ({ offset: near, slope: (far - near) / d });
  return {
    vertical: line(-half(stationary.top_mm, stationary.bottom_mm, sag), half(movable.top_mm, movable.bottom_mm, sag)),
    horizontal: line(-half(stationary.right_mm, stationary.left_mm, 0), half(movable.right_mm, movable.left_mm, 0)),
  };
}

const flat = (value: number) => (Math.abs(value) < 1e-12 ? 0 : value);

/**
 * Offset and angle of a coupling, and what each foot needs: positive means shim under (vertical) or move to the right
 * (horizontal). The foot's need is the line's height there with its sign turned: `−(offset + slope·distance)`.
 * Source: geometry of two lines; rim-and-face and reverse-dial methods.
 */
export const alignment = defineSum<Input, z.infer<typeof result>>({
  id: 'alignment',
  title: 'Alignment of a coupling',
  ask: ['align', 'shims under the feet', 'reverse dial', 'rim and face', 'coupling'],
  input,
  result,
  example: {
    input: {
      method: 'rim-and-face',
      rim: { top_mm: 0, right_mm: 0, bottom_mm: 0.4, left_mm: 0 },
      face: { top_mm: 0, right_mm: 0, bottom_mm: 0, left_mm: 0 },
      face_diameter_mm: 100,
      to_front_foot_mm: 200,
      to_rear_foot_mm: 500,
    },
    result: { vertical: { offset_mm: 0.2, angle_mm_per_m: 0, front_foot_mm: -0.2, rear_foot_mm: -0.2 } },
  },
  compute(given) {
    if (given.to_rear_foot_mm <= given.to_front_foot_mm)
      throw new SumRefusal('to_rear_foot_mm', 'the rear feet stand further from the coupling than the front feet');
    const lines = linesOf(given);
    const need = ({ offset, slope }: Line, distance: number) => flat(-(offset + slope * distance));
    const planeOf = (line: Line) => ({
      offset_mm: flat(line.offset),
      angle_mm_per_m: flat(line.slope * 1000),
      front_foot_mm: need(line, given.to_front_foot_mm),
      rear_foot_mm: need(line, given.to_rear_foot_mm),
    });
    const [vertical, horizontal] = [planeOf(lines.vertical), planeOf(lines.horizontal)];
    const t = given.tolerance;
    const within =
      t &&
      [vertical, horizontal].every(
        (one) =>
          Math.abs(one.offset_mm) <= t.offset_mm + 1e-9 && Math.abs(one.angle_mm_per_m) <= t.angle_mm_per_m + 1e-9,
      );
    const words = (name: string, one: typeof vertical) => ({
      what: name,
      formula: 'need = −(offset + slope · distance)',
      put: `offset ${show(one.offset_mm)} mm, angle ${show(one.angle_mm_per_m, 2)} mm/m`,
      outcome: `front ${show(one.front_foot_mm)} mm, rear ${show(one.rear_foot_mm)} mm`,
    });
    return {
      result: { vertical, horizontal, ...(t && { verdict: within ? ('within' as const) : ('outside' as const) }) },
      working: [
        { what: 'Bar sag put back', outcome: `${show(given.bar_sag_mm ?? 0)} mm at the bottom` },
        words('Vertical, shims', vertical),
        words('Horizontal, to the right', horizontal),
      ],
      warnings: [],
    };
  },
});
