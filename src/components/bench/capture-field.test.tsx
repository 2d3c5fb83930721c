import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Capture } from '@/core/family';
import { asId, type CaptureTaken } from '@/core/record';
import { answerFetch } from '../../../test-support/answer-fetch';
import { readWaiting } from '../act/waiting';
import { CaptureField } from './capture-field';

const position: Capture = {
  ...{ id: 'seal-setting', kind: 'position', per: 'pump', ask: 'Seal to the shaft end' },
};
const taken = (change: Partial<CaptureTaken>): CaptureTaken => ({
  ...{ phase: 'teardown', captureId: 'seal-setting', text: '', valueMm: 48.2, typed: '48.2', photoId: null },
  ...{ version: 1, personId: null, personName: 'Ines', at: '2026-11-24T08:00:00.000Z' },
  ...change,
});
type Props = Parameters<typeof CaptureField>[0];
const show = (change: Partial<Props> = {}) =>
  render(
    <CaptureField
      {...{ tag: asId('P-0411'), zone: 'UTC', lengthDisplay: 'metric', phase: 'teardown', stepId: 'seal' }}
      {...{ partRef: 'seal-face', capture: position, taken: undefined, canEdit: true }}
      {...change}
    />,
  );
const done = { body: { data: { version: 3, captureVersion: 1 } } };
const field = () => screen.getByRole('textbox', { name: /Seal to the shaft end/ });

test('a number is sent as it was typed, based on nothing, when Enter is pressed', async () => {
  const asked = answerFetch(() => done);
  show();
  await userEvent.type(field(), '48,2{Enter}');
  expect(asked).toMatchObject([
    {
      path: '/api/act/record-capture',
      body: { tag: 'P-0411', phase: 'teardown', captureId: 'seal-setting', typed: '48,2', basedOn: 0 },
    },
  ]);
  expect(field()).toHaveValue('');
});

test('what is typed is still there after the page is made anew, until it is kept', async () => {
  const { unmount } = show();
  await userEvent.type(field(), '48.2');
  unmount();
  show();
  expect(field()).toHaveValue('48.2');
});

test('with nobody to answer it waits on this device, and the field says so', async () => {
  answerFetch(() => 'lost');
  show();
  await userEvent.type(field(), '48.2{Enter}');
  expect(await screen.findByText('“48.2” waits on this device.')).toBeInTheDocument();
  expect(readWaiting()).toMatchObject([{ verb: 'record-capture', place: 'P-0411 teardown seal-setting' }]);
});

test('a refusal says what is wrong, and what was typed stays', async () => {
  answerFetch(() => ({
    status: 422,
    body: { error: { code: 'bad-input', what: '"long" is not a length.', kept: 'k', todo: 't', issues: [] } },
  }));
  show();
  await userEvent.type(field(), 'long{Enter}');
  expect(await screen.findByRole('alert')).toHaveTextContent('"long" is not a length.');
  expect(field()).toHaveValue('long');
});

test('what was kept shows with who kept it; changing it is based on that version', async () => {
  const asked = answerFetch(() => done);
  show({ taken: taken({ version: 4 }) });
  expect(screen.getByText('48.2 mm')).toBeInTheDocument();
  expect(screen.getByText(/Ines, 24 Nov/)).toBeInTheDocument();
  await userEvent.click(screen.getByRole('button', { name: 'Change' }));
  await userEvent.type(field(), '48.4{Enter}');
  expect(asked).toMatchObject([{ body: { typed: '48.4', basedOn: 4 } }]);
});

test('at rebuild what teardown found stands beside it, and the difference is reckoned as it is typed', async () => {
  show({
    phase: 'rebuild',
    before: taken({}),
    capture: { ...position, agrees_with: 'seal-setting', tolerance_mm: 0.3 },
  });
  expect(screen.getByText(/At teardown:/)).toHaveTextContent('48.2 mm · Ines');
  await userEvent.type(field(), '49.0');
  expect(screen.getByText(/\+0\.80 mm against teardown, ±0\.30 mm allowed/)).toBeInTheDocument();
});

test('a choice is one press, and no field', async () => {
  const asked = answerFetch(() => done);
  show({ capture: { ...position, kind: 'orientation', choices: ['to the driver', 'to the pump'] } });
  expect(screen.queryByRole('textbox')).toBeNull();
  await userEvent.click(screen.getByRole('button', { name: 'to the pump' }));
  expect(asked).toMatchObject([{ body: { typed: 'to the pump' } }]);
});

test('where the job stands elsewhere nothing can be entered', () => {
  show({ canEdit: false });
  expect(screen.queryByRole('textbox')).toBeNull();
  expect(screen.queryByRole('button')).toBeNull();
});
