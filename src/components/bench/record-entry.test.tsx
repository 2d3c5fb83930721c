import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import type { TypedRow } from '@/core/bench';
import type { FormOf, StepAction } from '@/core/family';
import { exampleRecord } from '@/core/record/example-record';
import type { Tool } from '@/core/record';
import { exampleView } from '../../../test-support/example-view';
import { RecordEntry } from './record-entry';
import { ToolChooser, useTool } from './tool-chooser';

type RecordForm = FormOf<'record'>;
const column = (id: string, title: string, unit: string, change: object = {}) => ({ id, title, unit, ...change });
const leak: RecordForm = {
  ...{ kind: 'record', ask: 'Leak test', least: 1, wrong: 'stop', means: 'Look for the place.' },
  columns: [column('start_kpa', 'Start', 'kPa'), column('end_kpa', 'End', 'kPa')],
  example: [{ start_kpa: '300', end_kpa: '299' }],
  judge: {
    ...{ sum: 'leak-decay', gives: 'verdict', unit: '', right: ['tight'], from: {} },
    input: { medium: 'gas', start_c: 20, end_c: 20, volume_l: 1, minutes: 10, limit_ml_min: 5 },
  },
};
const action = { id: 'leak', do: ['Press it.'], lights: [] } as unknown as StepAction;

function Shown({ form, kept }: { readonly form: RecordForm; readonly kept?: (rows: readonly TypedRow[]) => void }) {
  const [rows, setRows] = useState<readonly TypedRow[]>([]);
  const entry = {
    ...{ typed: '', setTyped: () => undefined, passes: [], setPasses: () => undefined },
    ...{ ambient: '', setAmbient: () => undefined, rows },
    setRows: (next: readonly TypedRow[]) => (setRows(next), kept?.(next)),
  };
  const view = exampleView(exampleRecord());
  const shared = { action, view, phase: 'test' as const, entry, isBusy: false, onKeep: () => undefined };
  return <RecordEntry {...shared} form={form} />;
}
const cell = (name: string) => screen.getByRole('textbox', { name });

test('a record says what it comes to as it is filled in, with its working', async () => {
  render(<Shown form={leak} />);
  expect(screen.queryByRole('status')).toBeNull();
  await userEvent.type(cell('Start, row 1'), '300');
  expect(screen.queryByRole('status')).toBeNull();
  await userEvent.type(cell('End, row 1'), '295');
  // 1 L · 5 kPa / 101.325 kPa in ten minutes are 4.93 mL a minute.
  expect(await screen.findByRole('status')).toHaveTextContent('In order: tight.');
  await userEvent.clear(cell('End, row 1'));
  await userEvent.type(cell('End, row 1'), '290');
  expect(screen.getByRole('status')).toHaveTextContent('Leak test: leaks. Look for the place.');
});
test('a series grows row by row; rows with names are as many as there are names', async () => {
  const { judge: _judge, ...plain } = leak;
  const { unmount } = render(<Shown form={{ ...plain, least: 2 }} />);
  expect(screen.getAllByRole('row')).toHaveLength(1 + 2);
  await userEvent.click(screen.getByRole('button', { name: 'One more row' }));
  expect(cell('End, row 3')).toBeInTheDocument();
  unmount();
  render(<Shown form={{ ...plain, rows: ['nut 1', 'nut 2'], columns: [column('torque', 'Torque', 'N·m')] }} />);
  expect(cell('Torque, nut 2')).toBeInTheDocument();
  expect(screen.queryByRole('button', { name: 'One more row' })).toBeNull();
});
test('words are chosen, not typed', async () => {
  const kept = jest.fn();
  const { judge: _judge, ...plain } = leak;
  render(<Shown form={{ ...plain, columns: [column('home', 'Home', '', { choices: ['yes', 'no'] })] }} kept={kept} />);
  await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Home, row 1' }), 'no');
  expect(kept).toHaveBeenLastCalledWith([{ home: 'no' }]);
});

const wrench = (code: string, change: Partial<Tool>): Tool => ({
  ...{ code, kind: 'torque wrench', unit: 'N·m', uncertainty: 1, rangeLow: 10, rangeHigh: 100, dueOn: '2027-01-01' },
  ...change,
});
function Chooser({ value }: { readonly value: number | null }) {
  const instruments = [
    wrench('W-00', { dueOn: '2026-01-01' }),
    wrench('W-01', { rangeHigh: 60 }),
    wrench('W-02', { rangeLow: 50, rangeHigh: 400 }),
  ];
  const tightened = { answer: { kind: 'torque', window_nm: { min: 165, max: 190 } } } as StepAction;
  const where = { action: tightened, view: exampleView(exampleRecord(), { instruments }), value };
  return <ToolChooser {...where} chosen={useTool(where)} />;
}
test('the wrench that reaches the torque is offered; an overdue one says so when it is chosen', async () => {
  const { rerender } = render(<Chooser value={null} />);
  const tools = () => screen.getByRole('combobox');
  // Nothing is typed yet: the one that reaches what is right here.
  expect(tools()).toHaveValue('W-02');
  rerender(<Chooser value={40} />);
  expect(tools()).toHaveValue('W-01');
  rerender(<Chooser value={110} />);
  expect(tools()).toHaveValue('W-02');
  expect(screen.queryByRole('status')).toBeNull();
  await userEvent.selectOptions(tools(), 'W-00');
  expect(screen.getByRole('status')).toHaveTextContent('W-00 (torque wrench) was due on 2026-01-01');
});
