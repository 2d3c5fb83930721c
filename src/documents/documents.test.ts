import whole from '@families/f1-overhung.json';
import { CoreJob, wornRing } from '../../test-support/core-job';
import f1 from '../../test-support/plain-overhung.json';
import { buildFamily, loadFamily } from '@/core/family';
import { buildAsBuilt } from '@/core/report';
import { asId } from '@/core/record';
import { exampleLine, exampleQuote, exampleReading, exampleRecord, exampleRun } from '@/core/record/example-record';
import { simulatedCamera, simulatedTestStand } from '@/stand-ins';
import { readPdfSizes, readPdfText } from '../../test-support/read-pdf-text';
import { writeAsBuiltPdf, writeQuotePdf, writeTagPdf } from '.';

const family = buildFamily(loadFamily(f1));
const shop = {
  ...{ name: 'Kettlewick Pump Works', place: 'Harrowmere', zone: 'Europe/Vienna' },
  ...({ address: '', telephone: '', paperSize: 'A4', language: 'en' } as const),
};

test('the tag says tag, serial number, owner and liquid on one page', async () => {
  const pages = await readPdfText(await writeTagPdf(exampleRecord()));
  expect(pages).toHaveLength(1);
  expect(pages[0]).toMatch(/P-0417.*QB-22871.*Harrowmere Botanical Garden.*Liquid: pond water/);
});
test('a tag without a declared liquid forbids opening', async () => {
  const [page] = await readPdfText(
    await writeTagPdf(exampleRecord({ intake: { ...exampleRecord().intake, cleaning: 'none' } })),
  );
  expect(page).toContain('LIQUID NOT DECLARED: DO NOT OPEN');
});
test('a document is the same to the byte whatever was written before it, but for its moment', async () => {
  const write = async (words: string) => {
    const line = exampleLine({ description: `Wear ring ${words}`, plain: 'Größe ≤ 45 µm – “as new”' });
    const given = { shop, pictures: [], fingerprint: 'abc123', now: '2026-11-24T10:00:00Z' };
    const bytes = await writeQuotePdf({ record: exampleRecord(), quote: exampleQuote([line]), ...given });
    return bytes.toString('latin1').replace(/\(D:\d+Z\)|\/ID \[[^\]]*\]/g, '');
  };
  const first = await write('one');
  const other = await write('another');
  expect(other).not.toBe(first);
  expect(await write('one')).toBe(first);
});
test('the quote has its lines, totals and fingerprint', async () => {
  const quote = exampleQuote([
    exampleLine(),
    exampleLine({ id: asId('l2'), description: 'Turned Ø 45 ±0.01', unitPriceMinor: 5000 }),
    exampleLine({ id: asId('l3'), description: 'Struck', struckReason: 'no' }),
  ]);
  const text = (
    await readPdfText(
      await writeQuotePdf({
        record: exampleRecord(),
        quote,
        shop,
        pictures: [],
        fingerprint: 'abc123',
        now: '2026-11-24T10:00:00Z',
      }),
    )
  ).join(' ');
  for (const piece of ['Wear ring', 'Turned Ø 45 ±0.01', '€180.00', '€150.00', 'abc123', 'revision 1'])
    expect(text).toContain(piece);
  expect(text).not.toContain('Struck');
});

// ISO 216 and ANSI/ASME Y14.1, in points of 1/72 inch.
test.each([
  ['A4', (210 / 25.4) * 72, (297 / 25.4) * 72],
  ['Letter', 8.5 * 72, 11 * 72],
] as const)('papers are printed on %s with the shop’s address at their head', async (paperSize, width, height) => {
  const address = 'Weir Lane 3\n4711 Harrowmere';
  const bytes = await writeQuotePdf({
    ...{ record: exampleRecord(), quote: exampleQuote([exampleLine()]), pictures: [], fingerprint: 'f' },
    ...{ shop: { ...shop, address, paperSize, telephone: '0100 214' }, now: '2026-11-24T10:00:00Z' },
  });
  for (const [across, down] of await readPdfSizes(bytes)) {
    expect(across).toBeCloseTo(width, 0);
    expect(down).toBeCloseTo(height, 0);
  }
  expect((await readPdfText(bytes))[0]).toContain('Weir Lane 3 · 4711 Harrowmere · Telephone 0100 214');
});

describe('the as-built report', () => {
  const write = async (pictures = 0) => {
    const guarantee = { flowM3h: 60, headM: 38, powerKw: 12, efficiencyPct: 70, speedRpm: 2900 };
    const points = await simulatedTestStand.run({
      seed: 's',
      rated: guarantee,
      pipeMm: family.test.pipe_mm,
      flowShares: family.test.flow_shares,
      condition: 'sound',
    });
    const record = exampleRecord({
      readings: [exampleReading('wet-seat', 'A:0', 44.99), exampleReading('wet-seat', 'A:0', 45.006, 'as-left')],
      runs: [exampleRun({ guarantee, points })],
    });
    const report = buildAsBuilt({
      record,
      family,
      shop,
      number: 'R-2026-0001',
      revision: 'B',
      whatChanged: 'Hours corrected',
      issuedBy: 'Wenna',
      issuedAt: '2026-11-24T08:00:00.000Z',
    });
    const { bytes } = await simulatedCamera.takePicture({ seed: 's', subject: 'impeller', label: 'x' });
    return readPdfText(
      await writeAsBuiltPdf({
        report,
        fingerprint: 'f'.repeat(64),
        family,
        ...{ zone: shop.zone, shop },
        pictures: Array.from({ length: pictures }, (_, i) => ({
          bytes,
          caption: `Picture ${i + 1}`,
          about: 'part:impeller',
        })),
      }),
    );
  };
  test('reads as found and as left side by side, with test, cautions and what changed', async () => {
    const text = (await write()).join(' ');
    expect(text).toMatch(
      /Shaft at the wet-end bearing seat 45\.002 to 45\.013 mm from 44\.998 mm 44\.990 out 45\.006 as new/,
    );
    for (const piece of [
      'Changed in this revision: Hours corrected',
      'Run 1, grade 2B of ISO 9906: pass',
      'The maker’s manual',
      'ISO 9906:2012',
      'f'.repeat(64),
    ])
      expect(text).toContain(piece);
  });
  test('every page is numbered and names the report', async () => {
    const pages = await write(20);
    pages.forEach((page, i) =>
      expect(page).toMatch(new RegExp(`R-2026-0001 revision B.*${i + 1} (of|/) ${pages.length}`)),
    );
    expect(pages.join(' ')).toContain('Picture 20');
  });
});

describe('in another language', () => {
  /** Sentences of ours that would be there if one had been forgotten. */
  const english = /\b(the|and|of|is|are|for|by|with|valid|sum|tax|serial|revision of|issued)\b/i;
  test('a quote has its words, sums and figures', async () => {
    const line = exampleLine({ description: 'Vorderer Spaltring', plain: 'Er ist verschlissen.', quantity: 1.5 });
    const quote = exampleQuote([line], { language: 'de', discountPct: 2.5, options: ['minimum', 'recommended'] });
    const record = exampleRecord({ findings: [] });
    const text = (
      await readPdfText(
        await writeQuotePdf({ record, quote, shop, pictures: [], fingerprint: 'f', now: '2026-11-24T10:00:00Z' }),
      )
    ).join(' ');
    for (const piece of ['Angebot, Revision 1', 'Was wir gefunden haben', '1,5 St.', 'Abzüglich 2,5 %', 'Steuer 20 %'])
      expect(text).toContain(piece);
    expect(text.replaceAll(record.pump.maker, '')).not.toMatch(english);
  });
  test('a report has its headings, parts, points, steps, verdicts and cautions in it', async () => {
    const job = new CoreJob(loadFamily(whole), { ...wornRing, duty: { ...wornRing.duty, powerKw: 3.3 } });
    const report = await job.play();
    const asked = { report, fingerprint: 'f'.repeat(64), family: job.family, pictures: [], zone: shop.zone };
    const text = (await readPdfText(await writeAsBuiltPdf({ ...asked, shop: { ...shop, language: 'de' } }))).join(' ');
    const pieces = ['Befund und Endzustand', 'Vorderer Spaltring', 'Bohrung des vorderen Spaltrings', 'brauchbar'];
    for (const piece of [...pieces, 'nach ISO 9906: bestanden', 'Geltende Arbeitsweisen', 'Alle Energien trennen'])
      expect(text).toContain(piece);
    const words = text.split(/\s+/);
    const left = words.filter((word) => /^(the|and|of|is|are|for|by|with)$/i.test(word));
    // What is left in English is what a person typed, and the working of sums.
    expect(left.length / words.length).toBeLessThan(0.01);
  });
});
