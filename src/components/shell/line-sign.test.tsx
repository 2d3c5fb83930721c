import '../../../test-support/device-store';
import { act, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { noteLost } from '../act/line';
import { readWaiting, writeWaiting, type WaitingEntry } from '../act/waiting';
import { LineSign } from './line-sign';
import { WhatWaits } from './what-waits';

const entry = (change: object = {}): WaitingEntry => ({
  ...{ key: 'k-1', verb: 'answer-action', label: 'Cone nut to torque: 110', place: 'p', pass: 'pass' },
  input: { tag: 'P-0428', phase: 'rebuild', actionId: 'torque-4', typed: '110', tool: 'W-01', basedOn: 0 },
  madeAt: '2026-11-24T10:43:00.000Z',
  maker: { personId: 'p-ines', name: 'Ines' },
  ...change,
});
const theirs = {
  ...{
    actionId: 'torque-4',
    typed: '108',
    photoId: null,
    state: 'done',
    data: { tool: 'W-02' },
    version: 3,
    personName: 'Odile',
  },
  at: '2026-11-24T11:00:00.000Z',
};
const conflicting = entry({
  error: { code: 'changed-meanwhile', what: 'Somebody else changed this.', kept: 'k', todo: 't', issues: [], theirs },
});
const refused = entry({
  error: { code: 'bad-input', what: 'Out of what can be meant.', kept: 'k', todo: 't', issues: [] },
});

describe('in the head of a page', () => {
  test('nothing stands while all is well', () => {
    const { container } = render(<LineSign zone="UTC" />);
    expect(container).toBeEmptyDOMElement();
  });
  test('it says since when there is no line, and how many entries wait', () => {
    render(<LineSign zone="UTC" />);
    act(() => noteLost(new Date('2026-11-24T10:42:30Z')));
    expect(screen.getByRole('status')).toHaveTextContent('What you enter waits hereno line since 10:42; kept');
    act(() => writeWaiting([entry(), entry({ key: 'k-2' })]));
    expect(screen.getByRole('status')).toHaveTextContent('2 entries wait on this deviceno line since 10:42; kept');
  });
  test('the list comes when it is asked for, and by itself where something was refused', async () => {
    writeWaiting([entry()]);
    render(<LineSign zone="UTC" />);
    expect(screen.queryByRole('region')).not.toBeInTheDocument();
    await userEvent.click(screen.getByRole('button'));
    expect(screen.getByRole('region')).toHaveTextContent('Cone nut to torque: 110 by Ines');
    await userEvent.click(screen.getByRole('button'));
    expect(screen.queryByRole('region')).not.toBeInTheDocument();
    act(() => writeWaiting([refused]));
    expect(screen.getByRole('region')).toBeInTheDocument();
    expect(screen.getByRole('status')).toHaveTextContent('1 entry was not taken');
  });
  test('it names who must sign in again', () => {
    writeWaiting([entry({ needsMaker: true })]);
    render(<LineSign zone="UTC" />);
    expect(screen.getByRole('status')).toHaveTextContent('1 entry is kept here');
    expect(screen.getByRole('status')).toHaveTextContent('Ines must sign in again');
  });
});

describe('what waits', () => {
  test('is listed with when, for which pump, what, and who', () => {
    writeWaiting([entry(), entry({ key: 'k-2', needsMaker: true })]);
    render(<WhatWaits zone="Europe/Vienna" />);
    const [first, second] = screen.getAllByRole('listitem').map((one) => one.textContent);
    expect(first).toBe('24 Nov, 11:43 P-0428 Cone nut to torque: 110 by Ineswaits for the line');
    expect(second).toContain('waits until Ines signs in here again');
  });
  test('two who disagree are shown field by field, and each field is chosen', async () => {
    writeWaiting([conflicting]);
    render(<WhatWaits zone="UTC" />);
    expect(screen.getByRole('alert')).toHaveTextContent('Odile entered otherwise, 24 Nov, 11:00');
    expect(within(screen.getByRole('row', { name: /^Entry/ })).getAllByRole('button')).toHaveLength(2);
    await userEvent.click(screen.getByRole('button', { name: 'Mine stands: 110' }));
    expect(screen.getByRole('button', { name: 'Choose tool' })).toBeDisabled();
    await userEvent.click(screen.getByRole('button', { name: 'Theirs stands: W-02' }));
    await userEvent.click(screen.getByRole('button', { name: 'Keep it so' }));
    expect(readWaiting()).toMatchObject([{ input: { typed: '110', tool: 'W-02', basedOn: 3 } }]);
    expect(readWaiting()[0]).not.toHaveProperty('error');
  });
  test('where all of theirs is to stand there is nothing more to send', async () => {
    writeWaiting([conflicting]);
    render(<WhatWaits zone="UTC" />);
    for (const name of ['Theirs stands: 108', 'Theirs stands: W-02', 'Keep it so'])
      await userEvent.click(screen.getByRole('button', { name }));
    expect(await screen.findByText(/^Nothing waits/)).toBeInTheDocument();
    expect(readWaiting()).toEqual([]);
  });
  test('what was refused says why, and is sent again or dropped', async () => {
    writeWaiting([refused]);
    render(<WhatWaits zone="UTC" />);
    expect(screen.getByRole('alert')).toHaveTextContent('Out of what can be meant.');
    await userEvent.click(screen.getByRole('button', { name: 'Send it again' }));
    expect(readWaiting()).toMatchObject([{ key: 'k-1' }]);
    expect(readWaiting()[0]).not.toHaveProperty('error');
    act(() => writeWaiting([refused]));
    await userEvent.click(screen.getByRole('button', { name: 'Take note and drop it' }));
    expect(readWaiting()).toEqual([]);
  });
});
