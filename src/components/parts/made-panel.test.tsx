import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { MadePart, SheetOf } from '@/core/record';
import { answerFetch, refusal } from '../../../test-support/answer-fetch';
import { CoreJob } from '../../../test-support/core-job';
import { exampleFile, exampleView } from '../../../test-support/example-view';
import { MadePanel } from './made-panel';
import { PartsSheet } from './parts-sheet';

const script = {
  duty: { flowM3h: 25, headM: 32, speedRpm: 2900 },
  found: { 'ring-bore': '100.70' },
  dispose: { 'ring-bore': ['make in the shop', 'none to be had'] },
} as const;
const atParts = new CoreJob(exampleFile, script).playTo('parts').record;
const signed = { personId: null, personName: 'Odile', at: '2026-11-24T08:00:00.000Z' };
const made: MadePart = {
  ...{ number: 'M-0417-1', why: 'none to be had', from: 'mating part', fromWords: 'hub as measured', shape: 'bush' },
  dimensions: [
    { id: 'bore', nominal: 100, tolerance: 'H7' },
    { id: 'outside', nominal: 120, tolerance: '' },
    { id: 'length', nominal: 18, tolerance: '' },
  ],
  ...{ bears: true, material: 'bronze', lot: 'B-7', hardness: '', oldMaterial: 'bronze', machine: 'lathe' },
  ...{ minutesGuess: 60, materialMinor: 2400, dueOn: '2026-12-03' },
  ...{ released: null, worked: [], readings: [], handedOver: null },
};
const withSketch = (change: Partial<MadePart> = {}) => {
  const sheet: SheetOf<'made'> = {
    kind: 'made',
    key: 'front-ring',
    version: 3,
    body: { ...made, ...change },
    ...signed,
  };
  return exampleView({ ...atParts, sheets: [...atParts.sheets, sheet] });
};
const panel = (change: Partial<MadePart> = {}) =>
  render(<MadePanel view={withSketch(change)} partRef="front-ring" canWork />);
const done = { body: { data: { version: 9, sheetVersion: 4, number: 'M-0417-1', out: [] } } };

test('a part that is made stands on the list before it is drawn, and is opened there', async () => {
  render(<PartsSheet view={exampleView(atParts)} isHere />);
  const list = within(screen.getByRole('list', { name: 'Parts that are needed' }));
  expect(list.getByText('not drawn yet')).toBeInTheDocument();
  await userEvent.click(screen.getByRole('button', { name: 'See to it: Front wear ring' }));
  expect(await screen.findByRole('region', { name: 'Sketch of Front wear ring' })).toBeInTheDocument();
});

test('the drawing and the limits follow what is typed; what goes out is the sketch', async () => {
  const asked = answerFetch(() => done);
  render(<MadePanel view={exampleView(atParts)} partRef="front-ring" canWork />);
  expect(screen.queryByRole('img')).not.toBeInTheDocument();
  await userEvent.type(screen.getByRole('textbox', { name: 'Bore, mm' }), '100');
  await userEvent.type(screen.getByRole('textbox', { name: 'Tolerance of bore' }), 'H7');
  await userEvent.type(screen.getByRole('textbox', { name: 'Outside diameter, mm' }), '120,5');
  expect(screen.getByRole('img', { name: /section and end view to scale/ })).toBeInTheDocument();
  // ISO 286: 100 H7 is +35 µm
  expect(screen.getByText('100 to 100.035')).toBeInTheDocument();
  await userEvent.type(screen.getByRole('textbox', { name: 'Why it is made here' }), 'none to be had');
  await userEvent.click(screen.getByRole('button', { name: 'Keep the sketch' }));
  await waitFor(() => expect(asked[0]?.path).toBe('/api/act/write-made'));
  expect(asked[0]?.body).toMatchObject({
    made: {
      ...{ why: 'none to be had', shape: 'bush', bears: true },
      dimensions: [
        { id: 'bore', nominal: 100, tolerance: 'H7' },
        { id: 'outside', nominal: 120.5, tolerance: '' },
      ],
    },
  });
});

test('a tolerance that cannot be read is said at once, beside its dimension', async () => {
  render(<MadePanel view={exampleView(atParts)} partRef="front-ring" canWork />);
  await userEvent.type(screen.getByRole('textbox', { name: 'Bore, mm' }), '80');
  await userEvent.type(screen.getByRole('textbox', { name: 'Tolerance of bore' }), 'about');
  expect(screen.getByText('cannot be read')).toBeInTheDocument();
});

test('what holds pressure is released by name before anybody works on it', async () => {
  const asked = answerFetch(() => done);
  panel();
  expect(screen.queryByRole('button', { name: 'Worked' })).not.toBeInTheDocument();
  await userEvent.click(screen.getByRole('button', { name: 'Release the sketch, by my name' }));
  await waitFor(() => expect(asked[0]?.path).toBe('/api/act/release-made'));
});

test('minutes beyond the guess are said with their money; a reading that is out keeps it from being handed over', () => {
  const worked = [{ ...signed, machine: 'lathe', minutes: 90 }];
  const readings = ['bore', 'outside', 'length'].map((id) => ({
    ...signed,
    id,
    value: id === 'length' ? 12 : 100.02,
    gauge: '',
  }));
  panel({ bears: false, worked, readings });
  // 90 minutes at 0 an hour here; the material alone is 24.00.
  expect(screen.getByText(/Beyond the guess/)).toBeInTheDocument();
  expect(screen.getAllByText('under').length).toBeGreaterThan(0);
  expect(screen.queryByRole('button', { name: 'Hand it over' })).not.toBeInTheDocument();
});

test('readings that are refused stay typed', async () => {
  answerFetch(() => refusal('somebody else was faster'));
  panel({ bears: false, worked: [{ ...signed, machine: 'lathe', minutes: 30 }] });
  const field = screen.getByRole('textbox', { name: 'Reading: Length' });
  await userEvent.type(field, '18.1');
  await userEvent.click(screen.getByRole('button', { name: 'Keep the readings' }));
  expect(await screen.findByRole('alert')).toHaveTextContent('somebody else was faster');
  expect(field).toHaveValue('18.1');
});
