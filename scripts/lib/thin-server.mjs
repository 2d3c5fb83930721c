import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/**
 * The same program in ASCII: one letter outside of Latin-1, such as a typographic quote, makes the engine keep every
 * letter of a file in two bytes.
 * @param {string} text of a script without raw templates
 */
export function inAscii(text) {
  return text.replace(/(\\*)([^\0-\x7f])/g, (_, before, letter) => {
    // A letter that is escaped though it need not be: its own escape would be taken for a stroke and letters.
    const strokes = before.length % 2 ? before.slice(1) : before;
    return `${strokes}\\u${letter.charCodeAt(0).toString(16).padStart(4, '0')}`;
  });
}

const mapLine = /\n\/\/# sourceMappingURL=.*\s*$/;

/**
 * What is to stand in the files of one folder of a build: the same in ASCII, and of files with the same content a
 * reference to the first. A build gives each page its own copy of what pages share, and a serving process keeps the text
 * of whatever it has loaded: that was a sixth of its memory.
 * @param {readonly (readonly [name: string, text: string])[]} files
 * @returns {readonly (readonly [name: string, text: string])[]}
 */
function thinned(files) {
  /** @type {Map<string, string>} */
  const firsts = new Map();
  return files.map(([name, text]) => {
    const content = text.replace(mapLine, '');
    // What is short may be anything; a list of modules is what Turbopack's runtime reads and does not change.
    if (!content.startsWith('module.exports=[')) return [name, inAscii(text)];
    const first = firsts.get(content);
    if (first !== undefined) return [name, `module.exports=require(${JSON.stringify(`./${first}`)});\n`];
    firsts.set(content, name);
    return [name, inAscii(text)];
  });
}

/** Makes what was built for the server small. @param {string} folder */
export function thinServer(folder) {
  const entries = readdirSync(folder, { withFileTypes: true });
  for (const entry of entries) if (entry.isDirectory()) thinServer(join(folder, entry.name));
  // Pages and routes have runtimes of their own: each keeps to its folder.
  const files = entries
    .filter((entry) => entry.isFile() && entry.name.endsWith('.js'))
    .map(({ name }) => /** @type {const} */ ([name, readFileSync(join(folder, name), 'utf8')]));
  for (const [name, text] of thinned(files)) writeFileSync(join(folder, name), text);
}
