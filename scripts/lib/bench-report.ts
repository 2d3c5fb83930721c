import f1 from '@families/f1-overhung.json';
import { buildFamily, loadFamily } from '@/core/family';
import { placeKey } from '@/core/record';
import { exampleReading, exampleRecord, exampleRun } from '@/core/record/example-record';
import { buildAsBuilt } from '@/core/report';
import { writeAsBuiltPdf } from '@/documents';
import { simulatedCamera, simulatedTestStand } from '@/stand-ins';

const pictureCount = 30;

/** An as-built report with every point measured twice, a run at the stand and thirty pictures, for the benchmarks. */
export async function reportForBench() {
  const family = buildFamily(loadFamily(f1));
  const guarantee = { flowM3h: 60, headM: 38, powerKw: 12, efficiencyPct: 70, speedRpm: 2900 };
  const points = await simulatedTestStand.run({
    seed: 's',
    rated: guarantee,
    pipeMm: family.test.pipe_mm,
    flowShares: family.test.flow_shares,
    condition: 'sound',
  });
  const asNew = (point: (typeof family.points)[number]) => point.new_mm?.min ?? point.limits?.new.max ?? 0;
  const asFound = family.points.flatMap((point) =>
    point.places.map((place) => exampleReading(point.id, placeKey(place), asNew(point))),
  );
  const record = exampleRecord({
    readings: [...asFound, ...asFound.map((reading) => ({ ...reading, phase: 'as-left' as const }))],
    runs: [exampleRun({ guarantee, points })],
  });
  const pictures = await Promise.all(
    Array.from({ length: pictureCount }, async (_, i) => ({
      bytes: (await simulatedCamera.takePicture({ seed: String(i), subject: 'impeller', label: 'x' })).bytes,
      caption: `Picture ${i + 1}`,
      about: 'part:impeller',
    })),
  );
  const shop = { name: 'Shop', place: 'Place', address: '', telephone: '', paperSize: 'A4', language: 'en' } as const;
  /** Builds it from the record and writes it as PDF. */
  const write = () => {
    const report = buildAsBuilt({
      ...{ record, family, shop: { name: 'Shop', place: 'Place' }, number: 'R-2026-0001', revision: 'A' },
      ...{ whatChanged: '', issuedBy: 'W', issuedAt: '2026-11-24T08:00:00.000Z' },
    });
    return writeAsBuiltPdf({ report, fingerprint: 'f'.repeat(64), family, pictures, zone: 'Europe/Vienna', shop });
  };
  return { pictures, write };
}

/** How long it takes to build and write it, in ms, several times. */
export async function timesOfReport(write: () => Promise<unknown>, rounds = 5): Promise<readonly number[]> {
  const times: number[] = [];
  for (let i = 0; i < rounds; i++) {
    const start = performance.now();
    await write();
    times.push(performance.now() - start);
  }
  return times;
}
