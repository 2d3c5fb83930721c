import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { inAscii, thinServer } from './thin-server.mjs';

const script = [
  'const pitch = `a “quote” – ${1 + 1} µm ≤ 5 °C, 😀`;',
  "const words = { 'Größe': '−3', plain: /^[“”]+$/u.test('“”'), emoji: /^😀$/u.test('😀') };",
  'const été = /[é–]/; // a comment with ×',
  String.raw`const dash = /^[\–\\–]$/, said = '\–\\–';`,
  'return [pitch, words, été.test("–"), dash.test("–"), dash.test("u"), said];',
].join('\n');

test('a script in ASCII gives what it gave', () => {
  const ascii = inAscii(script);
  expect(ascii).toMatch(/^[\0-\x7f]*$/);
  expect(new Function(ascii)()).toEqual(new Function(script)());
  expect(new Function(script)()).toEqual([
    'a “quote” – 2 µm ≤ 5 °C, 😀',
    { Größe: '−3', plain: true, emoji: true },
    ...[true, true, false, String.raw`–\–`],
  ]);
});

test('of what was built several times one stands, and the others lead to it; other files keep to themselves', () => {
  const folder = mkdtempSync(join(tmpdir(), 'thin-'));
  /** @param {string} name */
  const modules = (name, words = '“said”') =>
    `module.exports=[1,e=>{e.words='${words}'}];\n\n//# sourceMappingURL=${name}.js.map`;
  /** @param {string} path @param {string} text */
  const write = (path, text) => writeFileSync(join(folder, path), text);
  mkdirSync(join(folder, 'ssr'));
  // A route may be named like a script.
  mkdirSync(join(folder, 'worker.js'));
  for (const name of ['a', 'b', 'ssr/a']) write(`${name}.js`, modules(name));
  write('c.js', modules('c', 'other'));
  for (const name of ['d', 'e']) write(`${name}.js`, '"use strict";exports.x=1;');
  write('a.js.map', '“map”');
  thinServer(folder);
  /** @param {string} path */
  const text = (path) => readFileSync(join(folder, path), 'utf8');
  expect(text('b.js')).toBe('module.exports=require("./a.js");\n');
  expect(text('ssr/a.js')).toContain('\\u201csaid\\u201d');
  expect([text('d.js'), text('e.js'), text('a.js.map')]).toEqual([
    '"use strict";exports.x=1;',
    '"use strict";exports.x=1;',
    '“map”',
  ]);
  const load = createRequire(join(folder, 'x.cjs'));
  expect(load('./b.js')).toBe(load('./a.js'));
  const said = Object.entries({ './b.js': '“said”', './ssr/a.js': '“said”', './c.js': 'other' });
  for (const [path, words] of said) {
    const made = {};
    load(path)[1](made);
    expect(made).toEqual({ words });
  }
  rmSync(folder, { recursive: true });
});
