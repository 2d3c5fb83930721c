import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { PointHistory, Wear } from '@/core/history';
import { CustomerList, CustomerPage, type CustomerView } from './customer-page';
import { PumpPage, type PumpView } from './pump-page';

const mockAct = jest.fn();
jest.mock('../act/act', () => ({ act: (...asked: unknown[]): unknown => mockAct(...asked) }));
jest.mock('next/navigation', () => ({ useRouter: () => ({ refresh: () => undefined }) }));

const calm: Wear = {
  ...{ direction: 1, limit: 0.76, steps: [], per1000h: null, isUnclear: false, last: 0.5, isOut: false },
  ...{ usedShare: 0.3, forecast: null },
};
const point = (id: string, title: string, wear: Partial<Wear>): PointHistory => ({
  ...{ id, title, unit: 'mm', decimals: 2, asNew: { min: 0.3, max: 0.38 }, reuse: { max: 0.76 } },
  visits: [{ tag: 'P-1', day: '2024-01-01', hours: 10_000, asFound: 0.55, asLeft: 0.35 }],
  wear: { ...calm, ...wear },
});
const pump: PumpView = {
  ...{ maker: 'Quillmere', model: 'QB', serial: 'QB-22871', familyTitle: 'Overhung', liquid: 'pond water' },
  ...{ customer: { id: 'c-1', name: 'Garden' }, equipmentNumber: 'lily house', hereAs: 'P-0411', olderVisits: 0 },
  archived: [],
  spares: [{ name: 'Wear ring', number: 'KW1-0502', elastomer: '', quantity: 3, needs: 1, bin: 'B-2' }],
  points: [
    point('gap', 'Ring gap', { isOut: true, per1000h: 0.0276 }),
    point('seat', 'Bearing seat', {
      per1000h: 0.00059,
      forecast: {
        ...{ outAtHours: [60_000, 66_000, 80_000], hoursLeft: 3400, outOn: ['2028-05-01', '2028-08-01', '2029-01-01'] },
      },
    }),
    point('runout', 'Run-out', { per1000h: 0.0001, isUnclear: true }),
  ],
  lives: [
    { ref: 'a', name: 'Seal', spans: [{ fromHours: 0, toHours: 11_200, why: 'ran dry', endedIn: 'P-1' }] },
    { ref: 'b', name: 'Gasket', spans: [{ fromHours: 0, toHours: 11_200, why: 'ran dry', endedIn: 'P-1' }] },
    { ref: 'c', name: 'Ring', spans: [{ fromHours: 0, toHours: 18_900, why: null, endedIn: null }] },
  ],
  visits: [
    {
      ...{ tag: 'P-0399', day: '2025-10-14', closedOn: '2025-10-27', hours: 18_900, whyOut: 'seal leaks' },
      ...{ contact: 'Fern Okonjo', outcome: 'repaired', renewed: ['Seal', 'Ring'], netMinor: 224_950, currency: 'EUR' },
      ...{ reports: ['R-2025-0001 A'], hoursSince: 7700, warranty: null },
    },
  ],
};

describe('a pump', () => {
  test('says of each point how fast it wears and what is left, the most urgent first', () => {
    render(<PumpPage pump={pump} />);
    const [gap, seat] = within(screen.getByRole('listbox', { name: 'Points that wear' })).getAllByRole('option');
    expect(gap).toHaveTextContent('Ring gap28 µmout');
    expect(seat).toHaveTextContent('Bearing seat0.6 µm3,400 h left');
    expect(screen.getByText('1 point of which no wear can be told')).toBeInTheDocument();
    expect(screen.getByText('Out by the last reading that stands.')).toBeInTheDocument();
  });
  test('names the visits that were taken out of the record, and where they lie', () => {
    const archived = [
      { tag: 'P-0102', closedOn: '2019-03-01', outcome: 'repaired', file: 'puddlestone-archive-2020.zip' },
    ];
    render(<PumpPage pump={{ ...pump, archived }} />);
    const visits = screen.getByRole('region', { name: 'Visits' });
    expect(visits).toHaveTextContent('P-0102, closed on Fri 1 Mar 2019: in the file puddlestone-archive-2020.zip');
  });
  test('arrow keys choose the point of the line, which says when it will be out', async () => {
    render(<PumpPage pump={pump} />);
    screen.getByRole('option', { name: /Ring gap/ }).focus();
    await userEvent.keyboard('{ArrowDown}');
    const seat = screen.getByRole('option', { name: /Bearing seat/ });
    expect(seat).toHaveAttribute('aria-selected', 'true');
    expect(seat).toHaveFocus();
    expect(screen.getByRole('region', { name: 'Over its visits' })).toHaveTextContent(
      'Out at 60,000 to 80,000 h, likely 66,000 h',
    );
  });
  test('parts that were always renewed together are one line; a visit is told with its cost', () => {
    render(<PumpPage pump={pump} />);
    const lives = within(screen.getByRole('region', { name: 'Lives of parts' })).getAllByRole('listitem');
    expect(lives).toHaveLength(2);
    expect(lives[0]).toHaveTextContent('Seal and 1 more11.2ran dry');
    const visit = within(screen.getByRole('region', { name: 'Visits' })).getByRole('listitem');
    // 2249.50 over 7700 hours.
    expect(visit).toHaveTextContent('€2,249.50 €292.14 per 1 000 h');
    expect(visit).toHaveTextContent('“seal leaks”');
  });
  test('of which nothing was measured says so', () => {
    render(<PumpPage pump={{ ...pump, points: [], lives: [] }} />);
    expect(screen.getByText('Nothing was measured yet.')).toBeInTheDocument();
    expect(screen.getByText('No part was renewed here yet.')).toBeInTheDocument();
  });
});

test('a pump’s page says what of it lies on our shelf, and where', () => {
  const { rerender } = render(<PumpPage pump={pump} />);
  expect(screen.getByRole('region', { name: 'Spares' })).toHaveTextContent('3 wear ring bin B-2');
  rerender(<PumpPage pump={{ ...pump, spares: [] }} />);
  expect(screen.getByText('Nothing of its parts lies here.')).toBeInTheDocument();
});

describe('a customer', () => {
  const customer: CustomerView = {
    ...{ id: 'c', pages: [{ id: 'l', madeFor: 'Fern Okonjo', personName: 'Wenna Tarrock', on: '2026-11-20' }] },
    ...{ name: 'Garden', currency: 'EUR', limitMinor: 30_000, limitSaidBy: 'Fern Okonjo' },
    contacts: [{ name: 'Fern Okonjo', email: 'fern@garden.example', phone: '' }],
    pumps: [
      {
        ...{ maker: 'Quillmere', model: 'QB', serial: 'QB-22871', equipmentNumber: 'lily house' },
        spares: [{ name: 'O-ring', number: 'KW1-0700', elastomer: 'EPDM', quantity: 5, needs: 2, bin: '' }],
        visits: [
          {
            ...{ tag: 'P-0411', openedOn: '2026-11-23', closedOn: null, outcome: 'open', station: 'inspect' },
            ...{ promisedOn: '2026-12-18', runningHours: 26_300, approvedMinor: null, comebackOf: 'P-0399' },
          },
          {
            ...{
              tag: 'P-0399',
              openedOn: '2025-10-14',
              closedOn: '2025-10-27',
              outcome: 'repaired',
              station: 'return',
            },
            ...{ promisedOn: '2025-10-30', runningHours: 18_900, approvedMinor: 120_050, comebackOf: null },
          },
        ],
      },
    ],
  };
  test('has whom to ask, what is agreed, and each pump with its visits', () => {
    render(<CustomerPage customer={customer} />);
    expect(screen.getByText('1 pump, 1 here now')).toBeInTheDocument();
    expect(screen.getByText(/up to €300.00 are approved by what Fern Okonjo agreed/)).toBeInTheDocument();
    const pumps = screen.getByRole('region', { name: 'Pumps' });
    expect(pumps).toHaveTextContent('26,300 h when it came last');
    expect(pumps).toHaveTextContent('at inspect, promised Fri 18 Dec');
    expect(pumps).toHaveTextContent('Mon 27 Oct 2025: repaired');
    expect(pumps).toHaveTextContent('under the warranty of P-0399');
    expect(screen.getByRole('list', { name: 'Spares on our shelf' })).toHaveTextContent('5 o-ring EPDM of 2 in it,');
    expect(screen.getByText(/approved in 1 repair, without tax; 1 of 2 visits under warranty/)).toHaveTextContent(
      '€1,200.50',
    );
  });
  test('has links to a page of their own, each with whom it is for, which are made and ended here', async () => {
    mockAct.mockResolvedValue({ ok: true, data: { id: 'n', path: '/customer/pumps/abc' } });
    render(<CustomerPage customer={customer} />);
    expect(screen.getByText('made by Wenna Tarrock, 2026-11-20')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Make a link' }));
    expect(mockAct).toHaveBeenCalledWith('make-customer-page', { customerId: 'c', madeFor: 'Fern Okonjo' });
    expect(await screen.findByRole('status')).toHaveTextContent('/customer/pumps/abc');
    await userEvent.click(screen.getByRole('button', { name: 'End it' }));
    expect(mockAct).toHaveBeenLastCalledWith('end-customer-page', { id: 'l' });
  });
  test('stands in the list with how many pumps of theirs are here', () => {
    render(<CustomerList customers={[{ id: 'c', name: 'Garden', open: 1, all: 3 }]} />);
    expect(screen.getByRole('link', { name: /Garden/ })).toHaveTextContent('1 here, 3 visits in all');
  });
});
