import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { exampleRecord } from '@/core/record/example-record';
import { answerFetch } from '../../../test-support/answer-fetch';
import { exampleView } from '../../../test-support/example-view';
import { EvaluationPanel } from './evaluation-panel';

const type = (label: string, text: string) => userEvent.type(screen.getByLabelText(label), text);

test('the guess follows what is typed, and goes out in minor units by the rule of every price', async () => {
  const asked = answerFetch(() => ({ body: { data: { version: 2, sheetVersion: 1 } } }));
  render(<EvaluationPanel view={exampleView(exampleRecord({ station: 'teardown' }))} />);
  await type('Hours, from', '2');
  await type('Parts, from', '99,5');
  // By hand: 2 h at 68.00 and 99.50 of parts.
  expect(screen.getByText(/^The guess:/)).toHaveTextContent('€235.50');
  await type('A new unit costs', 'about a thousand');
  expect(screen.getByText(/^The guess:/)).toBeInTheDocument();
  await userEvent.clear(screen.getByLabelText('A new unit costs'));
  await userEvent.click(screen.getByRole('button', { name: 'Keep the first look' }));
  await waitFor(() => expect(asked).toHaveLength(1));
  expect(asked[0]?.body).toMatchObject({
    ...{ tag: 'P-0417', basedOn: 0, again: false },
    evaluation: { hours: { from: 2, to: 0 }, partsMinor: { from: 9950, to: 0 }, newUnit: null, advice: 'repair' },
  });
});
