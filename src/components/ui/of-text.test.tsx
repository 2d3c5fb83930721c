import { render, screen } from '@testing-library/react';
import { asText } from './as-text';
import { ofText } from './of-text';

interface Props {
  readonly tag: string;
  readonly points: readonly { readonly id: string; readonly value: number | null }[];
  readonly said?: string;
}
const seen: Props[] = [];
function Shown(props: Props) {
  seen.push(props);
  return <p>{props.tag}</p>;
}
const ShownOfText = ofText(Shown);

test('what a component is given arrives as it was; it is read once for a text', () => {
  const props = { tag: 'P-0411 </script><b>"\u2028', points: [{ id: 'ring', value: null }] };
  const text = asText<typeof Shown>(props);
  const { rerender } = render(<ShownOfText text={text} />);
  rerender(<ShownOfText text={text} />);
  expect(seen[0]).toEqual(props);
  expect(seen.at(-1)?.points).toBe(seen[0]?.points);
  // As text it is drawn, not as markup.
  expect(screen.getByText(/<\/script>/)).toBeInTheDocument();
  rerender(<ShownOfText text={asText<typeof Shown>({ ...props, tag: 'P-0412' })} />);
  expect(screen.getByText('P-0412')).toBeInTheDocument();
});
