import { present } from '@/core/present';
import { carryOutDue, act, verifyAll, type Context } from '.';
import { listEvents } from '@/db';
import { takeOverOldJobs } from './take-over';
import { verifyOne } from './verify';
import { openTestShop, testIntake, testReceiving, type TestShop, plainFile } from '../../test-support/open-test-shop';
import { codeOf } from '../../test-support/told';

let shop: TestShop;
beforeAll(async () => void (shop = await openTestShop('record')));
afterAll(() => shop.close());

const query = async (statement: string, values: readonly unknown[] = []) => {
  const [rows] = await shop.runtime.pool.promise().query(statement, [...values]);
  return rows as Readonly<Record<string, unknown>>[];
};
const differenceOf = (tag: string) => verifyOne(shop.runtime.database, tag);

describe('the chain vouches for the tables', () => {
  let tag: string;
  let jobId: string;
  beforeAll(async () => {
    tag = await shop.play({ at: 'closed', part: 'failed once', visual: [['impeller', 'pitted inlet edges']] });
    jobId = present(await shop.load(tag)).id;
  });
  test('a job played through every station, with a failed test, is what its events give', async () => {
    expect(await differenceOf(tag)).toBeNull();
    expect((await listEvents(shop.runtime.database, present(await shop.load(tag)).id)).length).toBeGreaterThan(60);
  });
  test.each([
    ['readings', 'value', '45.5', 'reading'],
    ['quote_lines', 'unit_price_minor', 1, 'quoteLine'],
    ['approvals', 'name', 'Somebody Else', 'approval'],
    ['steps_done', 'second_name', 'Somebody Else', 'step'],
    ['test_runs', 'verdict', 'pass', 'run'],
    ['dispositions', 'reason', 'another', 'disposition'],
    ['jobs', 'promised_on', '2030-01-01', 'job'],
    ['answers', 'typed', '99', 'answer'],
  ])('a value altered in %s.%s is named, and nothing is when it is put back', async (table, column, other, kind) => {
    const key = table === 'jobs' ? 'id' : 'job_id';
    const [row] = await query(
      `select * from ${table} where ${key} = ? and ${column} is not null and ${column} <> ? limit 1`,
      [jobId, other],
    );
    const keys = Object.entries(present(row)).filter(
      ([name]) => /(^|_)(id|phase|round|place)$/.test(name) && present(row)[name] !== null,
    );
    const where = keys.map(([name]) => `${name} = ?`).join(' and ');
    const set = (value: unknown) =>
      query(`update ${table} set ${column} = ? where ${where}`, [value, ...keys.map(([, value]) => value)]);
    await set(other);
    const difference = await differenceOf(tag);
    expect(present(difference).what.startsWith(`${kind} `)).toBe(true);
    await set(present(row)[column]);
    expect(await differenceOf(tag)).toBeNull();
  });
  test('a row that is taken out, and a picture with other bytes, are named', async () => {
    const [photo] = await query('select id, bytes from photos where job_id = ? limit 1', [jobId]);
    await query('update photos set bytes = ? where id = ?', [Buffer.from('other'), present(photo).id]);
    expect(present(await differenceOf(tag)).what).toBe(`photo ${String(present(photo).id)}`);
    await query('update photos set bytes = ? where id = ?', [present(photo).bytes, present(photo).id]);
    await query('delete from receipts where job_id = ? limit 1', [jobId]);
    expect(await differenceOf(tag)).toMatchObject({ stored: 'no such row' });
  });
  test('all jobs are replayed, and each that differs is said by its tag', async () => {
    const good = await shop.play({ at: 'teardown' });
    const said: string[] = [];
    const count = await verifyAll(shop.runtime.database, (one) => said.push(one));
    expect(said).toEqual([tag]);
    expect(count).toBeGreaterThanOrEqual(2);
    expect(said).not.toContain(good);
  });
  test('the record drawer says it of its own job, and what each change was and is', async () => {
    const other = await shop.play({ at: 'receive', part: 'undeclared' });
    await shop.act('wenna', 'save-intake', { tag: other, basedOn: 1, intake: { ...testIntake, liquid: 'brine' } });
    const { events, difference } = await shop.act('wenna', 'read-events', { tag: other });
    expect(difference).toBeNull();
    expect(present(events.at(-1)).lines).toEqual(['as received: liquid pond water → brine']);
    expect((await shop.act('wenna', 'read-events', { tag })).difference).not.toBeNull();
  });
});

describe('jobs from before events held their changes', () => {
  test('get an opening event with their state, once, and are vouched for from there on', async () => {
    const tag = await shop.play({ at: 'quote' });
    const { id, version } = present(await shop.load(tag));
    // As an older copy left it: events without changes, their hashes as they were reckoned then.
    await query('update jobs set opened_seq = null where id = ?', [id]);
    const context = shop.contextOf('wenna');
    // Two copies that start at once, and one that read the list before the first was done.
    await Promise.all(Array.from({ length: 4 }, () => takeOverOldJobs(context)));
    const record = present(await shop.load(tag));
    expect(record.version).toBe(version + 1);
    const events = await listEvents(shop.runtime.database, record.id);
    expect(events.at(-1)).toMatchObject({ kind: 'record-taken-over', seq: version + 1 });
    expect(await takeOverOldJobs(context)).toBe(0);
    expect(await differenceOf(tag)).toBeNull();
    await shop.act('wenna', 'send-quote', { tag });
    expect(await differenceOf(tag)).toBeNull();
  });
});

describe('an entry with a key', () => {
  const key = (name: string) => `entry-${name}-0001`;
  const as = (person: string, name: string, madeAt: string | null = null): Context =>
    shop.contextOf(person, { entry: { key: key(name), madeAt } });
  test('is made once: a repeat gets the first answer, and nothing more is recorded', async () => {
    const tag = await shop.play({ at: 'receive', part: 'undeclared' });
    const body = { tag, basedOn: 1, intake: { ...testIntake, liquid: 'brine' } };
    const first = await act('save-intake', as('wenna', 'once'), body);
    const { version } = present(await shop.load(tag));
    expect(await act('save-intake', as('wenna', 'once'), body)).toEqual(first);
    expect(present(await shop.load(tag)).version).toBe(version);
  });
  test('is made once when it comes in five times at the same moment', async () => {
    const before = Number(present((await query('select count(*) n from jobs'))[0]).n);
    const answers = await Promise.all(
      Array.from({ length: 5 }, () => act('receive-pump', as('wenna', 'five'), testReceiving('FIVE-1'))),
    );
    expect(new Set(answers.map((answer) => answer.tag)).size).toBe(1);
    expect(Number(present((await query('select count(*) n from jobs'))[0]).n)).toBe(before + 1);
  });
  test('that cannot be remembered changes nothing, whatever it changes', async () => {
    const sent = { code: 'Z-99', kind: 'bore gauge', uncertainty: 0.003, dueOn: '2027-03-01' };
    const forgotten = shop.contextOf('sunniva', { entry: { key: 'x'.repeat(500), madeAt: null } });
    await expect(act('add-instrument', forgotten, sent)).rejects.toThrow('longer or larger than the record can hold');
    const instruments = () => query("select code from instruments where code = 'Z-99'");
    expect(await instruments()).toEqual([]);
    await act('add-instrument', as('sunniva', 'gauge'), sent);
    expect(await act('add-instrument', as('sunniva', 'gauge'), sent)).toHaveProperty('instrumentId');
    expect(await instruments()).toHaveLength(1);
  });
  test('is refused for another body, and for another person', async () => {
    const tag = await shop.play({ at: 'receive', part: 'undeclared' });
    const body = { tag, basedOn: 1, intake: testIntake };
    await act('save-intake', as('wenna', 'other'), body);
    expect(await codeOf(act('save-intake', as('wenna', 'other'), { ...body, basedOn: 2 }))).toBe('bad-input');
    expect(await codeOf(act('save-intake', as('ines', 'other'), body))).toBe('bad-input');
  });
  test('is made once, too, where its rule would take it a second time; nor does its key stand for another', async () => {
    const tag = await shop.play({ at: 'inspect' });
    const body = { tag, partRef: 'impeller', words: 'scored', plain: '', photoId: null };
    const first = await act('record-finding', as('marek', 'twice'), body);
    const record = await shop.load(tag);
    expect(await act('record-finding', as('marek', 'twice'), body)).toEqual(first);
    expect(await codeOf(act('record-finding', as('marek', 'twice'), { ...body, words: 'cracked' }))).toBe('bad-input');
    expect(await codeOf(act('record-finding', as('odile', 'twice'), body))).toBe('bad-input');
    expect(await shop.load(tag)).toEqual(record);
    expect(await differenceOf(tag)).toBeNull();
  });
  test('that was refused may be sent again with the same key', async () => {
    const tag = await shop.play({ at: 'receive', part: 'undeclared' });
    const body = { tag, event: 'begin-teardown' };
    expect(await codeOf(act('advance-job', as('ines', 'again'), body))).toBe('gate-shut');
    await shop.act('ines', 'confirm-isolation', { tag, basedOn: 1 });
    for (const caution of ['energy-isolation', 'harmful-liquid'])
      await shop.act('ines', 'acknowledge-caution', { tag, caution });
    expect(await codeOf(act('advance-job', as('ines', 'again'), body))).toBe('done');
  });
  test('is signed with the moment when it was made; the event says when it was recorded', async () => {
    const tag = await shop.play({ at: 'receive', part: 'undeclared' });
    const madeAt = '2026-11-20T06:30:00.000Z';
    await act('confirm-isolation', as('ines', 'made', madeAt), { tag, basedOn: 1 });
    const record = present(await shop.load(tag));
    expect(record.intake.isolation).toMatchObject({ personName: 'ines', at: madeAt });
    const last = present((await listEvents(shop.runtime.database, record.id)).at(-1));
    expect(last.at > madeAt).toBe(true);
    expect(JSON.parse(last.data)).toMatchObject({ madeAt });
    expect(await differenceOf(tag)).toBeNull();
  });
  test('of a device whose clock runs ahead is not made in the future', async () => {
    const tag = await shop.play({ at: 'receive', part: 'undeclared' });
    await act('confirm-isolation', as('ines', 'ahead', '2099-01-01T00:00:00.000Z'), { tag, basedOn: 1 });
    expect(present(present(await shop.load(tag)).intake.isolation).at < new Date(Date.now() + 1000).toISOString()).toBe(
      true,
    );
  });
});

describe('nothing is overwritten in silence', () => {
  test('isolation is confirmed once, and for the pump as it was described on that screen', async () => {
    const tag = await shop.play({ at: 'receive', part: 'undeclared' });
    await shop.act('wenna', 'save-intake', { tag, basedOn: 1, intake: { ...testIntake, hazards: 'acid' } });
    expect(await codeOf(shop.act('ines', 'confirm-isolation', { tag, basedOn: 1 }))).toBe('changed-meanwhile');
    await shop.act('ines', 'confirm-isolation', { tag, basedOn: 2 });
    expect(await codeOf(shop.act('odile', 'confirm-isolation', { tag, basedOn: 3 }))).toBe('wrong-state');
    expect(present(present(await shop.load(tag)).intake.isolation).personName).toBe('ines');
  });
  test('an answer is not given over by somebody who did not see it', async () => {
    const tag = await shop.play({ at: 'teardown', part: 'half' });
    const before = present(present(await shop.load(tag)).answers[0]);
    const again = shop.answer('odile', tag, 'teardown', { actionId: before.actionId, basedOn: 0 });
    expect(await codeOf(again)).toBe('changed-meanwhile');
    expect(present(await shop.load(tag)).answers[0]).toEqual(before);
  });
  test('a hold point is signed for the step as it was seen, and once', async () => {
    const tag = await shop.play({ at: 'rebuild', part: 'hold point' });
    const step = present(
      present(await shop.load(tag)).steps.find((one) => one.phase === 'rebuild' && !one.second && one.stepId),
    );
    const held = present(plainFile.written.rebuild.find((one) => one.hold_point));
    const sign = (person: string, basedOn: number) =>
      codeOf(shop.act('ines', 'sign-hold-point', { tag, stepId: held.id, basedOn, signer: shop.signerOf(person) }));
    expect(step).toBeDefined();
    expect(await sign('odile', 7)).toBe('changed-meanwhile');
    expect(await sign('odile', 1)).toBe('done');
    expect(await sign('marek', 2)).toBe('wrong-state');
  });
  test('a verdict and a disposition of somebody else are shown, not replaced', async () => {
    const tag = await shop.play({ at: 'inspect' });
    const judge = (person: string, basedOn: number) =>
      codeOf(shop.act(person, 'judge-point', { tag, pointId: 'wet-seat', decision: 'reuse', reason: 'fair', basedOn }));
    expect([await judge('marek', 0), await judge('wenna', 0), await judge('wenna', 1)]).toEqual([
      'done',
      'changed-meanwhile',
      'done',
    ]);
    const dispose = (person: string, basedOn: number) =>
      codeOf(
        shop.act(person, 'dispose', { tag, target: { pointId: 'wet-seat' }, action: 'clean', reason: 'dirt', basedOn }),
      );
    expect([await dispose('marek', 0), await dispose('wenna', 0), await dispose('wenna', 1)]).toEqual([
      'done',
      'changed-meanwhile',
      'done',
    ]);
  });
  test('one place twice in one body is refused, and nothing of it is kept', async () => {
    const tag = await shop.play({ at: 'inspect', part: 'half' });
    const entry = { pointId: 'sleeve-diameter', place: 'A:0', typed: '45', instrument: null, basedOn: 0 };
    const body = { tag, phase: 'as-found', entries: [entry, { ...entry, typed: '44' }] };
    const before = present(await shop.load(tag)).version;
    await expect(shop.act('marek', 'record-readings', body)).rejects.toThrow('stands twice');
    expect(present(await shop.load(tag)).version).toBe(before);
  });
});

describe('changes of one job at the same moment', () => {
  test('that do not touch each other are all made, each decided upon what the others left', async () => {
    const tag = await shop.play({ at: 'receive', part: 'undeclared' });
    const { version } = present(await shop.load(tag));
    await Promise.all([
      shop.act('ines', 'acknowledge-caution', { tag, caution: 'energy-isolation' }),
      shop.act('odile', 'acknowledge-caution', { tag, caution: 'harmful-liquid' }),
      shop.act('wenna', 'save-intake', { tag, basedOn: 1, intake: { ...testIntake, liquid: 'brine' } }),
      shop.act('wenna', 'take-picture', { tag, about: 'job:received', partRef: 'casing', caption: 'c' }),
    ]);
    const record = present(await shop.load(tag));
    expect(record.version).toBe(version + 4);
    expect(record.acknowledgements).toHaveLength(2);
    expect(record.intake.liquid).toBe('brine');
    expect(await differenceOf(tag)).toBeNull();
  });
});

describe('what follows a commit', () => {
  const failing = (person: string): Context => {
    const context = shop.contextOf(person);
    const fail = () => Promise.reject(new Error('the line is down'));
    const { standIns } = context;
    return {
      ...context,
      standIns: { ...standIns, mail: { send: fail }, supplier: { ...standIns.supplier, acknowledge: fail } },
    };
  };
  const stuckOf = (tag: string) =>
    query(
      'select o.tries, o.last_error, o.due_at from outbox o join jobs j on j.id = o.job_id where j.tag = ? and o.done_at is null',
      [tag],
    );
  const makeDue = () => query("update outbox set due_at = '2020-01-01' where due_at is not null");
  beforeAll(() => void jest.spyOn(console, 'error').mockImplementation(() => undefined));
  afterAll(() => jest.restoreAllMocks());

  test('a mail that cannot go does not undo the quote; it goes later, once', async () => {
    const tag = await shop.play({ at: 'quote' });
    await act('send-quote', failing('wenna'), { tag });
    expect(present(await shop.load(tag)).station).toBe('approve');
    expect(await stuckOf(tag)).toMatchObject([{ tries: 1, last_error: 'the line is down' }]);
    const shown = async () => (await shop.act('wenna', 'read-outbox', {})).stuck.filter((one) => one.tag === tag);
    expect(await shown()).toMatchObject([{ kind: 'mail-quote', tries: 1, lastError: 'the line is down' }]);
    const mailsOf = async () =>
      (await shop.act('wenna', 'read-outbox', {})).mails.filter((mail) => mail.subject.includes(tag));
    expect(await mailsOf()).toEqual([]);
    await makeDue();
    await carryOutDue(shop.contextOf('nobody'));
    await carryOutDue(shop.contextOf('nobody'));
    expect(await mailsOf()).toHaveLength(1);
    expect(await stuckOf(tag)).toEqual([]);
    expect(await shown()).toEqual([]);
  });
  test('a quote whose contact is gone is kept and said, not called done', async () => {
    const tag = await shop.play({ at: 'quote' });
    await act('send-quote', failing('wenna'), { tag });
    await query('update jobs set contact_id = null where tag = ?', [tag]);
    await makeDue();
    await carryOutDue(shop.contextOf('nobody'));
    expect(await stuckOf(tag)).toMatchObject([
      { tries: 2, last_error: 'the job has no contact any more: nobody gets this quote' },
    ]);
  });
  test('the secret of a link is forgotten once its mail has gone', async () => {
    const rows = await query('select item from outbox where done_at is not null');
    expect(rows.length).toBeGreaterThan(0);
    expect(JSON.stringify(rows)).not.toContain('token');
  });
  test('an order that the supplier does not answer stays ordered, and is acknowledged under the supplier’s name later', async () => {
    const tag = await shop.play({ at: 'parts' });
    await act('order-parts', failing('bram'), { tag });
    const waiting = present(present(await shop.load(tag)).orders[0]);
    expect([waiting.acknowledgement, waiting.dueOn]).toEqual([null, null]);
    expect(await codeOf(shop.act('bram', 'take-parcel', { tag, orderNumber: waiting.number }))).toBe('wrong-state');
    await makeDue();
    await carryOutDue(shop.contextOf('nobody'));
    const record = present(await shop.load(tag));
    expect(present(record.orders[0]).dueOn).toMatch(/^\d{4}-/);
    const last = present((await listEvents(shop.runtime.database, record.id)).at(-1));
    expect([last.kind, last.personName]).toEqual(['acknowledge-order', waiting.supplier]);
    expect(await differenceOf(tag)).toBeNull();
  });
  test('two copies that look at the same moment carry a row out once', async () => {
    const tag = await shop.play({ at: 'quote' });
    await act('send-quote', failing('wenna'), { tag });
    await makeDue();
    const done = await Promise.all([carryOutDue(shop.contextOf('nobody')), carryOutDue(shop.contextOf('nobody'))]);
    expect(present(done[0]) + present(done[1])).toBe(1);
  });
  test('an issued report has its PDF from there, and says so until it is written', async () => {
    const tag = await shop.play({ at: 'report' });
    const { number, revision } = await shop.act('wenna', 'issue-report', { tag });
    const read = () => shop.act('wenna', 'read-report', { number, revision, as: 'pdf' });
    expect((await read()).bytes.subarray(0, 5).toString()).toBe('%PDF-');
    await query('update reports set pdf = null where number = ?', [number]);
    await expect(read()).rejects.toThrow('is being written');
  });
});
