import { codeOf } from '../../test-support/told';
import { readBytes } from './body';

/** A request whose body comes in pieces of these sizes, and says so much of its length. */
function sentIn(sizes: readonly number[], said?: string): { readonly request: Request; readonly whole: Buffer } {
  const pieces = sizes.map((size, i) => new Uint8Array(size).fill(i + 1));
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      for (const piece of pieces) controller.enqueue(piece);
      controller.close();
    },
  });
  const headers = said === undefined ? {} : { 'content-length': said };
  const how = { method: 'POST', body, headers, duplex: 'half' };
  return { request: new Request('http://shop.example/', how), whole: Buffer.concat(pieces) };
}

test.each([
  ['says its length', [3, 1, 400], '404'],
  ['says nothing', [3, 1, 400], undefined],
  ['says less than comes', [3, 1, 400], '2'],
  ['says more than comes', [3, 1], '400'],
  ['says what is no number', [7], 'many'],
  ['is empty', [], '0'],
])('a body that %s is read as it came', async (_how, sizes, said) => {
  const { request, whole } = sentIn(sizes, said);
  expect((await readBytes(request, 1000)).equals(whole)).toBe(true);
});

test('as much as is allowed is taken, a byte more is refused, whatever it said', async () => {
  expect(await readBytes(sentIn([600, 400]).request, 1000)).toHaveLength(1000);
  for (const said of [undefined, '5', '1001']) {
    const { request } = sentIn([600, 401], said);
    expect(await codeOf(readBytes(request, 1000))).toBe('too-large');
  }
});

test('what says that it is too large is refused before a byte of it is read', async () => {
  const { request } = sentIn([4], '1001');
  expect(await codeOf(readBytes(request, 1000))).toBe('too-large');
  expect(request.bodyUsed).toBe(false);
});
