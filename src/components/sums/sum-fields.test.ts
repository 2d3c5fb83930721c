import { present } from '@/core/present';
import { sums } from '@/core/sums';
import { loadSolver } from '@/solver/highs-solver';
import { fieldsOf, labelOf, readFields, waysOf, writeFields } from './sum-fields';

let solver: Awaited<ReturnType<typeof loadSolver>>;
beforeAll(async () => {
  solver = await loadSolver();
});

test.each(sums.map((sum) => [sum.id, sum] as const))(
  '%s: its example goes through its fields unchanged',
  (_id, sum) => {
    const fields = fieldsOf(sum);
    expect(fields.length).toBeGreaterThan(0);
    const { input, issues } = readFields(fields, writeFields(fields, sum.example.input));
    expect(issues).toEqual({});
    expect(sum.compute(sum.input.parse(input), solver).result).toEqual(
      sum.compute(sum.input.parse(sum.example.input), solver).result,
    );
  },
);
test('units typed are understood in each field', () => {
  const sum = present(sums.find((one) => one.id === 'bearing-heat'));
  const fields = fieldsOf(sum);
  const { input } = readFields(fields, {
    bore_mm: '2 in',
    interference_um: '1 thou',
    ambient_c: '68 °F',
    school: 'computed',
  });
  expect(input).toEqual({ bore_mm: 50.8, interference_um: 25.4, ambient_c: 20, school: 'computed' });
});
test('a value that cannot be read is named at its field, and its line', () => {
  const fit = present(sums.find((one) => one.id === 'fit'));
  expect(readFields(fieldsOf(fit), { nominal_mm: 'big' }).issues.nominal_mm).toContain('"big"');
  const readings = present(sums.find((one) => one.id === 'readings'));
  expect(readFields(fieldsOf(readings), { readings: 'A ; 0 ; 45\nB ; 90 ; x' }).issues.readings).toMatch(
    /^Line 2: "x"/,
  );
});
test('names are words with their unit', () => {
  expect([labelOf('new_mm.min'), labelOf('limit_um'), labelOf('power_kw'), labelOf('flow_m3h')]).toEqual([
    'New, least, mm',
    'Limit, µm',
    'Power, kW',
    'Flow, m³/h',
  ]);
});
test('a sum with two ways has the fields of the way chosen', () => {
  const alignment = present(sums.find((one) => one.id === 'alignment'));
  expect(waysOf(alignment)).toEqual(['rim-and-face', 'reverse-dial']);
  expect(fieldsOf(alignment, 1).some((field) => field.path === 'dial_distance_mm')).toBe(true);
});
test('rows within a row stand in one cell: text first, numbers last', () => {
  const sum = present(sums.find((one) => one.id === 'kit-cover'));
  const { input, issues } = readFields(fieldsOf(sum), {
    need: 'lip seal ; 2',
    offers: 'seal kit ; 900 ; 5 ; lip seal 1, face 2',
  });
  expect(issues).toEqual({});
  expect(input).toEqual({
    need: [{ part: 'lip seal', qty: 2 }],
    offers: [
      {
        id: 'seal kit',
        price: 900,
        lead_days: 5,
        gives: [
          { part: 'lip seal', qty: 1 },
          { part: 'face', qty: 2 },
        ],
      },
    ],
  });
  expect(readFields(fieldsOf(sum), { offers: 'kit ; 900 ; 5 ; face one' }).issues.offers).toMatch(/^Line 1: "one"/);
});
test('data in several storeys is typed as JSON; what is none says where it breaks off', () => {
  const sum = present(sums.find((one) => one.id === 'plan'));
  const fields = fieldsOf(sum);
  expect(fields.filter(({ kind }) => kind === 'data').map(({ path }) => path)).toEqual([
    'calendars',
    'resources',
    'jobs',
  ]);
  const { input, issues } = readFields(fields, { start: '2026-11-23', jobs: '[{"id":', resources: '[]' });
  expect(input).toMatchObject({ start: '2026-11-23', resources: [] });
  expect(issues['jobs']).toMatch(/This is no JSON: .+/);
});
