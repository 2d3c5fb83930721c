import { render, screen, within } from '@testing-library/react';
import { OwnPumps, type OwnPumpsView } from './own-pumps';

const plate = { pump: 'Quillmere QB 50-160', serial: 'QB-1', equipmentNumber: 'raceway 3', tag: 'P-0401' };
const view: OwnPumpsView = {
  shop: { name: 'Kettlewick Pump Works', place: 'Harrowmere', telephone: 'Harrowmere 214' },
  ...{ name: 'Larkspur Trout Hatchery', today: '2026-11-28' },
  here: [
    {
      ...{ ...plate, station: 'approve', holder: 'C', outcome: 'open', cameOn: '2026-11-20', promisedOn: '2026-12-12' },
      ready: { early: '2026-12-07', late: '2027-01-09' },
    },
  ],
  past: [{ ...plate, tag: 'P-0311', outcome: 'repaired', cameOn: '2025-03-03', wentOn: '2025-03-28' }],
};

test('each pump says how it stands, when it is likely to be ready and what was promised, with the year where it is another', () => {
  render(<OwnPumps view={view} />);
  const here = within(screen.getByRole('region', { name: 'With us' }));
  expect(here.getByText('raceway 3')).toBeVisible();
  expect(here.getByText('We wait for your answer to our offer.')).toBeVisible();
  expect(
    here.getByText(
      'It came on 20 November. Likely ready between 7 December and 9 January 2027. We promised 12 December.',
    ),
  ).toBeVisible();
  expect(screen.getByText(/1 is with us today, 28 November/)).toBeVisible();
  expect(screen.getByRole('link', { name: 'Harrowmere 214' })).toHaveAttribute('href', 'tel:Harrowmere214');
});
test('what was here before stands with what became of it', () => {
  render(<OwnPumps view={view} />);
  expect(
    within(screen.getByRole('region', { name: 'Before' })).getByText(/3 March 2025 to 28 March 2025: repaired/),
  ).toBeVisible();
});
test('a customer of whom none is here, and a pump of which no range is known', () => {
  const [own] = view.here;
  const { unmount } = render(<OwnPumps view={{ ...view, here: [], past: [] }} />);
  expect(screen.getByText(/None is with us today/)).toBeVisible();
  unmount();
  render(<OwnPumps view={{ ...view, here: own ? [{ ...own, ready: null }] : [] }} />);
  expect(screen.getByText('It came on 20 November. We promised 12 December.')).toBeVisible();
});
