import { render, screen, within } from '@testing-library/react';
import f7 from '@families/f7-rotary-lobe.json';
import f9 from '@families/f9-belt-packed.json';
import { familyCard, findSeen, loadFamily } from '@/core/family';
import { present } from '@/core/present';
import { FindSeen } from './find-seen';

const files = [f7, f9].map((file) => loadFamily(file));
const show = (seen: string) =>
  render(
    <FindSeen
      seen={seen}
      found={seen ? findSeen(files, seen) : null}
      families={files.map((file) => familyCard(file, 'a1'))}
    />,
  );

test('says of each family what of it was seen, where, and what was not; leads to it as it was seen', () => {
  show('packing, belt, two shafts');
  const [best, other] = screen.getAllByRole('listitem').filter((one) => within(one).queryByRole('link'));
  expect(best).toHaveTextContent('packing — shaft seal: packing in tapered pieces');
  expect(best).toHaveTextContent('belt — on its plate: belt');
  expect(best).toHaveTextContent('two shafts — nothing of it here');
  expect(within(present(best)).getByRole('link')).toHaveAttribute('href', '/library/F9?box=packing&drive=belt');
  expect(other).toHaveTextContent('two shafts — counted: 2 shafts');
});
test('of two choices of one thing the later one counts; the same said twice is one thing', () => {
  show('three lobes, circumferential piston, three lobes');
  const [lobe] = screen.getAllByRole('listitem').filter((one) => within(one).queryByRole('link'));
  expect(within(present(lobe)).getByRole('link')).toHaveAttribute('href', '/library/F7?rotors=piston');
  expect(within(present(lobe)).getAllByText('three lobes')).toHaveLength(1);
});
test('what nobody has is said by name, and where to look instead', () => {
  show('zebra');
  expect(screen.getByRole('status')).toHaveTextContent('No construction here has zebra. Look for its section');
});
test('before anything is asked there is only the field', () => {
  show('');
  expect(screen.queryByRole('status')).toBeNull();
  expect(screen.getByRole('textbox', { name: /What is seen/ })).toHaveValue('');
});
