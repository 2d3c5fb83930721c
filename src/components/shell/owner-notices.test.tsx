import { render, screen } from '@testing-library/react';
import { OwnerNotices } from './owner-notices';

test('while all is well nothing is said', () => {
  const { container } = render(<OwnerNotices backup={null} locks={[]} />);
  expect(container).toBeEmptyDOMElement();
});

test('a night that was missed and a lock lead to where more is said', () => {
  render(
    <OwnerNotices
      backup={{ hours: 50, hasNone: false }}
      locks={['the PIN for Marek was wrong, too often', 'another']}
    />,
  );
  const [backup, lock] = screen.getAllByRole('status').map((one) => one.textContent);
  expect(backup).toBe('The last good backup is 2 days old. See why, or make one now');
  expect(lock).toBe('Locked since yesterday: the PIN for Marek was wrong, too often, and 1 more. Who, where and when');
  expect(screen.getAllByRole('link').map((one) => one.getAttribute('href'))).toEqual([
    ...['/library/keeping', '/library/people'],
  ]);
});
