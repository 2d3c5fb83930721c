import { present } from '@/core/present';
import { proposeSize, readBuild } from '@/core/family';
import { loadStoredRecord } from '@/db';
import { shippedFamilies } from '@/server/families';
import { demoJobs } from '../demo/jobs';
import type { TestShop } from './open-test-shop';
import { readPdfText } from './read-pdf-text';

/** Each construction as the demonstration shop has one on its bench. */
export const buildsOfDemo = shippedFamilies.map((family) => {
  const demo = present(demoJobs.find((job) => (job.family?.id ?? 'F1') === family.id));
  const size = proposeSize(family, `${demo.pump.model} ${demo.pump.size}`);
  return { id: family.id, family, demo, build: { ...demo.family?.build, ...(size !== undefined && { size }) } };
});

/** Plays a pump from receiving to its release, and looks at what its record, its tables and its report say then. */
export async function goesThrough(
  shop: TestShop,
  { family, demo, build }: (typeof buildsOfDemo)[number],
): Promise<void> {
  const tag = await shop.play({
    ...{ at: 'return', part: 'released', duty: demo.duty, pumpedAt: { temperatureC: 60, viscosityMm2S: 700 } },
    family: { id: family.id, build, elastomer: present(family.elastomers[0]) },
  });
  const record = present(await shop.load(tag));
  expect(record.familyVersion.split('+')[0]).toBe(family.version);
  expect(readBuild(record.familyVersion)).toMatchObject(build);
  expect(record).toStrictEqual(await loadStoredRecord(shop.runtime.database, tag));
  expect(record.reports).toHaveLength(1);
  expect(record.runs.at(-1)).toMatchObject({ verdict: 'pass', decision: 'passed' });
  const { number } = present(record.reports[0]);
  const { bytes } = await shop.act('wenna', 'read-report', { number, revision: 'A', as: 'pdf' });
  const text = (await readPdfText(bytes)).join(' ').replace(/\s+/g, ' ');
  expect(text).toContain(family.written.test.kind === 'slip' ? 'flow at pressure: pass' : 'grade 2B of ISO 9906: pass');
  expect(text).toContain(family.title.split(',')[0]);
}
