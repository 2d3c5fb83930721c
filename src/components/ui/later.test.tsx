import { render, screen } from '@testing-library/react';
import { renderToString } from 'react-dom/server';
import { Later, useRows } from './later';

const words = Array.from({ length: 12 }, (_, i) => `row ${i + 1}`);
function Rows() {
  const rows = useRows(words, 3);
  return (
    <ul>
      {rows.map((word) => (
        <li key={word} id={word.replace(' ', '-')}>
          {word}
        </li>
      ))}
    </ul>
  );
}
const shown: string[] = [];
beforeEach(() => {
  shown.length = 0;
  Element.prototype.scrollIntoView = function scrollIntoView() {
    shown.push(this.id);
  };
});
afterEach(() => (window.location.hash = ''));

test('a server draws the first rows of a list, a browser all of them', () => {
  expect(renderToString(<Rows />).match(/<li/g)).toHaveLength(3);
  render(<Rows />);
  expect(screen.getAllByRole('listitem')).toHaveLength(12);
});

test('what lies below the first screen has its room until it is drawn', () => {
  const page = (
    <Later height={400}>
      <p>far below</p>
    </Later>
  );
  expect(renderToString(page)).toBe('<div style="min-height:400px"></div>');
  const { container } = render(page);
  expect(screen.getByText('far below')).toBeInTheDocument();
  expect(container.firstElementChild).not.toHaveStyle({ minHeight: '400px' });
});

test('the place that the address names is gone to where it came only then; nothing else is', () => {
  render(<Rows />);
  expect(shown).toEqual([]);
  window.location.hash = '#row-12';
  render(
    <Later height={10}>
      <p id="elsewhere">far below</p>
    </Later>,
  );
  expect(shown).toEqual([]);
  render(
    <Later height={10}>
      <Rows />
    </Later>,
  );
  expect(shown).toContain('row-12');
});
