import type { InputOf } from '@/contract';
import { answerFetch } from '../../../test-support/answer-fetch';
import { setMaker } from './maker';
import { dropWaiting, flushWaiting, keep, putSettled, readWaiting, renewPasses } from './waiting';

const marek = { personId: 'p-marek', name: 'Marek', pass: 'pass-of-marek' };
const ines = { personId: 'p-ines', name: 'Ines', pass: 'pass-of-ines' };
const done = { body: { data: { version: 2 } } };
const refused = (code: string, status = 409, more: object = {}) => ({
  status,
  body: { error: { code, what: 'w', kept: 'k', todo: 't', issues: [], ...more } },
});

const reading = (typed: string, place = 'A:0'): InputOf<'record-readings'> => ({
  tag: 'P-0411',
  phase: 'as-found',
  entries: [{ pointId: 'sleeve', place, typed, instrument: null, basedOn: 0 }],
});
const typedIn = (body: unknown) => (body as ReturnType<typeof reading>).entries[0]?.typed;
const enter = (typed: string, place = 'A:0') =>
  keep('record-readings', reading(typed, place), {
    label: `Sleeve ${place}: ${typed}`,
    place: `P-0411 sleeve ${place}`,
  });
const typedOf = () =>
  readWaiting().map((entry) => (entry.verb === 'record-readings' ? entry.input.entries[0]?.typed : entry.verb));

beforeEach(() => setMaker(marek));

describe('an entry', () => {
  test('has a key before the first try, and the moment when it was made', async () => {
    const asked = answerFetch(() => done);
    expect(await enter('45.01')).toEqual({ ok: true, data: { version: 2 } });
    expect(asked[0]?.headers['entry-key']).toMatch(/^[0-9a-f-]{36}$/);
    expect(Date.parse(asked[0]?.headers['entry-made-at'] ?? '')).toBeGreaterThan(0);
    expect(readWaiting()).toEqual([]);
  });
  test('that nobody answers waits with its maker, and goes later with the key of its first try', async () => {
    const first = answerFetch(() => 'lost');
    expect(await enter('45.01')).toEqual({ ok: false, waiting: true });
    expect(readWaiting()).toMatchObject([{ maker: { name: 'Marek' }, pass: marek.pass, label: 'Sleeve A:0: 45.01' }]);
    const later = answerFetch(() => done);
    expect([...(await flushWaiting())]).toEqual(['P-0411']);
    expect(later[0]?.headers['entry-key']).toBe(first[0]?.headers['entry-key']);
    expect(later[0]?.headers['entry-pass']).toBe(marek.pass);
    expect(readWaiting()).toEqual([]);
  });
  test.each([502, 503, 504])('that is answered with %d waits', async (status) => {
    answerFetch(() => ({ status, body: { error: { code: 'database-away' } } }));
    expect(await enter('45.01')).toEqual({ ok: false, waiting: true });
  });
  test('that meets a full disk waits, and goes when there is room', async () => {
    answerFetch(() => ({ status: 507, body: { error: { code: 'disk-full', what: 'full' } } }));
    expect(await enter('45.01')).toEqual({ ok: false, waiting: true });
    await flushWaiting();
    expect(typedOf()).toEqual(['45.01']);
    answerFetch(() => done);
    await flushWaiting();
    expect(readWaiting()).toEqual([]);
  });
  test('does not overtake one that waits', async () => {
    answerFetch(() => 'lost');
    await enter('45.01');
    const asked = answerFetch(() => done);
    await enter('45.02', 'A:90');
    expect(asked).toEqual([]);
    await flushWaiting();
    expect(asked.map((one) => typedIn(one.body))).toEqual(['45.01', '45.02']);
  });
  test('replaces an earlier one for the same place that still waits', async () => {
    answerFetch(() => 'lost');
    await enter('45.01');
    await enter('45.02', 'A:90');
    await enter('45.03');
    expect(typedOf()).toEqual(['45.03', '45.02']);
  });
  test('works where the page has no secure context and no randomUUID', async () => {
    const plain = crypto.randomUUID;
    Object.defineProperty(crypto, 'randomUUID', { value: undefined, configurable: true });
    const asked = answerFetch(() => done);
    await enter('45.01');
    expect(asked[0]?.headers['entry-key']).toMatch(/^[0-9a-f-]{36}$/);
    Object.defineProperty(crypto, 'randomUUID', { value: plain, configurable: true });
  });
});

describe('whose entry it is', () => {
  test('stays with the person who made it, whoever is signed in when it goes', async () => {
    answerFetch(() => 'lost');
    await enter('45.01');
    setMaker(ines);
    const asked = answerFetch(() => done);
    await flushWaiting();
    expect(asked[0]?.headers['entry-pass']).toBe(marek.pass);
  });
  test('of a person who must sign in again waits, and the others’ go on', async () => {
    answerFetch(() => 'lost');
    await enter('45.01');
    setMaker(ines);
    await enter('45.02', 'A:90');
    answerFetch(({ headers }) => (headers['entry-pass'] === marek.pass ? refused('maker-signed-out', 401) : done));
    await flushWaiting();
    expect(readWaiting()).toMatchObject([{ needsMaker: true, maker: { name: 'Marek' } }]);
    expect(readWaiting()[0]).not.toHaveProperty('error');
  });
  test('goes under a new pass when its maker signs in again', async () => {
    answerFetch(() => 'lost');
    await enter('45.01');
    answerFetch(() => refused('maker-signed-out', 401));
    await flushWaiting();
    setMaker({ ...marek, pass: 'pass-of-today' });
    renewPasses();
    const asked = answerFetch(() => done);
    await flushWaiting();
    expect(asked[0]?.headers['entry-pass']).toBe('pass-of-today');
    expect(readWaiting()).toEqual([]);
  });
});

describe('what is refused', () => {
  test('stays with its reason, is not sent again by itself, and lets the next one go', async () => {
    answerFetch(() => 'lost');
    await enter('45.01');
    await enter('45.02', 'A:90');
    answerFetch(({ body }) =>
      typedIn(body) === '45.01' ? refused('changed-meanwhile', 409, { theirs: { typed: '44.9', version: 3 } }) : done,
    );
    await flushWaiting();
    expect(readWaiting()).toMatchObject([{ error: { code: 'changed-meanwhile', theirs: { version: 3 } } }]);
    const asked = answerFetch(() => done);
    await flushWaiting();
    expect(asked).toEqual([]);
  });
  test('is not replaced by a later entry for its place: a person chooses first', async () => {
    answerFetch(() => 'lost');
    await enter('45.01');
    answerFetch(() => refused('bad-input', 422));
    await flushWaiting();
    answerFetch(() => 'lost');
    await enter('45.09');
    expect(typedOf()).toEqual(['45.01', '45.09']);
  });
});

describe('several pages of one device', () => {
  test('one sends at a time: while another page says that it does, this one does not', async () => {
    answerFetch(() => 'lost');
    await enter('45.01');
    localStorage.setItem('puddlestone.sending', `another-page ${Date.now() + 10_000}`);
    const asked = answerFetch(() => done);
    expect((await flushWaiting()).size).toBe(0);
    expect(asked).toEqual([]);
  });
  test('a page that went away without a word does not keep the others from sending', async () => {
    answerFetch(() => 'lost');
    await enter('45.01');
    localStorage.setItem('puddlestone.sending', `another-page ${Date.now() - 1}`);
    answerFetch(() => done);
    expect((await flushWaiting()).size).toBe(1);
  });
});

test('what is stored and cannot be read is nothing that waits', () => {
  localStorage.setItem('puddlestone.waiting.2', '{half');
  expect(readWaiting()).toEqual([]);
});

describe('what was refused after another of its job', () => {
  const again = async (settleFirst: () => void | Promise<void>) => {
    answerFetch(() => 'lost');
    await enter('45.01');
    await enter('45.02', 'A:90');
    answerFetch(({ body }) =>
      typedIn(body) === '45.01'
        ? refused('changed-meanwhile', 409, { theirs: { typed: '44.9', version: 3 } })
        : refused('bad-input', 422),
    );
    await flushWaiting();
    expect(readWaiting().map(({ error }) => error?.code)).toEqual(['changed-meanwhile', 'bad-input']);
    await settleFirst();
    return readWaiting().map(({ error }) => error?.code);
  };
  test('is tried again once that one is settled', async () => {
    const settleFirst = () => {
      const [first] = readWaiting();
      if (first) putSettled(first.key, { ...first, key: 'k-2', error: undefined } as unknown as typeof first);
    };
    expect(await again(settleFirst)).toEqual([undefined, undefined]);
  });
  test('is tried again once that one is dropped', async () => {
    expect(await again(() => dropWaiting(readWaiting()[0]?.key ?? ''))).toEqual([undefined]);
  });
});
