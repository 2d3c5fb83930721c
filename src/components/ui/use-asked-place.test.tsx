import { act } from '@testing-library/react';
import { hydrateRoot } from 'react-dom/client';
import { renderToString } from 'react-dom/server';
import { useAskedPlace } from './use-asked-place';

let drawn: string[] = [];
function Sheet() {
  const { hash } = useAskedPlace();
  drawn.push(hash);
  return <p>{hash || 'no place'}</p>;
}

/** A page as a server drew it, taken up by a browser at an address. */
async function takeUp(hash: string): Promise<HTMLElement> {
  window.location.hash = '';
  const place = document.createElement('div');
  place.innerHTML = renderToString(<Sheet />);
  document.body.append(place);
  window.location.hash = hash;
  drawn = [];
  await act(async () => {
    hydrateRoot(place, <Sheet />);
    await Promise.resolve();
  });
  return place;
}

afterEach(() => {
  document.body.replaceChildren();
  window.location.hash = '';
});

test('a page whose address asks for no place is drawn once when a browser takes it up', async () => {
  const place = await takeUp('');
  expect(place).toHaveTextContent('no place');
  expect(drawn).toEqual(['']);
});

test('where the address asks for one it is known then', async () => {
  const place = await takeUp('#point-shaft');
  expect(place).toHaveTextContent('#point-shaft');
  expect(drawn.at(-1)).toBe('#point-shaft');
});
