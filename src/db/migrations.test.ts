import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createConnection, type Connection, type RowDataPacket } from 'mysql2/promise';
import { present } from '@/core/present';
import { migrateDatabase } from '.';

const shipped = join(process.cwd(), 'src', 'db', 'migrations');
const name = 'puddlestone_carried_over';
const server = present(process.env.DATABASE_URL);
const url = server.replace(/\/[^/]*$/, `/${name}`);
let folder: string;
let connection: Connection;

/** The migrations as they were up to one of them. */
function foldUpTo(last: number): string {
  const copy = mkdtempSync(join(tmpdir(), 'migrations-'));
  cpSync(shipped, copy, { recursive: true });
  const path = join(copy, 'meta', '_journal.json');
  const journal = JSON.parse(readFileSync(path, 'utf8')) as { readonly entries: readonly { readonly idx: number }[] };
  writeFileSync(path, JSON.stringify({ ...journal, entries: journal.entries.filter(({ idx }) => idx <= last) }));
  return copy;
}

const rows = async (sql: string) => (await connection.query<RowDataPacket[]>(sql))[0];

/** An order of one job with one supplier, as it was before an order was the shop's. */
async function orderAsBefore(): Promise<void> {
  const who = "'person-1', 'Bram', '2026-11-20 09:00:00.000'";
  await connection.query(
    `INSERT INTO purchase_orders (id, job_id, number, supplier, acknowledgement, due_on, person_id, person_name, at)
     VALUES ('o-1', 'job-1', 'PO-00007', 'Old Parts', 'A-7', '2026-12-01', ${who}),
            ('o-2', 'job-1', 'PO-00008', 'Old Parts', NULL, NULL, ${who}),
            ('o-3', 'job-2', 'PO-00009', 'Other Parts', NULL, NULL, ${who})`,
  );
  await connection.query(
    `INSERT INTO purchase_order_lines (id, order_id, job_id, part_ref, number, quantity, sent)
     VALUES ('l-1', 'o-1', 'job-1', 'ring', 'R-1', 4, 3), ('l-2', 'o-1', 'job-1', 'face', 'F-1', 1, 0)`,
  );
  await connection.query(
    `INSERT INTO receipts (id, job_id, line_id, quantity, note, person_id, person_name, at)
     VALUES ('r-1', 'job-1', 'l-1', 1, '', ${who}), ('r-2', 'job-1', 'l-1', 1, '', ${who})`,
  );
  await connection.query(
    `INSERT INTO outbox (id, job_id, item, tries, due_at, created_at)
     VALUES ('x-1', 'job-1', '{"kind":"send-order","orderId":"o-2"}', 2, '2026-11-20 09:05:00', '2026-11-20 09:00:00')`,
  );
}

beforeAll(async () => {
  const root = await createConnection({ uri: server });
  await root.query(`DROP DATABASE IF EXISTS ${name}`);
  await root.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  await root.end();
  // Before steps had actions.
  folder = foldUpTo(3);
  await migrateDatabase(url, folder);
  connection = await createConnection({ uri: url, timezone: 'Z' });
  await orderAsBefore();
});
afterAll(async () => {
  await connection.end();
  rmSync(folder, { recursive: true });
});

test('what was captured and done before steps had actions is there after, as answers and steps that are done', async () => {
  const signed = "'person-1', 'Odile', '2026-11-21 08:00:00.125'";
  await connection.query(
    `INSERT INTO captures (job_id, phase, capture_id, text, value_mm, typed, photo_id, version, person_id, person_name, at)
     VALUES ('job-1', 'teardown', 'seal-length', '', 12.25, '12,25', NULL, 3, ${signed}),
            ('job-1', 'teardown', 'shim-places', 'two “thin” ones under the drive end', NULL, '', 'photo-1', 1, ${signed})`,
  );
  await connection.query(
    `INSERT INTO steps_done (job_id, phase, round, step_id, data, version, person_id, person_name, at)
     VALUES ('job-1', 'rebuild', 2, 'bearings', '{"ambientC":18}', 4, ${signed})`,
  );
  await connection.query(
    `INSERT INTO readings (job_id, phase, point_id, place, value_mm, typed, typed_unit, typed_digits, instrument_code, uncertainty_um, version, person_id, person_name, at)
     VALUES ('job-1', 'as-left', 'seat-bore', 'A:0', 48.012345, '48.012345', 'mm', 6, 'B-02', 1.5, 2, ${signed})`,
  );
  await connection.query(
    `INSERT INTO instruments (id, code, kind, uncertainty_um, due_on)
     VALUES ('tool-1', 'B-02', 'bore gauge', 1.5, '2027-01-31')`,
  );
  await migrateDatabase(url);
  expect(await rows('SELECT round, value, unit, uncertainty, conceded, version FROM readings')).toEqual([
    { round: 0, value: '48.012345', unit: 'mm', uncertainty: '0.001500', conceded: null, version: 2 },
  ]);
  expect(await rows('SELECT code, unit, uncertainty, range_low, range_high FROM instruments')).toEqual([
    { code: 'B-02', unit: 'mm', uncertainty: '0.001500', range_low: null, range_high: null },
  ]);
  const who = { person_id: 'person-1', person_name: 'Odile', at: new Date('2026-11-21T08:00:00.125Z') };
  const common = { job_id: 'job-1', phase: 'teardown', round: 1, state: 'done', conceded: 0, tool: null, ...who };
  expect((await rows('SELECT * FROM answers ORDER BY action_id')).map((row) => ({ ...row }))).toEqual([
    {
      ...common,
      ...{ action_id: 'seal-length', typed: '12,25', value: '12.250000', unit: 'mm', photo_id: null, version: 3 },
      data: {},
    },
    {
      ...common,
      ...{ action_id: 'shim-places', typed: '', value: null, unit: '', photo_id: 'photo-1', version: 1 },
      data: { text: 'two “thin” ones under the drive end' },
    },
  ]);
  expect(await rows('SELECT step_id, round, state, data, version, person_name FROM steps_done')).toEqual([
    { step_id: 'bearings', round: 2, state: 'done', data: { ambientC: 18 }, version: 4, person_name: 'Odile' },
  ]);
  expect(await rows("SHOW TABLES LIKE 'captures'")).toEqual([]);
});

test('an order of before is an order of the shop after: its supplier, its days, what came of it, what waits to go out', async () => {
  expect(await rows('SELECT name, is_usual FROM suppliers ORDER BY name')).toEqual([
    { name: 'Old Parts', is_usual: 1 },
    { name: 'Other Parts', is_usual: 0 },
  ]);
  expect(await rows('SELECT number, supplier, state, reference FROM shop_orders ORDER BY number')).toEqual([
    { number: 'PO-00007', supplier: 'Old Parts', state: 'acknowledged', reference: 'A-7' },
    { number: 'PO-00008', supplier: 'Old Parts', state: 'placed', reference: null },
    { number: 'PO-00009', supplier: 'Other Parts', state: 'placed', reference: null },
  ]);
  const lines = await rows(
    'SELECT position, code, quantity, price_minor, pieces FROM shop_order_lines ORDER BY position',
  );
  const piece = { elastomer: '', struck: 0 };
  expect(lines).toEqual([
    {
      ...{ position: 1, code: 'R-1', quantity: 4, price_minor: null },
      pieces: [{ ...piece, number: 'R-1', quantity: 4, sent: 3, received: 2 }],
    },
    {
      ...{ position: 2, code: 'F-1', quantity: 1, price_minor: null },
      pieces: [{ ...piece, number: 'F-1', quantity: 1, sent: 0, received: 0 }],
    },
  ]);
  expect(
    await rows("SELECT json_value(item, '$.kind') AS kind, json_value(item, '$.number') AS number FROM outbox"),
  ).toEqual([{ kind: 'place-order', number: 'PO-00008' }]);
});
