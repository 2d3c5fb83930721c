import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { exampleRecord } from '@/core/record/example-record';
import { matterTable } from '@/core/policies';
import { answerFetch } from '../../../test-support/answer-fetch';
import { exampleView } from '../../../test-support/example-view';
import { WarrantyPanel } from '../inspect/warranty-panel';
import { FatePanel } from '../report/fate-panel';
import { PoliciesPanel } from './policies-panel';

const done = { body: { data: { version: 9 } } };
const earlier = {
  ...{ tag: 'P-0100', openedAt: '2026-01-05T08:00:00.000Z', closedAt: '2026-02-01T08:00:00.000Z' },
  ...{ outcome: 'repaired', reportNumber: null, warrantyUntil: '2099-01-01' },
};
const returned = exampleView(exampleRecord({ station: 'inspect', earlierVisits: [earlier] as never }));
const refused = exampleView(exampleRecord({ station: 'return', outcome: 'declined' }));
const atInspect = exampleView(exampleRecord({ station: 'inspect' }));
const otherwise = async () => {
  const [button] = screen.getAllByRole('button', { name: `Otherwise: ${matterTable['bolt circles'].title}` });
  await userEvent.click(button as HTMLElement);
};

describe('what is typed and not yet kept is there again after a reload, and gone when it is kept', () => {
  test.each([
    [
      'a judgement',
      () => <WarrantyPanel view={returned} />,
      'Why, as the customer reads it',
      'Judge it',
      async () => {},
    ],
    [
      'the owner’s word',
      () => <FatePanel view={refused} isHere />,
      'When, and in their words',
      'Keep the owner’s word',
      async () => {},
    ],
    ['another way', () => <PoliciesPanel view={atInspect} />, 'Why', /^Depart from the shop’s way/, otherwise],
  ] as const)('%s', async (_name, panel, label, button, prepare) => {
    const asked = answerFetch(() => done);
    const first = render(panel());
    await prepare();
    await userEvent.type(screen.getByLabelText(label), 'said by telephone');
    first.unmount();
    const second = render(panel());
    await prepare();
    expect(screen.getByLabelText(label)).toHaveValue('said by telephone');
    await userEvent.click(screen.getByRole('button', { name: button }));
    await waitFor(() => expect(asked).toHaveLength(1));
    second.unmount();
    render(panel());
    await prepare();
    await waitFor(() => expect(screen.getByLabelText(label)).toHaveValue(''));
  });
});
