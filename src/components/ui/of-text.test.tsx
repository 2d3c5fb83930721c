import { act, render, screen } from '@testing-library/react';
import { createRoot, hydrateRoot } from 'react-dom/client';
import type * as server from 'react-dom/server';
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
const props = { tag: 'P-0411 </script><b>"\u2028', points: [{ id: 'ring', value: null }] };
const shared = globalThis as { puddlestonePages?: Map<string, Map<string, object>> | undefined };

test('what a component is given arrives as it was; it is read once for a text', () => {
  const text = asText<typeof Shown>(props);
  const { rerender } = render(<ShownOfText text={text} />);
  rerender(<ShownOfText text={text} />);
  expect(seen.at(-1)).toEqual(props);
  expect(seen.at(-1)?.points).toBe(seen.at(-2)?.points);
  // As text it is drawn, not as markup.
  expect(screen.getByText(/<\/script>/)).toBeInTheDocument();
  rerender(<ShownOfText text={asText<typeof Shown>({ ...props, tag: 'P-0412' })} />);
  expect(screen.getByText('P-0412')).toBeInTheDocument();
});

test('parts that are large and stand by themselves are written as all of it would be', () => {
  const long = Array.from({ length: 400 }, (_, i) => ({ id: `point-${i}`, value: i % 7 ? i : null }));
  const shown = {
    ...{ tag: 'P-0411', said: undefined, points: long, none: null, count: 3.5 },
    view: { record: { readings: long, note: '< "' }, at: ['a', null] },
  };
  const text = asText<(given: object) => null>(shown);
  expect(JSON.parse(text)).toEqual(JSON.parse(JSON.stringify(shown)));
  expect(text).not.toContain('<');
  expect(asText<(given: object) => null>({ ...shown })).toBe(text);
});

test('the text of what stands is kept from its second time on, whatever is made for one look meanwhile', () => {
  const large = (toJSON: () => string) =>
    Array.from({ length: 400 }, (_, i) => (i ? { id: `point-${i}` } : { toJSON }));
  const toJSON = jest.fn(() => 'first');
  const points = large(toJSON);
  const once = asText<(given: object) => null>({ points });
  for (let i = 0; i < 3; i++) expect(asText<(given: object) => null>({ points })).toBe(once);
  expect(toJSON).toHaveBeenCalledTimes(2);
  for (let i = 0; i < 100; i++) asText<(given: object) => null>({ points: large(() => 'another') });
  asText<(given: object) => null>({ points });
  expect(toJSON).toHaveBeenCalledTimes(2);
});

test('of the texts that are kept those go first that nobody asked for longest, once they are many millions of letters', () => {
  const asked = (toJSON: () => string) => {
    const things = [{ toJSON }];
    return () => asText<(given: object) => null>({ things });
  };
  const writes = [jest.fn(() => 'a'.repeat(1_500_000)), jest.fn(() => 'b'.repeat(1_500_000))] as const;
  const [first, second] = [asked(writes[0]), asked(writes[1])];
  for (const ask of [first, first, second, second, first]) ask();
  expect(writes.map((one) => one.mock.calls.length)).toEqual([2, 2]);
  const third = asked(() => 'c'.repeat(1_500_000));
  third();
  third();
  first();
  second();
  expect(writes.map((one) => one.mock.calls.length)).toEqual([2, 3]);
});

describe('in a page that comes whole', () => {
  const { renderToString } = jest.requireActual<typeof server>('react-dom/server');
  const place = { at: 'data-0', id: 'page-1' };
  afterEach(() => {
    shared.puddlestonePages = undefined;
    document.body.replaceChildren();
  });
  test('its data stand once, as data; a browser goes on from them, also when it is shown again later', async () => {
    shared.puddlestonePages = new Map([[place.id, new Map([[place.at, props]])]]);
    const html = renderToString(<ShownOfText {...place} />);
    shared.puddlestonePages = undefined;
    const box = document.createElement('div');
    document.body.append(box);
    box.innerHTML = html;
    const script = box.querySelector('script');
    expect(script?.type).toBe('application/json');
    expect(JSON.parse(script?.textContent ?? '')).toEqual(props);
    expect(box.querySelector('p')?.textContent).toBe(props.tag);
    const faults: unknown[] = [];
    seen.length = 0;
    const root = await act(() =>
      hydrateRoot(box, <ShownOfText {...place} />, { onRecoverableError: (error) => faults.push(error) }),
    );
    expect(faults).toEqual([]);
    expect(seen.at(-1)).toEqual(props);
    act(() => root.unmount());
    // As when somebody goes back: the page that brought them is gone.
    const other = document.createElement('div');
    const again = createRoot(other);
    act(() => again.render(<ShownOfText {...place} />));
    expect(other.querySelector('p')?.textContent).toBe(props.tag);
    act(() => again.unmount());
  });
});
