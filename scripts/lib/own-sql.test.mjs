import { appendFileSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { follower, readsIn } from './own-sql.mjs';

// As MariaDB 10.11 writes it: a time where a second began, then tabs.
const log = [
  '261128 20:01:02\t     7 Connect\tpuddlestone@localhost on puddlestone using TCP/IP',
  '\t\t     7 Query\tset session wsrep_sync_wait = 7',
  '\t\t     7 Prepare\tselect `id` from `jobs` where `tag` = ?',
  "261128 20:01:03\t     7 Execute\tselect `id` from `jobs` where `tag` = 'P-0411'",
  '\t\t     8 Query\tselect a',
  ' from b',
  " where c = 'x\t9'",
  '\t\t     8 Query\tselect 1',
  '\t\t    12 Execute\tinsert into entries values (1)',
  '\t\t    12 Close stmt\t',
  '\t\t    12 Query\tcommit',
  '\t\t    12 Execute\t(select 2) union all (select 3)',
].join('\n');

test('what was read is told from what was prepared, written and asked by the driver itself', () => {
  expect(readsIn(log)).toEqual([
    "select `id` from `jobs` where `tag` = 'P-0411'",
    "select a\n from b\n where c = 'x\t9'",
    '(select 2) union all (select 3)',
  ]);
});

test('a file that grows is read from where it was left', () => {
  const folder = mkdtempSync(join(tmpdir(), 'own-sql-'));
  const path = join(folder, 'general.log');
  writeFileSync(path, 'one ');
  const more = follower(path);
  expect([more(), more()]).toEqual(['one ', '']);
  appendFileSync(path, 'two');
  expect(more()).toBe('two');
  rmSync(folder, { recursive: true });
});
