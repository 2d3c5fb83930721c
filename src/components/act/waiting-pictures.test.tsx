import '../../../test-support/device-store';
import { answerPictures } from '../../../test-support/answer-pictures';
import { readPicture } from '../held/held-store';
import { setMaker } from './maker';
import { dropWaiting, flushWaiting, readWaiting } from './waiting';
import { keepPhoto } from './waiting-pictures';

const file = new Blob(['a picture'], { type: 'image/png' });
const about = { tag: 'P-0411', about: 'part:sleeve', caption: 'Sleeve' };
const kept = { body: { data: { photoId: 'ph-1', version: 5 } } };
const shares: number[] = [];
const take = () => keepPhoto(about, file, (share) => shares.push(share));

beforeEach(() => setMaker({ personId: 'p-ines', name: 'Ines', pass: 'pass-of-ines' }));

test('a picture goes at once, and how far it has gone is told', async () => {
  const sent = answerPictures(() => kept);
  expect(await take()).toEqual({ ok: true, data: { photoId: 'ph-1', version: 5, waits: false } });
  expect(sent[0]?.address).toBe('/api/photos/P-0411?about=part%3Asleeve&caption=Sleeve');
  expect(shares).toEqual([0.5]);
  expect(readWaiting()).toEqual([]);
});

test('without a line it waits with who took it; its name is the key that it goes under later', async () => {
  answerPictures(() => 'lost');
  const answer = await take();
  const [waiting] = readWaiting();
  expect(waiting).toMatchObject({ verb: 'add-photo', input: about, maker: { name: 'Ines' }, label: 'Picture: Sleeve' });
  expect(answer).toEqual({ ok: true, data: { photoId: waiting?.key, waits: true } });
  expect(await readPicture(waiting?.key ?? '')).not.toBeNull();
  const sent = answerPictures(() => kept);
  expect([...(await flushWaiting())]).toEqual(['P-0411']);
  expect(sent[0]?.headers).toMatchObject({ 'entry-key': waiting?.key, 'entry-pass': 'pass-of-ines' });
  expect(readWaiting()).toEqual([]);
  expect(await readPicture(waiting?.key ?? '')).toBeNull();
});

test('it does not overtake what waits', async () => {
  answerPictures(() => 'lost');
  await take();
  const sent = answerPictures(() => kept);
  await take();
  expect(sent).toEqual([]);
  await flushWaiting();
  expect(sent).toHaveLength(2);
});

test('what is refused stays with its reason, and goes from the device with its entry', async () => {
  answerPictures(() => 'lost');
  await take();
  answerPictures(() => ({
    status: 422,
    body: { error: { code: 'not-a-picture', what: 'It is no picture.', kept: 'k', todo: 't', issues: [] } },
  }));
  await flushWaiting();
  const [refused] = readWaiting();
  expect(refused?.error?.what).toBe('It is no picture.');
  await dropWaiting(refused?.key ?? '');
  expect(readWaiting()).toEqual([]);
  expect(await readPicture(refused?.key ?? '')).toBeNull();
});

test('one that is too large is refused without sending it, and nothing waits', async () => {
  const sent = answerPictures(() => kept);
  const large = { size: 21 * 1024 * 1024 } as Blob;
  expect(await keepPhoto(about, large, () => undefined)).toMatchObject({ ok: false, error: { code: 'too-large' } });
  expect([sent, readWaiting()]).toEqual([[], []]);
});
