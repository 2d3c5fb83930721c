import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { present } from '@/core/present';
import { asId, type QuoteLine } from '@/core/record';
import { exampleLine, exampleQuote, exampleRecord } from '@/core/record/example-record';
import { answerFetch } from '../../../test-support/answer-fetch';
import { exampleView } from '../../../test-support/example-view';
import { QuoteSheet } from './quote-sheet';

const done = { body: { data: { version: 9, quoteVersion: 2 } } };
const show = (lines: readonly QuoteLine[] = [exampleLine()]) => {
  const quote = exampleQuote(lines, { state: 'draft', sentAt: null, version: 3 });
  return render(<QuoteSheet view={exampleView(exampleRecord({ station: 'quote', quotes: [quote] }))} isHere />);
};
/** A press picks a line, a second one opens it. */
const openLine = async (name: RegExp | string = /^Wear ring/) => {
  await userEvent.click(screen.getByRole('button', { name }));
  await userEvent.click(screen.getByRole('button', { name }));
};
const quantity = () => screen.getByRole('textbox', { name: 'Quantity of Wear ring' });
const price = () => screen.getByRole('textbox', { name: 'Price of Wear ring' });

test('sums and tax are reckoned to the cent, a struck line counts for nothing', () => {
  show([
    exampleLine({ quantity: 3, unitPriceMinor: 3333 }),
    exampleLine({
      id: asId('line-2'),
      description: 'Labour',
      kind: 'labour',
      unit: 'h',
      quantity: 1.5,
      unitPriceMinor: 6801,
    }),
    exampleLine({ id: asId('line-3'), description: 'Paint', unitPriceMinor: 99900, struckReason: 'not wanted' }),
  ]);
  // 3 × 33.33 = 99.99; 1.5 × 68.01 = 102.015, rounded away from zero to 102.02; together 202.01; a fifth of it is 40.40
  expect(screen.getByRole('columnheader', { name: /Together/ })).toHaveTextContent('€202.01');
  const reading = within(screen.getByRole('region', { name: 'What the customer will read' }));
  expect(reading.getByText('€40.40')).toBeInTheDocument();
  expect(reading.getByText('€242.41')).toBeInTheDocument();
  expect(reading.queryByText(/Paint/)).not.toBeInTheDocument();
  expect(screen.getByText('Struck: not wanted')).toBeInTheDocument();
});

test('a line is opened in place, and its change is based on the draft that was read', async () => {
  const asked = answerFetch(() => done);
  show();
  expect(screen.queryByRole('form', { name: 'Change Wear ring' })).not.toBeInTheDocument();
  await openLine();
  await userEvent.clear(price());
  await userEvent.type(price(), '99,50');
  await userEvent.click(screen.getByRole('button', { name: 'Keep the change' }));
  await waitFor(() => expect(asked).toHaveLength(1));
  expect(asked[0]).toMatchObject({
    path: '/api/act/change-line',
    body: { tag: 'P-0417', lineId: 'line-1', basedOn: 3, description: 'Wear ring', quantity: 1, unitPriceMinor: 9950 },
  });
});
test('Escape leaves a line as it was', async () => {
  const asked = answerFetch(() => done);
  show();
  await openLine();
  await userEvent.type(price(), '9{Escape}');
  expect(screen.queryByRole('form', { name: 'Change Wear ring' })).not.toBeInTheDocument();
  expect(asked).toEqual([]);
});

test.each([
  ['an emptied price is no price of nothing', price, ''],
  ['a price of three decimals is no price', price, '12.345'],
  ['an emptied quantity is no quantity of nothing', quantity, ''],
  ['words are no quantity', quantity, 'two'],
])('%s: it is said, stays as typed and is not sent', async (_what, field, text) => {
  const asked = answerFetch(() => done);
  show();
  await openLine();
  await userEvent.clear(field());
  await userEvent.type(field(), `${text}{Enter}`);
  expect(await screen.findByRole('alert')).toHaveTextContent('What you typed is still there');
  expect(field()).toHaveValue(text);
  expect(field()).toBeInvalid();
  expect(asked).toEqual([]);
});

test('Enter keeps a change as the press does', async () => {
  const asked = answerFetch(() => done);
  show();
  await openLine();
  await userEvent.clear(quantity());
  await userEvent.type(quantity(), '2{Enter}');
  await waitFor(() => expect(asked[0]?.body).toMatchObject({ quantity: 2, unitPriceMinor: 10000 }));
});

test('a line is struck with its reason and put back without one', async () => {
  const asked = answerFetch(() => done);
  const { unmount } = show();
  await openLine();
  await userEvent.click(screen.getByRole('button', { name: 'Strike' }));
  await userEvent.type(screen.getByRole('textbox', { name: 'Why Wear ring is struck' }), 'they have one');
  await userEvent.click(screen.getByRole('button', { name: 'Strike it' }));
  await waitFor(() =>
    expect(asked[0]?.body).toEqual({ tag: 'P-0417', lineId: 'line-1', basedOn: 3, reason: 'they have one' }),
  );
  unmount();
  show([exampleLine({ struckReason: 'they have one' })]);
  await openLine();
  await userEvent.click(screen.getByRole('button', { name: 'Put back' }));
  await waitFor(() => expect(asked[1]?.body).toMatchObject({ reason: null }));
});

describe('a line of one’s own', () => {
  const field = (name: RegExp | string) => screen.getByLabelText(name);
  const fill = async (given: { readonly price: string }) => {
    await userEvent.click(screen.getByRole('button', { name: /^Add a line/ }));
    await userEvent.type(field('Words'), 'Paint');
    await userEvent.type(field(/^Price, EUR/), given.price);
    await userEvent.click(screen.getByRole('button', { name: 'Add' }));
  };
  test('goes out, and its place is empty again', async () => {
    const asked = answerFetch(() => done);
    show();
    await fill({ price: '45' });
    await waitFor(() =>
      expect(asked[0]?.body).toMatchObject({ description: 'Paint', quantity: 1, unit: 'pc', unitPriceMinor: 4500 }),
    );
    await waitFor(() => expect(screen.queryByLabelText('Words')).not.toBeInTheDocument());
  });
  test('with a price that is none keeps everything that was typed', async () => {
    const asked = answerFetch(() => done);
    show();
    await fill({ price: 'forty' });
    await waitFor(() => expect(field(/^Price, EUR/)).toBeInvalid());
    expect(field('Words')).toHaveValue('Paint');
    expect(asked).toEqual([]);
  });
});

test('without a quote there is one press, and what it is made of', async () => {
  const asked = answerFetch(() => done);
  render(<QuoteSheet view={exampleView(exampleRecord({ station: 'quote' }))} isHere />);
  await userEvent.click(screen.getByRole('button', { name: 'Draw up the quote' }));
  await waitFor(() => expect(asked[0]?.path).toBe('/api/act/draw-up-quote'));
});

test('who may not change a quote sees it without fields', () => {
  const quote = exampleQuote([exampleLine()], { state: 'draft', sentAt: null });
  render(<QuoteSheet view={exampleView(exampleRecord({ station: 'quote', quotes: [quote] }))} isHere={false} />);
  expect(screen.queryByRole('textbox')).not.toBeInTheDocument();
});

describe('options side by side', () => {
  const lines = [
    exampleLine({
      id: asId('seal'),
      key: 'seal',
      description: 'Seal kit',
      unitPriceMinor: 25842,
      unitCostMinor: 21900,
    }),
    exampleLine({
      ...{ id: asId('ring'), key: 'ring', description: 'Two rings', unitPriceMinor: 22480, unitCostMinor: 17600 },
      ...{ options: ['recommended', 'as new'], instead: 'stay worn' },
    }),
  ];
  const quote = exampleQuote(lines, { state: 'draft', sentAt: null, options: ['minimum', 'recommended'] });
  const view = exampleView(exampleRecord({ station: 'quote', quotes: [quote] }));
  const rowOf = (name: string) => present(screen.getByRole('button', { name: new RegExp(`^${name}`) }).closest('tr'));

  test('each has its sum; a line that does not stand says what happens instead', () => {
    render(<QuoteSheet view={view} isHere />);
    // 258.42, and 224.80 more
    expect(screen.getByRole('columnheader', { name: /Minimum to run/ })).toHaveTextContent('€258.42');
    expect(screen.getByRole('columnheader', { name: /Recommended/ })).toHaveTextContent('€483.22');
    expect(rowOf('Two rings')).toHaveTextContent('stay worn');
    expect(rowOf('Two rings')).toHaveTextContent('224.80');
  });
  test('the margin is the shop’s, and is hidden by a key', async () => {
    render(<QuoteSheet view={view} isHere />);
    // 39.42 of 258.42 is 15.3 %; 88.22 of 483.22 is 18.3 %
    expect(screen.getByText('15.3 %')).toBeInTheDocument();
    expect(screen.getByText('18.3 %')).toBeInTheDocument();
    await userEvent.keyboard('m');
    expect(screen.queryByText('15.3 %')).not.toBeInTheDocument();
  });
  test('nothing of cost or margin stands in what the customer reads', () => {
    render(<QuoteSheet view={view} isHere />);
    const reading = screen.getByRole('region', { name: 'What the customer will read' });
    expect(reading).not.toHaveTextContent(/margin|15\.3|219\.00|176\.00/);
    expect(reading).toHaveTextContent('left out: Two rings (stay worn)');
  });
  test('keys pick a line, open it and send', async () => {
    const asked = answerFetch(() => done);
    render(<QuoteSheet view={view} isHere />);
    await userEvent.keyboard('{ArrowDown}{Enter}');
    expect(screen.getByRole('form', { name: 'Change Seal kit' })).toBeInTheDocument();
    await userEvent.keyboard('{Escape}{Control>}{Enter}{/Control}');
    await waitFor(() => expect(asked[0]?.path).toBe('/api/act/send-quote'));
  });
  test('a line is put into fewer options by its switches', async () => {
    const asked = answerFetch(() => done);
    render(<QuoteSheet view={view} isHere />);
    await openLine(/^Seal kit/);
    await userEvent.click(screen.getByRole('checkbox', { name: 'Minimum to run' }));
    await waitFor(() =>
      expect(asked[0]?.body).toMatchObject({ lineId: 'seal', options: ['recommended', 'as new'], basedOn: 1 }),
    );
  });
  test('what the record proposes beside a price by hand can be taken', async () => {
    const asked = answerFetch(() => done);
    const changed = exampleLine({
      byHand: true,
      proposalMoved: true,
      proposed: { quantity: 1, unitPriceMinor: 13100 },
    });
    const own = exampleQuote([changed], { state: 'draft', sentAt: null, version: 3 });
    render(<QuoteSheet view={exampleView(exampleRecord({ station: 'quote', quotes: [own] }))} isHere />);
    expect(screen.getByText('finding changed: keep 100.00 or take 131.00')).toBeInTheDocument();
    await openLine();
    await userEvent.click(screen.getByRole('button', { name: 'Take it' }));
    await waitFor(() =>
      expect(asked[0]).toMatchObject({ path: '/api/act/take-proposal', body: { lineId: 'line-1', basedOn: 3 } }),
    );
  });
});
