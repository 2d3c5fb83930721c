import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { exampleRecord } from '@/core/record/example-record';
import { answerFetch, refusal } from '../../../test-support/answer-fetch';
import { exampleView } from '../../../test-support/example-view';
import { present } from '@/core/present';
import { FoundLater } from './found-later';
import { PutRight } from './put-right';
import { WayBack } from './way-back';

const done = { body: { data: { version: 9 } } };
const open = (name: string) => userEvent.click(screen.getByRole('button', { name }));

describe('found later', () => {
  const view = exampleView(exampleRecord({ station: 'rebuild' }));
  const fillIn = async () => {
    await open('Found later');
    await userEvent.selectOptions(await screen.findByLabelText('On which part'), 'impeller');
    await userEvent.type(screen.getByLabelText('What is seen'), 'cracked hub');
    await userEvent.type(screen.getByLabelText('Why only now, as the customer reads it'), 'Scale hid it.');
  };
  test('names the steps that need the part, and sends what is ticked', async () => {
    const asked = answerFetch(() => ({
      body: { data: { version: 9, findingId: 'f', supplement: 2, quoteId: 'q', isApproved: false } },
    }));
    render(<FoundLater view={view} />);
    await fillIn();
    const step = present(view.family.rebuild.find(({ needs }) => needs.includes('impeller')));
    expect(screen.getByRole('checkbox', { name: step.title })).toBeChecked();
    await userEvent.click(screen.getByRole('button', { name: 'Keep it and draft the supplement' }));
    await waitFor(() =>
      expect(asked[0]).toMatchObject({
        path: '/api/act/find-later',
        body: { partRef: 'impeller', words: 'cracked hub', whyOnlyNow: 'Scale hid it.', stops: [step.id] },
      }),
    );
    expect(await screen.findByText(/^Kept\./)).toBeInTheDocument();
  });
  test('before the quote is sent it goes into the quote, and stops nothing', async () => {
    render(<FoundLater view={exampleView(exampleRecord({ station: 'quote' }))} />);
    await open('Found later');
    expect(await screen.findByRole('button', { name: 'Keep it: it goes into the quote' })).toBeInTheDocument();
    expect(screen.queryByRole('checkbox')).not.toBeInTheDocument();
  });
  test('what is refused is said at its field, and what was typed stays', async () => {
    answerFetch(() => refusal('whyOnlyNow: must not be empty', { path: 'whyOnlyNow', message: 'must not be empty' }));
    render(<FoundLater view={view} />);
    await fillIn();
    await userEvent.click(screen.getByRole('button', { name: 'Keep it and draft the supplement' }));
    expect(await screen.findByText('must not be empty')).toBeInTheDocument();
    expect(screen.getByLabelText('What is seen')).toHaveValue('cracked hub');
  });
  test.each(['receive', 'teardown', 'report', 'return'] as const)('not at %s', (station) => {
    render(<FoundLater view={exampleView(exampleRecord({ station }))} />);
    expect(screen.queryByRole('button')).not.toBeInTheDocument();
  });
});

describe('the way back', () => {
  test('asks where to and why', async () => {
    const asked = answerFetch(() => done);
    render(<WayBack record={exampleRecord({ station: 'rebuild' })} />);
    await open('Way back');
    await userEvent.type(await screen.findByLabelText('Why'), 'a part is missing');
    await userEvent.click(screen.getByRole('button', { name: 'Take it back' }));
    await waitFor(() =>
      expect(asked[0]?.body).toEqual({ tag: 'P-0417', event: 'reopen-parts', reason: 'a part is missing' }),
    );
  });
  test('there is none from receiving, and none on hold', () => {
    const hold = { reason: 'x', holder: 'C' as const, until: '2026-12-24' };
    render(<WayBack record={exampleRecord()} />);
    render(<WayBack record={exampleRecord({ station: 'rebuild', hold })} />);
    expect(screen.queryByRole('button')).not.toBeInTheDocument();
  });
});

test('what is put right says why; what it was stands beneath', async () => {
  const asked = answerFetch(() => done);
  const correction = {
    ...{ number: 1, what: 'owner' as const, from: 'Tarnhollow', to: 'Harrowmere', reason: 'wrong papers' },
    ...{ personId: null, personName: 'Ines', at: '2026-11-23T09:00:00.000Z' },
  };
  render(<PutRight view={exampleView(exampleRecord({ corrections: [correction] }))} />);
  await open('Put right');
  expect(await screen.findByText('owner: Tarnhollow → Harrowmere')).toBeInTheDocument();
  await userEvent.click(screen.getByText('Equipment number'));
  const form = screen.getByRole('form', { name: 'Equipment number', hidden: true });
  const [number, why] = form.querySelectorAll('input');
  await userEvent.clear(present(number));
  await userEvent.type(present(number), 'D-4');
  await userEvent.type(present(why), 'misread');
  await userEvent.click(present(form.querySelector('button')));
  await waitFor(() =>
    expect(asked[0]).toMatchObject({
      path: '/api/act/correct-equipment-number',
      body: { tag: 'P-0417', equipmentNumber: 'D-4', reason: 'misread' },
    }),
  );
});
