import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { BuyingPlan, CatalogueSupplier } from '@/core/purchasing';
import { answerFetch, refusal } from '../../../test-support/answer-fetch';
import { BuyingPlanView } from './buying-plan';
import { Catalogue } from './catalogue';
import { DonorStock } from './donor-stock';
import { OrderCount } from './order-count';
import { OutsideWork } from './outside-work';
import { PartsDesk, type DeskLine, type OrderShown } from './parts-desk';
import { Shelf } from './shelf';
import { CoreJob } from '../../../test-support/core-job';
import { exampleFile, exampleView } from '../../../test-support/example-view';

const line = (over: Partial<DeskLine>): DeskLine => ({
  ...{ tag: 'P-0417', partRef: 'ring', name: 'Wear ring', number: 'KW1-0502', elastomer: '', source: 'bought' },
  ...{ quantity: 1, ordered: 1, received: 0, toBuy: 0, leadDays: 7, dueOn: '2026-12-04', neededBy: '2026-12-02' },
  ...{ blocks: ['Wear rings', 'Casing'], isAtRisk: false, pump: 'QB', customer: 'Rink', promisedOn: '2026-12-06' },
  isHeld: false,
  effect: { arrivesOn: '2026-12-04', isGuess: false, readyOn: '2026-12-08', spareDays: -2 },
  ...over,
});
const order = (over: Partial<OrderShown>): OrderShown => ({
  ...{ number: 'PO-00007', supplier: 'Sillwater', state: 'acknowledged', placedOn: '2026-11-20', jobs: ['P-0417'] },
  ...{ dueOn: '2026-12-04', currency: 'EUR', totalMinor: 1200, open: 2, toCount: 0, lines: ['1 × Ring'] },
  ...over,
});
const nothing = { orders: [], takes: 0, cannot: [] };
const today = '2026-11-27';

describe('the desk of all jobs', () => {
  test('says of each line what it does to its promise, the worst first, and what it stops', () => {
    const lines = [
      line({ tag: 'P-0409', effect: { arrivesOn: '2026-12-01', isGuess: false, readyOn: '2026-12-02', spareDays: 4 } }),
      line({}),
      line({ tag: 'P-0405', toBuy: 1, ordered: 0, dueOn: null, isAtRisk: true }),
    ];
    render(<PartsDesk today={today} currency="EUR" lines={lines} orders={[]} plan={nothing} />);
    expect(screen.getByText('2 lines of 2 jobs; 1 promise does not hold')).toBeInTheDocument();
    const rows = within(screen.getByRole('region', { name: 'To come' })).getAllByRole('listitem');
    expect(rows.map((row) => row.textContent)).toEqual([
      expect.stringContaining('ready 8 Dec, 2 days past 6 Dec'),
      expect.stringContaining('4 days in hand'),
    ]);
    expect(rows[0]).toHaveTextContent('stops: Wear rings and 1 more');
    expect(
      within(screen.getByRole('region', { name: 'Before an answer' })).getByText('1 to order'),
    ).toBeInTheDocument();
  });
  test('says what waits for a press: an order with its last day, a parcel to count, one that is late, a part of nobody', () => {
    const plan = {
      takes: 1,
      cannot: ['Odd cap'],
      orders: [
        {
          supplierId: 's',
          supplier: 'Sillwater',
          shopMinor: 21450,
          orderBy: today,
          lines: [1, 2],
          shares: [{ tag: 'P-0417' }, { tag: '' }],
        },
      ],
    };
    const orders = [order({ toCount: 2 }), order({ number: 'PO-00008', dueOn: '2026-11-25' })];
    render(<PartsDesk today={today} currency="EUR" lines={[]} orders={orders} plan={plan} />);
    const waits = within(screen.getByRole('region', { name: 'Waits for a press' })).getAllByRole('listitem');
    const words = waits.map((row) => row.textContent.replace(/\s+/g, ' '));
    expect(words[0]).toMatch(/Order from Sillwater ?2 lines for 1 job, €214.50 ?today at the latest/);
    expect(words[1]).toBe('Take 1 line from the shelf');
    expect(words[2]).toMatch(/Count the parcel of PO-00007 ?2 pieces/);
    expect(words[3]).toMatch(/Ask Sillwater about PO-00008 ?it was due 25 Nov/);
    expect(words[4]).toContain('Nobody offers Odd cap.');
  });
});

const plan: BuyingPlan = {
  takes: [],
  orders: [
    {
      ...{
        supplierId: 's',
        supplier: 'Sillwater',
        currency: 'EUR',
        goodsMinor: 15000,
        freightMinor: 950,
        shopMinor: 15950,
      },
      ...{ orderBy: '2026-12-01', late: 1 },
      lines: [
        {
          ...{ offerId: 'o', code: 'K-1', kind: 'kit', title: 'Seal kit', count: 1, priceMinor: 15000, leadDays: 5 },
          dueOn: '2026-12-02',
          pieces: [{ number: 'R-2', elastomer: 'EPDM', quantity: 2 }],
        },
      ],
      shares: [
        {
          ...{ supplierId: 's', tag: 'P-0417', partRef: 'ring', name: 'Ring', number: 'R-2', listedNumber: 'R-1' },
          ...{ elastomer: 'EPDM', quantity: 1, dueOn: '2026-12-02', neededBy: '2026-12-01', blocks: [] },
        },
      ],
    },
  ],
  ...{ cannot: [], costMinor: 15950, isProven: true, boundMinor: 15950 },
  alone: [
    { supplier: 'Sillwater', costMinor: 16450 },
    { supplier: 'Hollowmere', costMinor: null },
  ],
};

describe('the buying plan', () => {
  const show = () => render(<BuyingPlanView today={today} currency="EUR" plan={plan} basedOn="f-1" atRisk={[]} />);
  test('shows the kit, the number that is bought in place of another, what comes too late, and why this choice', () => {
    show();
    expect(screen.getByText('kit: 2 × R-2')).toBeInTheDocument();
    expect(screen.getByText((_, node) => node?.textContent === 'R-2 in place of R-1')).toBeInTheDocument();
    expect(screen.getByText('1 part comes too late even so')).toBeInTheDocument();
    const why = screen.getByRole('region', { name: 'Why this choice' });
    expect(why).toHaveTextContent('for less than €159.50');
    expect(why).toHaveTextContent('All from Sillwater: €164.50, dearer by €5.00');
    expect(why).toHaveTextContent('All from Hollowmere: does not offer all of it');
  });
  test('one press places what was seen; a plan that moved says so', async () => {
    const asked = answerFetch(() => ({ body: { data: { numbers: ['PO-00009'], jobs: 1 } } }));
    show();
    await userEvent.click(screen.getByRole('button', { name: 'Order from Sillwater' }));
    expect(asked[0]).toMatchObject({ path: '/api/act/place-orders', body: { basedOn: 'f-1', supplierIds: ['s'] } });
    expect(await screen.findByRole('status')).toHaveTextContent('PO-00009 went out for 1 job.');
    answerFetch(() => refusal('The plan is another since you saw it.'));
    const again = screen.getByRole('button', { name: 'Order from Sillwater' });
    // While the page is read anew nothing can be pressed.
    await waitFor(() => expect(again).toBeEnabled());
    await userEvent.click(again);
    expect(await screen.findByText(/The plan is another/)).toBeInTheDocument();
  });
});

describe('the count of a parcel', () => {
  const pieces = [{ number: 'R-1', elastomer: 'EPDM', variant: '', listed: 2, open: 2 }];
  const show = () => render(<OrderCount number="PO-00007" pieces={pieces} names={{ 'R-1': 'Ring' }} sentTo={[]} />);
  const type = (name: string, text: string) => userEvent.type(screen.getByRole('textbox', { name }), text);
  test('starts from an empty box; what is wrong is said, and a fault stands at its piece', async () => {
    const fault = 'Ring must be EPDM, this is NBR.';
    const asked = answerFetch(() => refusal(fault, { path: 'counts.0', message: fault }));
    show();
    expect(screen.getByRole('textbox', { name: 'Counted: R-1' })).toHaveValue('');
    expect(screen.getByRole('button', { name: 'Counted so' })).toBeDisabled();
    await type('Counted: R-1', '1');
    await type('Wrong or damaged: R-1', '1');
    await type('What is wrong: R-1', 'cut');
    await type('Elastomer of it: R-1', 'NBR');
    await userEvent.click(screen.getByRole('button', { name: 'Counted so' }));
    expect(asked[0]?.body).toMatchObject({
      counts: [{ number: 'R-1', elastomer: 'EPDM', counted: 1, wrong: 1, what: 'cut', foundElastomer: 'NBR' }],
    });
    expect((await screen.findAllByText(fault)).length).toBeGreaterThan(0);
    expect(screen.getByRole('textbox', { name: 'Counted: R-1' })).toHaveValue('1');
  });
  test('the scanner fills in what stands on the bag; it is still counted by eye', async () => {
    const bag = { number: 'R-1', elastomer: 'NBR', variant: '', lot: 'L4021' };
    const asked = answerFetch(() => ({ body: { data: bag } }));
    show();
    await userEvent.click(screen.getByRole('button', { name: 'Scan the bag of R-1' }));
    expect(asked[0]?.body).toMatchObject({ order: 'PO-00007', number: 'R-1', elastomer: 'EPDM' });
    await waitFor(() => expect(screen.getByRole('textbox', { name: 'Lot: R-1' })).toHaveValue('L4021'));
    expect(screen.getByRole('textbox', { name: 'Elastomer of it: R-1' })).toHaveValue('NBR');
    expect(screen.getByRole('textbox', { name: 'Counted: R-1' })).toHaveValue('');
  });
  test('done, it says for whom, and which claim waits', async () => {
    const claims = [{ tag: 'P-0417', number: 'C-0417-1' }];
    answerFetch(() => ({ body: { data: { jobs: ['P-0417'], shelf: 1, wrongForShelf: [], claims } } }));
    const { rerender } = show();
    await type('Counted: R-1', '2');
    await userEvent.click(screen.getByRole('button', { name: 'Counted so' }));
    rerender(<OrderCount number="PO-00007" pieces={[]} names={{}} sentTo={[]} />);
    expect(await screen.findByRole('status')).toHaveTextContent('Counted for P-0417, and 1 on the shelf.');
    expect(screen.getByRole('link', { name: 'Send claim C-0417-1' })).toHaveAttribute('href', '/jobs/P-0417?at=parts');
  });
});

test('a bin is counted from an empty box, with what is free of it and what its minimum asks', async () => {
  const item = { number: 'R-1', elastomer: '', title: 'Ring', bin: 'A1', quantity: 3, minimum: 3, unitCostMinor: 50 };
  const asked = answerFetch(() => ({ body: { data: { after: 2, change: -1 } } }));
  const items = [{ ...item, reserved: 1, version: 4 }];
  const sums = { stockMinor: 150, onOrderMinor: 0, zone: 'UTC', currency: 'EUR', picked: '', pickedElastomer: '' };
  render(<Shelf {...sums} items={items} moves={[]} />);
  expect(screen.getByText('2 free')).toBeInTheDocument();
  expect(screen.getByText('below 3: is in the plan')).toBeInTheDocument();
  await userEvent.click(screen.getByRole('button', { name: 'Count R-1' }));
  expect(screen.getByRole('textbox', { name: 'Counted' })).toHaveValue('');
  await userEvent.type(screen.getByRole('textbox', { name: 'Counted' }), '2');
  await userEvent.type(screen.getByRole('textbox', { name: /Why it is counted/ }), 'one was cut');
  await userEvent.click(screen.getByRole('button', { name: 'Keep the count' }));
  expect(asked[0]?.body).toMatchObject({ number: 'R-1', counted: 2, minimum: 3, reason: 'one was cut', basedOn: 4 });
});

const house: CatalogueSupplier = {
  ...{ id: 's', name: 'Tarrowby', contact: 'Corwin', email: 'c@tarrowby.example', telephone: '', currency: 'CHF' },
  ...{ rate: 1.04, freightMinor: 1800, minimumMinor: 32000, cutOff: '14:30', isUsual: false, isActive: true },
};

describe('the catalogue', () => {
  const shown = { ...house, version: 2, offers: 8, reliability: { ended: 5, onTime: 3, worstDays: 4 } };
  const show = () =>
    render(
      <Catalogue
        currency="EUR"
        suppliers={[shown]}
        text=""
        counts={{ offers: 8, numbers: 2 }}
        found={0}
        offers={[]}
        numbers={[]}
      />,
    );
  test('says of a supplier what it asks, and how it kept its days; it is changed by money as people type it', async () => {
    const asked = answerFetch(() => ({ body: { data: { id: 's' } } }));
    show();
    expect(screen.getByText('3 of 5 complete by the first day named, 4 days late at worst')).toBeInTheDocument();
    expect(screen.getByText(/1 CHF is 1.04 EUR/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Change Tarrowby' }));
    const freight = screen.getByRole('textbox', { name: 'Freight of an order' });
    expect(freight).toHaveValue('18.00');
    await userEvent.clear(freight);
    await userEvent.type(freight, '20,50');
    await userEvent.click(screen.getByRole('button', { name: 'Keep Tarrowby' }));
    await waitFor(() => expect(asked).toHaveLength(1));
    expect(asked[0]?.body).toMatchObject({ id: 's', basedOn: 2, freightMinor: 2050, minimumMinor: 32000, rate: 1.04 });
  });
  test('a file is sent as its text; its faults are shown', async () => {
    const asked = answerFetch(() => refusal('Nothing was taken in. line 3, price “x”: is a number.'));
    show();
    const file = new File(['name\n'], 'suppliers.csv', { type: 'text/csv' });
    file.text = () => Promise.resolve('name\n');
    await userEvent.upload(screen.getByLabelText(/take suppliers.csv in/), file);
    expect(await screen.findByText(/line 3, price “x”/)).toBeInTheDocument();
    expect(asked[0]?.body).toEqual({ kind: 'suppliers', text: 'name\n' });
  });
});

test('a donor part says its state, its tray and its owner’s word; a find without a hit says so', () => {
  const part = {
    ...{ tag: 'P-0418', partRef: 'impeller', familyId: 'F1', name: 'Impeller', number: 'KW1-0230', size: '80-250' },
    ...{ look: 'sound', wearPct: 41.6, tray: 'green', owner: 'Quarry', ownersWord: 'keep it' },
  };
  const { rerender } = render(<DonorStock family="" text="" families={['F1']} found={1} parts={[part]} />);
  expect(screen.getByText('42 % of its wear used')).toBeInTheDocument();
  expect(screen.getByText('sound · keep it')).toBeInTheDocument();
  rerender(<DonorStock family="" text="gear" families={['F1']} found={0} parts={[]} />);
  expect(screen.getByText('No free part is like that.')).toBeInTheDocument();
});

const script = {
  duty: { flowM3h: 25, headM: 32, speedRpm: 2900 },
  found: { 'ring-bore': '100.70' },
  dispose: { 'ring-bore': ['replace', 'worn'] },
} as const;

test('work outside may have to come back with several measures', async () => {
  const asked = answerFetch(() => ({ body: { data: { version: 3, sheetVersion: 1, number: 'O-0417-1' } } }));
  const view = exampleView(new CoreJob(exampleFile, script).playTo('parts').record);
  render(<OutsideWork view={view} canAct />);
  await userEvent.click(screen.getByRole('button', { name: 'Something goes to another shop' }));
  await userEvent.selectOptions(screen.getByRole('combobox', { name: 'On which part' }), 'impeller');
  await userEvent.type(screen.getByRole('textbox', { name: 'To whom' }), 'Sill Balancing');
  await userEvent.type(screen.getByRole('textbox', { name: 'What is done' }), 'balanced');
  await userEvent.type(screen.getByRole('textbox', { name: 'What must come back measured' }), 'left over');
  await userEvent.click(screen.getByRole('button', { name: 'One more thing that is measured' }));
  await userEvent.type(screen.getByRole('textbox', { name: 'What must come back measured, 2' }), 'bore');
  await userEvent.type(screen.getByRole('textbox', { name: 'At most, 2' }), '40,02');
  await userEvent.click(screen.getByRole('button', { name: 'Keep it' }));
  await waitFor(() => expect(asked.length).toBeGreaterThan(0));
  expect(asked[0]?.body).toMatchObject({
    outside: {
      asks: [
        { ask: 'left over', min: null },
        { ask: 'bore', unit: 'mm', max: 40.02 },
      ],
    },
  });
});
