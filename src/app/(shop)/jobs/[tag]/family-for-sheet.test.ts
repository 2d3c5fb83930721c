import { present } from '@/core/present';
import { buildFamily, type Step } from '@/core/family';
import { shippedFamilies } from '@/server/families';
import { familyForSheet } from '@/components/job/family-for-sheet';

const measuredIn = (steps: readonly Step[]) =>
  steps.flatMap((step) => step.actions.flatMap(({ answer }) => (answer?.kind === 'measure' ? [...answer.points] : [])));

describe.each(shippedFamilies)('$id', (file) => {
  const family = buildFamily(file);
  test.each(['teardown', 'rebuild'] as const)('%s has every point that one of its actions measures', (phase) => {
    const sheet = familyForSheet(family, phase);
    const points = sheet.points.map(({ id }) => id);
    expect(sheet[phase].length).toBeGreaterThan(0);
    expect(measuredIn(sheet[phase]).filter((id) => !points.includes(id))).toEqual([]);
  });
});

test('the gaps between rotors are among what teardown measures', () => {
  const lobes = buildFamily(present(shippedFamilies.find(({ id }) => id === 'F7')));
  expect(measuredIn(lobes.teardown).length).toBeGreaterThan(0);
});
