import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, relative, sep } from 'node:path';

/**
 * The same program in ASCII: one letter outside of Latin-1, such as a typographic quote, makes the engine keep every
 * letter of a file in two bytes.
 * @param {string} text of a script without raw templates
 */
export function inAscii(text) {
  return text.replace(/[^\0-\x7f]/g, (letter) => `\\u${letter.charCodeAt(0).toString(16).padStart(4, '0')}`);
}

const mapLine = /\n\/\/# sourceMappingURL=.*\s*$/;

/**
 * What is to stand in files that were built, where something else is to: the same in ASCII, and of files with the same
 * content a reference to the first. A build gives each page its own copy of what pages share, and a serving process keeps
 * the text of whatever it has loaded: that was a sixth of its memory.
 * @param {readonly (readonly [path: string, text: string])[]} files
 * @returns {ReadonlyMap<string, string>}
 */
export function thinned(files) {
  /** @type {Map<string, string>} */
  const firsts = new Map();
  return new Map(
    files.map(([path, text]) => {
      const content = text.replace(mapLine, '');
      // What is short may be anything; a list of modules is what Turbopack's runtime reads and does not change.
      const isModules = content.startsWith('module.exports=[');
      const first = isModules ? firsts.get(content) : undefined;
      if (isModules && first === undefined) firsts.set(content, path);
      if (first === undefined) return [path, inAscii(text)];
      const way = relative(dirname(path), first).split(sep).join('/');
      return [path, `module.exports=require(${JSON.stringify(way.startsWith('.') ? way : `./${way}`)});\n`];
    }),
  );
}

/** Makes what was built for the server small. @param {string} folder */
export function thinServer(folder) {
  const paths = readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .map((path) => join(folder, path))
    .filter((path) => path.endsWith('.js') && statSync(path).isFile())
    .sort();
  // Pages and routes have runtimes of their own: each keeps to its folder.
  /** @type {Map<string, [string, string][]>} */
  const byFolder = new Map();
  for (const path of paths) {
    const own = byFolder.get(dirname(path)) ?? [];
    byFolder.set(dirname(path), own);
    own.push([path, readFileSync(path, 'utf8')]);
  }
  for (const files of byFolder.values()) for (const [path, text] of thinned(files)) writeFileSync(path, text);
}
