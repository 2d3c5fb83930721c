import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { present } from '@/core/present';
import { exampleRecord } from '@/core/record/example-record';
import { asId, type PurchaseOrder } from '@/core/record';
import { answerFetch, refusal } from '../../../test-support/answer-fetch';
import { CoreJob } from '../../../test-support/core-job';
import { exampleFamily, exampleFile, exampleView } from '../../../test-support/example-view';
import { PartsSheet } from './parts-sheet';

const script = {
  duty: { flowM3h: 25, headM: 32, speedRpm: 2900 },
  found: { 'ring-bore': '100.70' },
  dispose: { 'ring-bore': ['replace', 'worn'] },
} as const;
const atParts = () => new CoreJob(exampleFile, script).playTo('parts').record;
const orderOf = (sent: number, received: number): PurchaseOrder => ({
  ...{
    id: asId('order-1'),
    number: 'PO-0001',
    supplier: 'Sillwater',
    acknowledgement: 'A-1',
    atRiskMinor: null,
    dueOn: '2026-12-02',
  },
  ...{ personId: null, personName: 'Bram', at: '2026-11-24T08:00:00.000Z' },
  lines: [
    {
      ...{ id: asId('line-1'), orderId: asId('order-1'), partRef: 'front-ring', number: 'KW1-0502' },
      ...{ quantity: 2, sent, dueOn: null, received },
    },
  ],
});
const show = (order?: PurchaseOrder) =>
  render(<PartsSheet view={exampleView({ ...atParts(), orders: order ? [order] : [] })} isHere />);
const ringLine = () => present(screen.getByText('Front wear ring').closest('li'));
const done = { body: { data: { version: 9 } } };

test('what is to be ordered is counted, with the longest lead and the step that waits for each', async () => {
  const asked = answerFetch(() => done);
  show();
  const ring = ringLine();
  expect(within(ring).getByText(/^to order, \d+ days$/)).toBeInTheDocument();
  expect(within(ring).getByText('stops: Wear rings')).toBeInTheDocument();
  // the soft parts of the family and the ring
  const soft = exampleFamily.parts.filter((part) => part.soft).length;
  await userEvent.click(screen.getByRole('button', { name: new RegExp(`^Order ${soft + 1} parts, longest`) }));
  await waitFor(() => expect(asked[0]?.path).toBe('/api/act/order-parts'));
});

test('a parcel is taken in when it is due, and its list is said', async () => {
  const asked = answerFetch(() => ({ body: { data: { version: 9, lines: [], restOn: '2026-12-05' } } }));
  show(orderOf(0, 0));
  await userEvent.click(screen.getByRole('button', { name: 'The parcel due 2 Dec 2026 is here' }));
  expect(await screen.findByText('Nothing came; the supplier now says 5 Dec 2026.')).toBeInTheDocument();
  expect(asked[0]?.body).toEqual({ tag: 'P-0417', orderNumber: 'PO-0001' });
});

test('what the parcel’s list says is counted line by line; what was typed goes out', async () => {
  const asked = answerFetch(() => done);
  show(orderOf(2, 0));
  const count = screen.getByRole('textbox', { name: 'Counted: Front wear ring' });
  // Nobody counts by pressing: the box is empty, and nothing goes before it is filled.
  expect(count).toHaveValue('');
  expect(screen.getByRole('button', { name: '1 of 1 not counted yet' })).toBeDisabled();
  await userEvent.type(count, '1');
  await userEvent.type(screen.getByRole('textbox', { name: 'Wrong or damaged: Front wear ring' }), '1');
  await userEvent.type(screen.getByRole('textbox', { name: 'What is wrong with Front wear ring' }), 'cracked');
  await userEvent.type(screen.getByRole('textbox', { name: 'Lot of Front wear ring' }), 'L-9');
  await userEvent.type(screen.getByRole('textbox', { name: 'Note on the delivery' }), 'box was open');
  await userEvent.click(screen.getByRole('button', { name: 'Counted so' }));
  await waitFor(() =>
    expect(asked[0]?.body).toEqual({
      ...{ tag: 'P-0417', orderNumber: 'PO-0001', note: 'box was open' },
      counts: [
        {
          ...{
            lineId: 'line-1',
            counted: 1,
            wrong: 1,
            what: 'cracked',
            photoId: null,
            number: '',
            elastomer: '',
            variant: '',
            lot: 'L-9',
          },
          accept: false,
        },
      ],
    }),
  );
});

test('a count that is too high is refused, and what was counted stays', async () => {
  answerFetch(() => refusal('3 of KW1-0502 counted, but only 2 are open.'));
  show(orderOf(2, 0));
  const count = screen.getByRole('textbox', { name: 'Counted: Front wear ring' });
  await userEvent.type(count, '3');
  await userEvent.click(screen.getByRole('button', { name: 'Counted so' }));
  expect(await screen.findByRole('alert')).toHaveTextContent('only 2 are open');
  expect(count).toHaveValue('3');
});

test('what is short says how many and when; what is whole asks for nothing', () => {
  const { unmount } = show(orderOf(1, 1));
  const ring = ringLine();
  expect(within(ring).queryByText(/short/)).not.toBeInTheDocument();
  unmount();
  show(orderOf(2, 2));
  expect(screen.getByText(/, all here/)).toBeInTheDocument();
  expect(screen.queryByRole('button', { name: /is here$/ })).not.toBeInTheDocument();
});

test('without an approved line there is nothing to buy', () => {
  render(<PartsSheet view={exampleView(exampleRecord({ station: 'parts' }))} isHere />);
  expect(screen.getByText('Nothing is needed: no approved line asks for a part.')).toBeInTheDocument();
});
