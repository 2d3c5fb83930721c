import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
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
  const rows = within(screen.getByRole('table')).getAllByRole('row');
  const textOf = (name: RegExp) => rows.find((row) => name.test(row.textContent ?? ''))?.textContent;
  expect(textOf(/^Sum of the lines/)).toMatch(/202\.01/);
  expect(textOf(/^Tax 20 %/)).toMatch(/40\.40/);
  expect(textOf(/^Together/)).toMatch(/242\.41/);
  expect(screen.getByText('Struck: not wanted')).toBeInTheDocument();
});

test('a change shows its press only when there is one, and is based on the draft that was read', async () => {
  const asked = answerFetch(() => done);
  show();
  expect(screen.queryByRole('button', { name: 'Keep the change' })).not.toBeInTheDocument();
  await userEvent.clear(price());
  await userEvent.type(price(), '99,50');
  await userEvent.click(screen.getByRole('button', { name: 'Keep the change' }));
  await waitFor(() => expect(asked).toHaveLength(1));
  expect(asked[0]).toMatchObject({
    path: '/api/act/change-line',
    body: { tag: 'P-0417', lineId: 'line-1', basedOn: 3, description: 'Wear ring', quantity: 1, unitPriceMinor: 9950 },
  });
});

test.each([
  ['an emptied price is no price of nothing', price, ''],
  ['a price of three decimals is no price', price, '12.345'],
  ['a price below nothing is none', price, '-5'],
  ['an emptied quantity is no quantity of nothing', quantity, ''],
  ['words are no quantity', quantity, 'two'],
])('%s: it is said, stays as typed and is not sent', async (_what, field, text) => {
  const asked = answerFetch(() => done);
  show();
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
  await userEvent.clear(quantity());
  await userEvent.type(quantity(), '2{Enter}');
  await waitFor(() => expect(asked[0]?.body).toMatchObject({ quantity: 2, unitPriceMinor: 10000 }));
});

test('a line is struck with its reason and put back without one', async () => {
  const asked = answerFetch(() => done);
  const { unmount } = show();
  await userEvent.click(screen.getByRole('button', { name: 'Strike' }));
  await userEvent.type(screen.getByRole('textbox', { name: 'Why Wear ring is struck' }), 'they have one');
  await userEvent.click(screen.getByRole('button', { name: 'Strike it' }));
  await waitFor(() =>
    expect(asked[0]?.body).toEqual({ tag: 'P-0417', lineId: 'line-1', basedOn: 3, reason: 'they have one' }),
  );
  unmount();
  show([exampleLine({ struckReason: 'they have one' })]);
  await userEvent.click(screen.getByRole('button', { name: 'Put back' }));
  await waitFor(() => expect(asked[1]?.body).toMatchObject({ reason: null }));
});

describe('a line of one’s own', () => {
  const field = (name: RegExp | string) => screen.getByLabelText(name);
  const fill = async (given: { readonly price: string }) => {
    await userEvent.type(field('Words'), 'Paint');
    await userEvent.type(field(/^Price, EUR/), given.price);
    await userEvent.click(screen.getByRole('button', { name: 'Add' }));
  };
  test('goes out, and the fields are empty again', async () => {
    const asked = answerFetch(() => done);
    show();
    await fill({ price: '45' });
    await waitFor(() =>
      expect(asked[0]?.body).toMatchObject({ description: 'Paint', quantity: 1, unit: 'pc', unitPriceMinor: 4500 }),
    );
    await waitFor(() => expect(field('Words')).toHaveValue(''));
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
