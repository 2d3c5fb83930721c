import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { exampleRecord } from '@/core/record/example-record';
import { answerFetch } from '../../../test-support/answer-fetch';
import { exampleView } from '../../../test-support/example-view';
import { LotPanel } from './lot-panel';

const terms = { deliveryNote: 'DN-88', sharesPromise: true, sharesQuote: false, sharesDelivery: true };
const mate = {
  ...{ tag: 'P-0418', unit: 2, serial: 'QB-77', station: 'clean', outcome: 'open' },
  ...{ promisedOn: '2026-12-18', isReleased: false, isClosed: false },
};
const view = (change: object = {}) =>
  exampleView(
    exampleRecord({ lot: { number: 'L-0003', unit: 1 }, lotTerms: terms, lotMates: [mate], ...change } as never),
  );

test('says what the units share and where the others are, and changes it for all with a reason', async () => {
  const asked = answerFetch(() => ({ body: { data: { version: 9 } } }));
  render(<LotPanel view={view()} />);
  expect(screen.getByText('one promise, delivered together, note DN-88')).toBeInTheDocument();
  expect(screen.getByRole('listitem')).toHaveTextContent('unit 2: P-0418, serial QB-77, at Clean');
  await userEvent.click(screen.getByText('What the units share is otherwise'));
  await userEvent.click(screen.getByRole('checkbox', { name: 'delivered together' }));
  await userEvent.type(screen.getByLabelText('Why'), 'the first is wanted now');
  await userEvent.click(screen.getByRole('button', { name: 'From now on so, for all units' }));
  await waitFor(() =>
    expect(asked[0]).toMatchObject({
      path: '/api/act/correct-lot',
      body: { tag: 'P-0417', terms: { ...terms, sharesDelivery: false }, reason: 'the first is wanted now' },
    }),
  );
});
test('a pump that came alone shares nothing, and a closed one changes nothing', () => {
  const { container } = render(<LotPanel view={view({ lot: null, lotTerms: null })} />);
  expect(container).toBeEmptyDOMElement();
  render(<LotPanel view={view({ closedAt: '2026-12-01T08:00:00.000Z' })} />);
  expect(screen.queryByText('What the units share is otherwise')).toBeNull();
});
