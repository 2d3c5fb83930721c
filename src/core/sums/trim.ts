import * as z from 'zod';
import { evaluate, fitPolynomial, orderFor, rootsWithin } from './polynomial';
import { type Warning, type WorkingStep, defineSum, notNegative, positive, show, SumRefusal } from './sum';

const trimInput = z.strictObject({
  diameter_mm: positive.max(5000),
  points: z
    .array(z.strictObject({ flow_m3h: notNegative.max(1e6), head_m: notNegative.max(1e5) }))
    .min(3)
    .max(200),
  wanted: z.strictObject({ flow_m3h: positive.max(1e6), head_m: positive.max(1e5) }),
});
const trimResult = z.object({
  diameter_mm: z.number(),
  share_pct: z.number(),
  from_flow_m3h: z.number(),
  from_head_m: z.number(),
});

type TrimInput = z.infer<typeof trimInput>;
function reckonTrim({ diameter_mm, points, wanted }: TrimInput) {
  const distinct = new Set(points.map((p) => p.flow_m3h)).size;
  if (distinct < 3) throw new SumRefusal('points', 'three different flows are the least for a curve');
  const head = fitPolynomial(
    points.map((p) => p.flow_m3h),
    points.map((p) => p.head_m),
    Math.min(orderFor(points.length), distinct - 1),
  );
  if (!head) throw new SumRefusal('points', 'the flows lie too close together for a curve');
  const slope = wanted.head_m / wanted.flow_m3h;
  const most = Math.max(...points.map((p) => p.flow_m3h));
  const [flow] = rootsWithin((q) => evaluate(head, q) - slope * q, 1e-9, most * (1 + 1e-9)).toReversed();
  if (flow === undefined)
    throw new SumRefusal('wanted', 'the line from the origin through this duty does not meet the measured curve');
  const share = Math.sqrt(wanted.flow_m3h / flow);
  if (share > 1 + 1e-9)
    throw new SumRefusal('wanted', 'this duty lies above the curve of the full diameter; it cannot be had by trimming');
  return {
    result: {
      diameter_mm: diameter_mm * share,
      share_pct: 100 * share,
      from_flow_m3h: flow,
      from_head_m: evaluate(head, flow),
    },
    flow,
    share,
  };
}
type TrimReckoned = ReturnType<typeof reckonTrim>;

function trimWorking({ diameter_mm, wanted }: TrimInput, { flow, share }: TrimReckoned): readonly WorkingStep[] {
  return [
    {
      what: 'Line from the origin through the duty',
      formula: 'H / Q constant',
      put: `${show(wanted.head_m, 2)} m at ${show(wanted.flow_m3h, 2)} m³/h`,
      outcome: `meets the curve at ${show(flow, 2)} m³/h`,
    },
    {
      what: 'Diameter',
      formula: "D' = D·√(Q'/Q)",
      put: `${show(diameter_mm, 1)} · √(${show(wanted.flow_m3h, 2)} / ${show(flow, 2)})`,
      outcome: `${show(diameter_mm * share, 1)} mm, ${show(100 * share, 1)} %`,
      source: 'Gülich, Centrifugal Pumps',
    },
  ];
}

function trimWarnings({ share }: TrimReckoned): readonly Warning[] {
  return [
    ...(share < 0.8
      ? [
          {
            code: 'deep-trim',
            sentence: 'More than a fifth is taken off: efficiency falls and the rule no longer holds well.',
          },
        ]
      : []),
    {
      code: 'in-two-cuts',
      sentence: 'Take off two thirds first, test, then the rest: the rule takes off a little too much.',
    },
  ];
}

/**
 * Impeller diameter for a wanted duty. Flow and head both go with the square of the diameter, so that they move along
 * the line from the origin through the duty (H/Q constant): `D' = D·√(Q'/Q)`. Source: Gülich, Centrifugal Pumps,
 * trimming
 * of radial impellers of constant outlet width.
 */
export const trim = defineSum<TrimInput, z.infer<typeof trimResult>>({
  id: 'trim',
  title: 'Trim of an impeller',
  ask: ['trim', 'turn down the impeller', 'diameter for a duty'],
  input: trimInput,
  result: trimResult,
  example: {
    input: {
      diameter_mm: 200,
      points: [
        { flow_m3h: 0, head_m: 60 },
        { flow_m3h: 50, head_m: 55 },
        { flow_m3h: 100, head_m: 40 },
      ],
      wanted: { flow_m3h: 81, head_m: 32.4 },
    },
    result: { diameter_mm: 180, share_pct: 90, from_flow_m3h: 100, from_head_m: 40 },
  },
  compute(given) {
    const reckoned = reckonTrim(given);
    return { result: reckoned.result, working: trimWorking(given, reckoned), warnings: trimWarnings(reckoned) };
  },
});
