import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { validateXML } from 'xmllint-wasm';
import { readPdfText } from '../../test-support/read-pdf-text';
import type { ShopOrder } from '@/core/purchasing';
import { writeOrderPdf, writeOrderUbl } from '.';

const folder = join(__dirname, '../../docs/formats/ubl-order-2.1');
const schema = (name: string) => ({ fileName: name, contents: readFileSync(join(folder, name), 'utf8') });

const line = {
  kind: 'single',
  leadDays: 5,
  firstDueOn: '2026-12-02',
  dueOn: '2026-12-04',
  saidPriceMinor: null,
} as const;
const piece = { elastomer: '', sent: 0, received: 0, struck: 0 };
const order: ShopOrder = {
  ...{ number: 'PO-00042', supplierId: 's', supplier: 'Hollowmere Seals', currency: 'CHF', rate: 1.04 },
  ...{ freightMinor: 1400, state: 'acknowledged', reference: 'ACK-7', placedOn: '2026-11-27', endedOn: null },
  ...{ history: [], personName: 'Bram Tolliver', at: '2026-11-27T09:00:00.000Z', version: 1 },
  lines: [
    {
      ...{
        ...line,
        position: 1,
        code: 'HM 12',
        title: 'Rings & wipers <set>',
        kind: 'kit',
        quantity: 2,
        priceMinor: 4050,
      },
      pieces: [
        { ...piece, number: 'R-1', elastomer: 'EPDM', quantity: 4 },
        { ...piece, number: 'R-2', quantity: 2 },
      ],
    },
    {
      ...{
        ...line,
        position: 2,
        code: 'B-7',
        title: 'Ball bearing',
        quantity: 3,
        priceMinor: 1999,
        saidPriceMinor: 2119,
      },
      pieces: [{ ...piece, number: 'B-7', quantity: 3 }],
    },
    {
      ...{ ...line, position: 3, code: 'X-1', title: 'Odd cap', quantity: 1, priceMinor: null, dueOn: null },
      pieces: [{ ...piece, number: 'X-1', quantity: 1 }],
    },
  ],
};
const parties = {
  shop: {
    name: 'Kettlewick Pump Works',
    place: 'Harrowmere',
    address: '',
    telephone: '',
    paperSize: 'A4',
    language: 'en',
  } as const,
  supplier: { name: 'Hollowmere Seals', contact: 'Brisa Landry', email: 'desk@hollowmere.example', telephone: '' },
};

const validate = (contents: string) =>
  validateXML({
    xml: [{ fileName: 'order.xml', contents }],
    schema: [schema('Order-2.xsd')],
    preload: [schema('CommonAggregateComponents-2.xsd'), schema('CommonBasicComponents-2.xsd')],
  });

describe('an order as an Order document of UBL 2.1', () => {
  let xml: string;
  beforeAll(async () => {
    xml = await writeOrderUbl(order, parties);
  });
  test('is valid, with a kit, a price that was raised, and one that nobody has said', async () => {
    const { valid, errors } = await validate(xml);
    expect(errors).toEqual([]);
    expect(valid).toBe(true);
  });
  test('says the sums as they are reckoned by hand', () => {
    // Goods 2 · 40.50 + 3 · 21.19 = 144.57; with 14.00 of freight 158.57.
    expect(xml).toContain('<cbc:LineExtensionAmount currencyID="CHF">144.57</cbc:LineExtensionAmount>');
    expect(xml).toContain('<cbc:ChargeTotalAmount currencyID="CHF">14.00</cbc:ChargeTotalAmount>');
    expect(xml).toContain('<cbc:PayableAmount currencyID="CHF">158.57</cbc:PayableAmount>');
    expect(xml).toContain('Rings &amp; wipers &lt;set&gt;');
  });
  test.each([
    [
      'two elements that change places',
      (text: string) => text.replace(/(<cbc:ID>PO-00042<\/cbc:ID>)\s*(<cbc:IssueDate>.*?<\/cbc:IssueDate>)/, '$2$1'),
    ],
    ['a date that is none', (text: string) => text.replace('2026-11-27', '27.11.2026')],
    [
      'an amount without its currency',
      (text: string) => text.replace('<cbc:PayableAmount currencyID="CHF">', '<cbc:PayableAmount>'),
    ],
    ['an order without a line', (text: string) => text.replace(/<cac:OrderLine>[\s\S]*<\/cac:OrderLine>/, '')],
  ])('the schema refuses %s', async (_what, spoil) => {
    const spoiled = spoil(xml);
    expect(spoiled).not.toBe(xml);
    expect((await validate(spoiled)).valid).toBe(false);
  });
});

describe('the part of the standard’s schema that ships with the project', () => {
  // A second transcription of the standard, by others: the order of the children of each type that both have.
  const others: Readonly<Record<string, string>> = {
    PartyType: 'PartyTypeGroup',
    ContactType: 'ContactTypeGroup',
    AddressType: 'PostalAddressTypeGroup',
    DeliveryType: 'DeliveryTypeGroup',
    PeriodType: 'PeriodTypeGroup',
    PriceType: 'PriceTypeGroup',
    ItemType: 'ItemTypeGroup',
    MonetaryTotalType: 'MonetaryTotalTypeGroup',
    AllowanceChargeType: 'AllowanceChargeTypeGroup',
    SupplierPartyType: 'SupplierPartyTypeGroup',
    CustomerPartyType: 'CustomerPartyTypeGroup',
  };
  const aggregates = schema('CommonAggregateComponents-2.xsd').contents;
  const root = join(dirname(require.resolve('ubl-builder/package.json')), 'lib/ubl21/CommonAggregateComponents');
  test.each(Object.entries(others))('%s has its children where others have them', (type, file) => {
    const body = aggregates.split(`<xs:complexType name="${type}">`)[1]?.split('</xs:complexType>')[0] ?? '';
    const own = [...body.matchAll(/ref="(\w+:\w+)"/g)].map(([, name]) => name);
    const text = readFileSync(join(root, `${file}.js`), 'utf8');
    const theirs = [...text.matchAll(/order: (\d+),\s*attributeName: '(c[ab]c:\w+)'/g)]
      .map(([, at, name]) => ({ at: Number(at), name }))
      .sort((a, b) => a.at - b.at)
      .map(({ name }) => name);
    const both = own.filter((name) => theirs.includes(name ?? ''));
    expect(both.length).toBeGreaterThan(0);
    expect(theirs.filter((name) => own.includes(name))).toEqual(both);
  });
});

test('an order on paper names the supplier’s codes, the elastomer, what is in a kit, and what has no price', async () => {
  const text = (await readPdfText(await writeOrderPdf(order, parties))).join(' ');
  for (const words of ['Order PO-00042', 'Hollowmere Seals', 'HM 12', 'EPDM', 'holds 4 × R-1, 2 × R-2', 'please say'])
    expect(text).toContain(words);
  expect(text).toContain('158.57');
});
