// Used by the benchmark: the same report by LibreOffice, and the same search in a sheet of as many jobs as the record has
// (20 000 at most), beside the product's. Arguments: address of the server, a cookie. Needs soffice and python3-uno.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { stringify } from 'csv-stringify/sync';
import { createConnection, type RowDataPacket } from 'mysql2/promise';
import * as z from 'zod';
import { present } from '@/core/present';
import { readPdfText } from '../test-support/read-pdf-text';
import { reportForBench, timesOfReport } from './lib/bench-report';

const [base = '', cookie = ''] = process.argv.slice(2);
const texts = ['vantry', '22871', 'nobodyofthisname', 'P-0406'];
const mostRows = 20_000;
const median = (times: readonly number[]) => present(times.toSorted((a, b) => a - b)[Math.floor(times.length / 2)]);
const line = (name: string, value: string) => process.stdout.write(`${name.padEnd(46)} ${value}\n`);
const escaped = (text: string) => text.replace(/[&<>]/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** Words of a page in lines of a usual length. */
const linesOf = (page: string) => page.match(/.{1,90}(?:\s|$)/g) ?? [];

/** A text document, flat XML, with the words of a report's pages, each line a paragraph, and its pictures. */
function documentOf(
  pages: readonly string[],
  pictures: readonly { readonly bytes: Buffer; readonly caption: string }[],
): string {
  const paragraphs = pages.flatMap(linesOf).map((one) => `<text:p>${escaped(one)}</text:p>`);
  const frames = pictures.map(
    ({ bytes, caption }, i) =>
      `<text:p><draw:frame draw:name="p${i}" text:anchor-type="as-char" svg:width="8cm" svg:height="6cm"><draw:image>` +
      `<office:binary-data>${bytes.toString('base64')}</office:binary-data></draw:image></draw:frame> ${escaped(caption)}</text:p>`,
  );
  const spaces = ['office', 'text', 'drawing'].map(
    (one) => `xmlns:${one === 'drawing' ? 'draw' : one}="urn:oasis:names:tc:opendocument:xmlns:${one}:1.0"`,
  );
  return (
    `<?xml version="1.0" encoding="UTF-8"?><office:document ${spaces.join(' ')} ` +
    'xmlns:svg="urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0" office:version="1.3" ' +
    'office:mimetype="application/vnd.oasis.opendocument.text"><office:body><office:text>' +
    `${[...paragraphs, ...frames].join('')}</office:text></office:body></office:document>`
  );
}

const said = z.object({
  startMs: z.number(),
  reportMs: z.array(z.number()),
  loadMs: z.number(),
  searches: z.record(z.string(), z.object({ found: z.number(), ms: z.number() })),
});

/** The sheet that a shop would keep: one row a job. */
async function writeSheet(path: string): Promise<number> {
  const connection = await createConnection(present(process.env.DATABASE_URL));
  const [rows] = await connection.query<RowDataPacket[]>(
    `select j.tag, p.maker, p.model, p.serial, c.name as customer, j.station, j.promised_on, j.search_text
     from jobs j join pumps p on p.id = j.pump_id join customers c on c.id = j.customer_id
     order by j.closed_at is not null, j.opened_at desc limit ?`,
    [mostRows],
  );
  await connection.end();
  writeFileSync(path, stringify(rows, { header: true }));
  return rows.length;
}

async function timeFind(text: string): Promise<number> {
  const start = performance.now();
  const answer = await fetch(`${base}/api/find?text=${encodeURIComponent(text)}`, { headers: { cookie } });
  await answer.arrayBuffer();
  if (!answer.ok) throw new Error(`find ${text}: ${answer.status}`);
  return performance.now() - start;
}

async function main(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'puddlestone-office-'));
  try {
    const { write, pictures } = await reportForBench();
    const pdf = await write();
    const pages = await readPdfText(pdf);
    writeFileSync(join(folder, 'report.fodt'), documentOf(pages, pictures));
    const rows = await writeSheet(join(folder, 'jobs.csv'));
    const own = median(await timesOfReport(write));
    const done = spawnSync('/usr/bin/python3', [join(import.meta.dirname, 'lib', 'office.py'), folder, ...texts], {
      encoding: 'utf8',
      timeout: 300_000,
    });
    if (done.status !== 0) throw new Error(`LibreOffice: ${done.stderr}`);
    const office = said.parse(JSON.parse(done.stdout.trim().split('\n').at(-1) ?? ''));
    const theirs = median(office.reportMs);
    line(
      'the same report, 30 pictures, as PDF',
      `${own.toFixed(0)} ms; LibreOffice ${theirs.toFixed(0)} ms once it runs (${office.startMs.toFixed(0)} ms to start): ${(theirs / own).toFixed(1)} times`,
    );
    line(`a sheet of ${rows} rows`, `LibreOffice opens it in ${office.loadMs.toFixed(0)} ms`);
    for (const text of texts) {
      const times: number[] = [];
      for (let i = 0; i < 9; i++) times.push(await timeFind(text));
      const { ms, found } = present(office.searches[text]);
      const mine = median(times);
      line(
        `find “${text}”`,
        `${mine.toFixed(0)} ms; in the open sheet ${ms.toFixed(0)} ms (${found} cells): ${(ms / mine).toFixed(1)} times`,
      );
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

main().then(
  () => process.exit(0),
  (error: unknown) => {
    console.error(error);
    process.exit(1);
  },
);
