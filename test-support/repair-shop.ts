import { chanceOf, type PlanAsked } from '@/core/planning';

const weekdays = [1, 2, 3, 4, 5];
const day = (weekday: number) => [
  { weekday, from: '07:00', to: '12:00' },
  { weekday, from: '13:00', to: weekday === 5 ? '15:00' : '16:30' },
];

/** A made-up repair shop with hands, places and calendars, and so many pumps of six operations each. */
export function repairShop(jobs: number, seed = 7, budgetMs = 1000): PlanAsked {
  const chance = chanceOf(seed);
  const whole = (from: number, to: number) => from + Math.floor(chance() * (to - from + 1));
  const date = (days: number) =>
    new Date(Date.parse('2026-11-23T07:00Z') + days * 86_400_000).toISOString().slice(0, 16);
  return {
    ...{ start: '2026-11-23T07:00', objective: 'lateness', budgetMs },
    calendars: [
      { id: 'week', weekly: weekdays.flatMap(day), closed: ['2026-12-25', '2027-01-01'] },
      { id: 'part time', weekly: [1, 2, 3].flatMap(day), closed: [] },
    ],
    resources: [
      ...['Odile', 'Joss', 'Ines', 'Tamsin', 'Perrin'].map((id, i) => ({
        ...{ id, calendar: i === 4 ? 'part time' : 'week' },
        skills: i % 2 ? ['hand', 'machinist'] : ['hand', 'tester'],
      })),
      ...[1, 2, 3, 4].map((n) => ({ id: `Bench ${n}`, skills: ['bench'] })),
      { id: 'Washer', skills: ['washer'] },
      { id: 'Lathe', skills: ['lathe'] },
      { id: 'Stand', calendar: 'week', skills: ['stand'] },
    ],
    jobs: Array.from({ length: jobs }, (_, j) => ({
      ...{ id: `P-${String(j).padStart(4, '0')}`, weight: whole(1, 3), ready: date(whole(0, Math.ceil(jobs / 8))) },
      due: date(whole(5, Math.ceil(jobs / 3.2) + 9)),
      operations: [
        { id: 'teardown', needs: ['hand', 'bench'], minutes: whole(60, 240), split: true },
        { id: 'clean', needs: ['washer'], minutes: whole(30, 90), split: false },
        { id: 'inspect', needs: ['hand'], minutes: whole(40, 120), split: true },
        { id: 'machine', needs: ['machinist', 'lathe'], minutes: whole(30, 150), split: true },
        { id: 'rebuild', needs: ['hand', 'bench'], minutes: whole(90, 300), split: true },
        { id: 'test', needs: ['tester', 'stand'], minutes: whole(45, 100), split: false },
      ],
    })),
  };
}
