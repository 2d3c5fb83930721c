import f1 from '../../../test-support/plain-overhung.json';
import { CoreJob, terms } from '../../../test-support/core-job';
import { quote, supply } from '../change';
import { loadFamily } from '../family';
import { present } from '../present';

const file = loadFamily(f1);
const script = {
  duty: { flowM3h: 25, headM: 32, speedRpm: 2900 },
  found: { 'ring-bore': '100.70' },
  dispose: { 'ring-bore': ['replace', 'worn'] },
} as const;
const jobAtQuote = () => new CoreJob(file, script).playTo('quote');
const bring = (job: CoreJob, partRef: string, count: number) =>
  job.act(
    'Bram',
    ['choose-source', supply.chooseSource],
    { donor: null },
    {
      ...{ tag: job.record.tag, partRef, basedOn: 0, donorId: null },
      source: { source: 'customer', from: 'Fern Okonjo', count, reason: 'they have one', dueOn: '2026-12-05' },
    },
  );
const drawn = (job: CoreJob) => {
  job.act('Ines', ['draw-up-quote', quote.drawUpQuote], terms, null);
  return present(job.record.quotes.at(-1)).lines;
};

describe('a part that the customer brings', () => {
  test('costs nothing on the quote, says that it has no warranty, and is still needed', () => {
    const job = jobAtQuote();
    bring(job, 'front-ring', 1);
    const line = present(drawn(job).find(({ parts }) => parts.some(({ ref }) => ref === 'front-ring')));
    expect([line.unitPriceMinor, line.unitCostMinor]).toEqual([0, 0]);
    expect(line.description).toContain('your own');
    expect(line.plain).toContain('no warranty from us');
    expect(line.parts).toEqual([{ ref: 'front-ring', qty: 1 }]);
  });
  test('of what is always renewed leaves the kit, and stands by itself', () => {
    const job = jobAtQuote();
    const before = drawn(jobAtQuote());
    bring(job, 'lip-seal', 2);
    const lines = drawn(job);
    const own = present(lines.find(({ description }) => description.includes('your own')));
    expect([own.parts, own.unitPriceMinor, own.declinable]).toEqual([[{ ref: 'lip-seal', qty: 2 }], 0, false]);
    const count = (of: typeof lines) =>
      of.flatMap(({ parts }) => parts).reduce((sum, { ref, qty }) => sum + (ref === 'lip-seal' ? qty : 0), 0);
    expect(count(lines)).toBe(count(before));
  });
  test('of which one is still to be bought is priced as before', () => {
    const job = jobAtQuote();
    bring(job, 'lip-seal', 1);
    expect(drawn(job).some(({ description }) => description.includes('your own'))).toBe(false);
  });
});

test('work that another shop does stands on the quote at its price and the shop’s mark-up', () => {
  const job = jobAtQuote();
  job.act('Bram', ['write-outside', supply.writeOutside], undefined, {
    ...{ tag: job.record.tag, number: null, basedOn: 0 },
    outside: {
      ...{ work: 'balancing' as const, what: 'to G2.5 at 2900 rpm', parts: ['impeller'], to: 'Sill Balancing' },
      ...{ priceMinor: 12000, asks: [], dueOn: '2026-12-09' },
    },
  });
  const line = present(drawn(job).find(({ kind }) => kind === 'outside'));
  // 120.00 and 18 % on it.
  expect([line.unitCostMinor, line.unitPriceMinor]).toEqual([12000, 14160]);
  expect(line.description).toBe('Outside work, balancing: impeller');
  expect(line.plain).toBe('To G2.5 at 2900 rpm.');
});
