import { stringify } from 'csv-stringify/sync';
import type { Actor } from '@/core/access';
import { catalogueColumns } from '@/core/purchasing';
import { act as actAs, type Runtime } from '@/server';
import { elastomerOf, proposeSize, type FamilyPart } from '@/core/family';
import { buildFor, shippedFamilies } from '@/server/families';
import { demoJobs } from './jobs';

type Part = FamilyPart;

const houses = [
  [
    'Sillwater Pump Parts',
    'Aldous Penhale',
    'orders@sillwater.example',
    '0100 300',
    'EUR',
    '1',
    '9.50',
    '0',
    '15:00',
    'yes',
    'yes',
  ],
  [
    'Hollowmere Seals',
    'Brisa Landry',
    'desk@hollowmere.example',
    '0100 322',
    'EUR',
    '1',
    '14.00',
    '250.00',
    '12:00',
    'no',
    'yes',
  ],
  [
    'Tarrowby Bearings',
    'Corwin Asp',
    'sales@tarrowby.example',
    '0100 344',
    'CHF',
    '1.04',
    '18.00',
    '320.00',
    '14:30',
    'no',
    'yes',
  ],
  [
    'Kestrel Yard Castings',
    'Della Moorcroft',
    'works@kestrelyard.example',
    '0100 366',
    'EUR',
    '1',
    '38.00',
    '900.00',
    '',
    'no',
    'yes',
  ],
];

const money = (minor: number) => (minor / 100).toFixed(2);

/** Every number that the constructions of the demonstration name, once, with the part that it is. */
function partsByNumber(): readonly Part[] {
  const found = new Map<string, Part>();
  const built = shippedFamilies.flatMap((file) => {
    const builds = demoJobs.flatMap(({ family, pump }) => {
      if ((family?.id ?? 'F1') !== file.id) return [];
      const size = proposeSize(file, `${pump.model} ${pump.size}`);
      return [{ ...family?.build, ...(size !== undefined && { size }) }];
    });
    return [{}, ...builds].map((build) => buildFor(file, build));
  });
  for (const part of built.flatMap(({ parts }) => parts)) if (!found.has(part.number)) found.set(part.number, part);
  return [...found.values()];
}

const isSoft = ({ soft, name }: Part) => soft && !/bearing|bush|nut/i.test(name);
const isBearing = ({ name, soft }: Part) => !soft && /bearing/i.test(name) && !/bracket|housing|cover|cap/i.test(name);
const isCasting = ({ name, soft }: Pick<Part, 'name' | 'soft'>) =>
  !soft && /impeller|casing|wear ring|wheel|rotor/i.test(name);

interface Sale {
  readonly supplier: string;
  readonly prefix: string;
  readonly sharePct: number;
  readonly moreDays: number;
}

function single(part: Part, { supplier, prefix, sharePct, moreDays }: Sale): readonly string[] {
  const price = money(Math.round((part.price_minor * sharePct) / 100));
  const lead = String(Math.max(1, part.lead_days + moreDays));
  return [supplier, `${prefix}${part.number}`, 'single', part.name, price, lead, '1', '', part.number, '', '1'];
}

/** Two rings of a number in one bag, cheaper than two: so that one pack serves two jobs. */
function pack(part: Part): readonly string[] {
  const price = money(Math.round(part.price_minor * 1.5));
  const lead = String(part.lead_days);
  return [
    'Sillwater Pump Parts',
    `${part.number}-2`,
    'single',
    `${part.name}, bag of two`,
    price,
    lead,
    '1',
    '',
    part.number,
    '',
    '2',
  ];
}

/** Suppliers, offers and numbers of the demonstration shop as CSV files, from the parts of the shipped families. */
export function demoCatalogue() {
  const parts = partsByNumber();
  const usual = { supplier: 'Sillwater Pump Parts', prefix: '', sharePct: 100, moreDays: 0 };
  const seals = { supplier: 'Hollowmere Seals', prefix: 'HM ', sharePct: 82, moreDays: 1 };
  const bearings = { supplier: 'Tarrowby Bearings', prefix: 'TB-', sharePct: 80, moreDays: 2 };
  const castings = { supplier: 'Kestrel Yard Castings', prefix: 'KY ', sharePct: 84, moreDays: 6 };
  const offers = parts.flatMap((part) => [
    single(part, usual),
    ...(isSoft(part) ? [single(part, seals), pack(part)] : []),
    ...(isBearing(part) ? [single(part, bearings)] : []),
    ...(isCasting(part) ? [single(part, castings)] : []),
  ]);
  const numbers = parts.flatMap(({ number, name, superseded, alternatives, ...part }) => [
    [
      number,
      name,
      '',
      isCasting({ name, ...part }) ? part.material : '',
      alternatives.length ? `as ${number}` : '',
      '',
    ],
    ...superseded.map((old) => [old, name, '', '', '', number]),
    ...alternatives.map((other) => [other, name, '', '', `as ${number}`, '']),
  ]);
  const first = new Set<string>();
  const once = numbers.filter(([number = '']) => !first.has(number) && first.add(number));
  const file = (columns: readonly string[], rows: readonly (readonly string[])[]) =>
    stringify(
      rows.map((row) => [...row]),
      { header: true, columns: [...columns] },
    );
  return {
    suppliers: file(catalogueColumns.suppliers, houses),
    offers: file(catalogueColumns.offers, offers),
    numbers: file(catalogueColumns.numbers, once),
  };
}

/** Puts the catalogue in through the door, and some rings and bearings on the shelf. */
export async function loadCatalogue(runtime: Runtime, actor: Actor): Promise<void> {
  const context = runtime.contextFor(actor);
  const { suppliers, offers, numbers } = demoCatalogue();
  await actAs('import-catalogue', context, { kind: 'suppliers', text: suppliers });
  await actAs('import-catalogue', context, { kind: 'offers', text: offers });
  await actAs('import-catalogue', context, { kind: 'numbers', text: numbers });
  const shelved = partsByNumber().filter((part) => isBearing(part) || isSoft(part));
  for (const [i, part] of shelved
    .filter((_, k) => k % 9 === 0)
    .slice(0, 12)
    .entries())
    await actAs('count-stock', context, {
      ...{
        number: part.number,
        elastomer: elastomerOf(part, 'EPDM') ?? '',
        title: part.name,
        bin: `A${1 + (i % 4)}-${i + 1}`,
      },
      ...{ counted: 1 + (i % 3), minimum: i % 4 === 0 ? 2 : 0, unitCostMinor: part.price_minor },
      ...{ reason: 'first count', basedOn: 0 },
    });
}
