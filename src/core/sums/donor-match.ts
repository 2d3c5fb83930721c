import { present } from '../present';
import * as z from 'zod';
import { defineSum, notNegative, show, SumRefusal, type Warning, type WorkingStep } from './sum';
import { solverOf, type Program, type Solver } from './solver';

const name = z.string().trim().min(1).max(60);
const conditions = ['new', 'good', 'fair', 'poor'] as const;
/** What a condition costs in points beside the wear used in per cent; poor is taken last. */
const conditionPoints: Readonly<Record<(typeof conditions)[number], number>> = { new: 0, good: 10, fair: 30, poor: 60 };
const interchangePoints = 5;

const slot = z.strictObject({
  id: name,
  pump: name,
  part: name,
  number: name.optional(),
  interchange_group: name.optional(),
});
const candidate = z.strictObject({
  id: name,
  unit: name,
  part: name,
  number: name.optional(),
  interchange_group: name.optional(),
  condition: z.enum(conditions),
  wear_used_pct: notNegative.max(1000),
});
const input = z.strictObject({
  slots: z.array(slot).min(1, 'no slot is given').max(200),
  candidates: z.array(candidate).max(400),
  most_wear_pct: notNegative.max(1000).optional(),
  least_condition: z.enum(conditions).optional(),
});
type Input = z.infer<typeof input>;
type Slot = z.infer<typeof slot>;
type Candidate = z.infer<typeof candidate>;
const match = z.object({
  slot: z.string(),
  pump: z.string(),
  candidate: z.string(),
  unit: z.string(),
  points: z.number(),
  reason: z.string(),
});
const result = z.object({
  matches: z.array(match),
  unfilled: z.array(z.object({ slot: z.string(), pump: z.string(), reason: z.string() })),
  points: z.number(),
});

function refuseTwins(ids: readonly string[], path: string): void {
  const twin = ids.find((id, i) => ids.indexOf(id) !== i);
  if (twin !== undefined) throw new SumRefusal(path, `“${twin}” stands there twice`);
}

/** Why a candidate cannot go into a slot, or null. */
function refusalOf(
  one: Slot,
  other: Candidate,
  { most_wear_pct = 100, least_condition = 'fair' }: Input,
): string | null {
  const sameNumber = one.number !== undefined && one.number === other.number;
  const sameGroup = one.interchange_group !== undefined && one.interchange_group === other.interchange_group;
  if (one.part !== other.part) return 'another part';
  if ((one.number !== undefined || one.interchange_group !== undefined) && !sameNumber && !sameGroup)
    return `its number ${other.number ?? 'is not known'} does not interchange`;
  if (conditions.indexOf(other.condition) > conditions.indexOf(least_condition))
    return `its condition is ${other.condition}`;
  return other.wear_used_pct > most_wear_pct ? `${show(other.wear_used_pct, 1)} % of its wear is used` : null;
}

function pointsOf(one: Slot, other: Candidate): number {
  const isOther = one.number !== undefined && one.number !== other.number;
  return other.wear_used_pct + conditionPoints[other.condition] + (isOther ? interchangePoints : 0);
}

function unfilledReason(one: Slot, given: Input): string {
  const refusals = given.candidates
    .filter((other) => other.part === one.part)
    .map((other) => ({ other, refusal: refusalOf(one, other, given) }));
  if (!refusals.length) return `No unit brings a ${one.part}.`;
  if (refusals.every(({ refusal }) => refusal))
    return refusals.map(({ other, refusal }) => `${other.id} of ${other.unit}: ${refusal}`).join('; ') + '.';
  return `Those that suit are needed in another pump, where they do more good.`;
}

interface Pair {
  readonly i: number;
  readonly k: number;
  readonly points: number;
}

/** The assignment as a program: a column a pair, each slot and each candidate at most once. */
function programOf(pairs: readonly Pair[], { slots, candidates }: Input): Program {
  // More than all points together: another slot filled outweighs any points.
  const filled = 1 + slots.length * pairs.reduce((most, pair) => Math.max(most, pair.points), 0);
  const rowFor = (suits: (pair: Pair) => boolean) => {
    const columns = pairs.flatMap((pair, column) => (suits(pair) ? [column] : []));
    return { columns, values: columns.map(() => 1), least: -Infinity, most: 1 };
  };
  return {
    costs: pairs.map((pair) => pair.points - filled),
    uppers: pairs.map(() => 1),
    whole: false,
    limitS: 2,
    rows: [
      ...slots.map((_, i) => rowFor((pair) => pair.i === i)),
      ...candidates.map((_, k) => rowFor((pair) => pair.k === k)),
    ],
  };
}

/** How a match compares with the best other candidate that would suit its slot. */
function beside({ i, k, points }: Pair, pairs: readonly Pair[], candidates: readonly Candidate[]): string {
  const best = pairs.filter((pair) => pair.i === i && pair.k !== k).toSorted((a, b) => a.points - b.points)[0];
  if (!best) return 'the only one that suits';
  const rival = `${present(candidates[best.k]).id} with ${show(best.points, 1)}`;
  return best.points >= points ? `better than ${rival}` : `${rival} does more good in another pump`;
}

function matchOf(pair: Pair, pairs: readonly Pair[], { slots, candidates }: Input) {
  const [one, other] = [present(slots[pair.i]), present(candidates[pair.k])];
  const crossed =
    one.number !== undefined && one.number !== other.number
      ? `, ${other.number ?? 'a part without number'} interchanges with ${one.number}`
      : '';
  return {
    slot: one.id,
    pump: one.pump,
    candidate: other.id,
    unit: other.unit,
    points: pair.points,
    reason: `${other.condition}, ${show(other.wear_used_pct, 1)} % of its wear used${crossed}: ${show(pair.points, 1)} points; ${beside(pair, pairs, candidates)}.`,
  };
}

function reckonDonorMatch(given: Input, solver: Solver | undefined) {
  const { slots, candidates } = given;
  const idsOf = (list: readonly { readonly id: string }[]) => list.map((one) => one.id);
  refuseTwins(idsOf(slots), 'slots');
  refuseTwins(idsOf(candidates), 'candidates');
  const pairs = slots.flatMap((one, i) =>
    candidates.flatMap((other, k) => (refusalOf(one, other, given) ? [] : [{ i, k, points: pointsOf(one, other) }])),
  );
  // The assignment polytope has whole corners, so the corner that the simplex method ends on is an assignment.
  const values = pairs.length ? solverOf(solver, 'donor-match').solve(programOf(pairs, given)).values : [];
  if (!values) throw new SumRefusal('slots', 'the assignment could not be reckoned in time; give fewer slots');
  const matches = pairs.filter((_, column) => present(values[column]) > 0.5).map((pair) => matchOf(pair, pairs, given));
  const unfilled = slots
    .filter((one) => !matches.some((found) => found.slot === one.id))
    .map((one) => ({ slot: one.id, pump: one.pump, reason: unfilledReason(one, given) }));
  const points = matches.reduce((sum, one) => sum + one.points, 0);
  return { result: { matches, unfilled, points }, pairs };
}
type DonorMatchReckoned = ReturnType<typeof reckonDonorMatch>;

function donorMatchWorking(
  { slots, candidates }: Input,
  { pairs, result: { matches, points } }: DonorMatchReckoned,
): readonly WorkingStep[] {
  return [
    {
      what: 'Pairs that suit',
      put: `${slots.length} slots × ${candidates.length} candidates, by part, number or group, condition and wear`,
      outcome: String(pairs.length),
    },
    {
      what: 'Points of a pair',
      formula: 'wear used in % + condition (new 0, good 10, fair 30, poor 60) + 5 for another number of the group',
      outcome: 'fewer is better',
      source: 'shop’s scale',
    },
    ...matches.map((one) => ({
      what: `${one.slot}, ${one.pump}`,
      put: one.reason,
      outcome: `${one.candidate} of ${one.unit}`,
    })),
    {
      what: 'Together',
      put: `${matches.length} of ${slots.length} slots filled`,
      outcome: `${show(points, 1)} points, none less for as many slots`,
      source: 'assignment, exact',
    },
  ];
}

function donorMatchWarnings({ slots }: Input, { result: { unfilled } }: DonorMatchReckoned): readonly Warning[] {
  return unfilled.length
    ? [
        {
          code: 'unfilled',
          sentence: `${unfilled.length} of ${slots.length} slots stay empty: ${unfilled.map((one) => one.slot).join(', ')}.`,
        },
      ]
    : [];
}

/**
 * Best of two, or of many: which part of which unit goes into which pump. As many slots as can be are filled, then the
 * points (wear used in per cent, condition, another number of the group) are least. Exact, by integer programming; an
 * assignment never takes one part twice. The points are the shop's own scale, not a standard's.
 */
export const donorMatch = defineSum<Input, z.infer<typeof result>>({
  id: 'donor-match',
  title: 'Best parts out of several units',
  ask: ['donor', 'best of two', 'which part from which unit', 'two worn pumps'],
  needsSolver: true,
  input,
  result,
  example: {
    input: {
      slots: [
        { id: 'impeller 1', pump: 'P-1', part: 'impeller', number: '230' },
        { id: 'impeller 2', pump: 'P-2', part: 'impeller', number: '231', interchange_group: 'G' },
      ],
      candidates: [
        {
          id: 'a',
          unit: 'U-1',
          part: 'impeller',
          number: '230',
          interchange_group: 'G',
          condition: 'good',
          wear_used_pct: 20,
        },
        {
          id: 'b',
          unit: 'U-2',
          part: 'impeller',
          number: '231',
          interchange_group: 'G',
          condition: 'fair',
          wear_used_pct: 60,
        },
      ],
    },
    result: {
      matches: [
        { slot: 'impeller 1', candidate: 'a', points: 30 },
        { slot: 'impeller 2', candidate: 'b', points: 90 },
      ] as never,
      points: 120,
    },
  },
  compute(given, solver) {
    const reckoned = reckonDonorMatch(given, solver);
    return {
      result: reckoned.result,
      working: donorMatchWorking(given, reckoned),
      warnings: donorMatchWarnings(given, reckoned),
    };
  },
});
