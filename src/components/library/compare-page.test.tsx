import { render, screen, within } from '@testing-library/react';
import f6 from '@families/f6-internal-gear.json';
import { buildFamily, loadFamily } from '@/core/family';
import { ComparePage } from './compare-page';

const family = loadFamily(f6);
const built = (variant: string) => buildFamily(family, { axes: { variant } });

test('shows both builds with what each is chosen by, and what only one has', () => {
  render(<ComparePage family={family} one={built('packed')} other={built('cartridge')} />);
  const [one, other] = ['One build', 'The other build'].map((name) => screen.getByRole('group', { name }));
  expect(one?.querySelector('select[name=variant]')).toHaveValue('packed');
  expect(other?.querySelector('select[name="with.variant"]')).toHaveValue('cartridge');
  const parts = screen.getByRole('table', { name: /^Parts/ });
  expect(within(parts).getByRole('row', { name: /^Packing ring .* has none$/ })).toBeInTheDocument();
  expect(within(parts).getByRole('row', { name: /^Seal cartridge has none/ })).toBeInTheDocument();
});
test('two alike say that nothing differs', () => {
  render(<ComparePage family={family} one={built('packed')} other={built('packed')} />);
  expect(screen.getByText(/Nothing differs/)).toBeInTheDocument();
  expect(screen.queryByRole('table')).toBeNull();
});
