import { render, screen, within } from '@testing-library/react';
import { WeekDesk, type WeekView } from './week-desk';

const pump = { tag: 'P-0409', pump: 'Quillmere QB', customer: 'Larkspur Trout Hatchery' };
const week: WeekView = {
  ...{ today: '2026-11-27', until: '2026-12-04', currency: 'EUR' },
  answers: [
    {
      ...{ ...pump, kind: 'quote', revision: 2, days: 9, reminded: 1, nextReminderOn: '2026-11-26' },
      ...{ isDue: true, isExpired: false, validUntil: '2026-12-20' },
    },
  ],
  goingOut: [
    {
      ...{ ...pump, promisedOn: '2026-11-30', station: 'rebuild', plannedOn: '2026-12-03' },
      ...{ keptPct: 4, limitWords: 'Odile Fenner' },
    },
    {
      ...pump,
      tag: 'P-0410',
      promisedOn: '2026-12-03',
      station: 'test',
      plannedOn: '2026-12-01',
      keptPct: 97,
      limitWords: '',
    },
  ],
  comingIn: [
    { number: 'PO-00012', supplier: 'Sillwater', dueOn: '2026-11-26', open: 3, lines: ['2 × ring', '1 × seal'] },
  ],
  risks: [{ ...pump, number: 'PO-00013', supplier: 'Sillwater', minor: 12_000 }],
  moves: [
    { ...pump, from: '2026-11-20', to: '2026-12-10', reason: 'the ring is late', toldTo: null, personName: 'Wenna' },
  ],
};
const list = (name: string) => within(screen.getByRole('region', { name })).getByRole('list');

test('says what is awaited, what goes and comes, what is at risk and what was promised anew', () => {
  render(<WeekDesk week={week} />);
  expect(list('Answers awaited')).toHaveTextContent(
    'Quote revision 2, sent 9 days ago, reminded once; the reminder is due',
  );
  const [late, early] = within(list('Going out')).getAllByRole('listitem');
  expect(late).toHaveTextContent('planned for Thu 3 Dec, limited by Odile Fenner');
  expect(early).toHaveTextContent('kept 97 times of 100');
  expect(list('Coming in')).toHaveTextContent('Thu 26 Nov, 3 pieces open: 2 × ring, 1 × seal');
  expect(screen.getByRole('region', { name: 'At risk' })).toHaveTextContent('€120.00 ordered before the answer');
  expect(list('Promises moved')).toHaveTextContent('Fri 20 Nov → Thu 10 Dec: the ring is late');
});
test('says that there is nothing where there is nothing', () => {
  render(<WeekDesk week={{ ...week, answers: [], goingOut: [], comingIn: [], risks: [], moves: [] }} />);
  for (const words of [
    'No quote waits',
    'Nothing is promised',
    'No order is due',
    'Nothing is ordered',
    'Every promise',
  ])
    expect(screen.getByText(new RegExp(words))).toBeInTheDocument();
});
