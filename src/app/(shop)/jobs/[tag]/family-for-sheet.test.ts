import { present } from '@/core/present';
import { roundOfPoint, workOf } from '@/core/bench';
import { buildFamily, type Family, type Step } from '@/core/family';
import type { JobRecord } from '@/core/record';
import { stepsNeeding } from '@/core/supply';
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
  test.each(['inspect', 'quote', 'report'] as const)('%s follows from it what follows from the whole', (station) => {
    const sheet = familyForSheet(family, station);
    expect(JSON.stringify(sheet.rebuild).length).toBeLessThan(JSON.stringify(family.rebuild).length / 2);
    const failed = { decision: 'failed', reopenFrom: family.rebuild[3]?.id ?? null } as JobRecord['runs'][number];
    const roundsBy = (own: Family) => {
      const roundOf = roundOfPoint({ runs: [failed] }, own, 'as-left');
      return family.points.map(({ id }) => roundOf(id));
    };
    // The failed run opened some of the steps at which points are measured.
    expect(roundsBy(family)).toContain(2);
    expect(roundsBy({ ...sheet, points: family.points })).toEqual(roundsBy(family));
    for (const { ref } of family.parts) expect(stepsNeeding(sheet, ref)).toEqual(stepsNeeding(family, ref));
    const work = (own: Family) =>
      workOf({ answers: [], steps: [], runs: [failed] }, own, 'rebuild').map(({ step, round, waitsFor, actions }) => ({
        ...{ id: step.id, title: step.title, round, waits: waitsFor.map(({ id }) => id) },
        actions: actions.map(({ action, waitsFor: first }) => [action.id, action.title, first.map(({ id }) => id)]),
      }));
    expect(work(sheet)).toEqual(work(family));
  });
});

test('the gaps between rotors are among what teardown measures', () => {
  const lobes = buildFamily(present(shippedFamilies.find(({ id }) => id === 'F7')));
  expect(measuredIn(lobes.teardown).length).toBeGreaterThan(0);
});
