import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';

// Suites that share one registry of modules: to load the core anew for each of a hundred and fifty took a third of the
// time of all of them. Each stands under its own name, and by itself it runs as before (`npx jest --selectProjects unit`).

const root = join(__dirname, '..', '..');

/** The suites in some folders, the largest first. */
function suitesIn(folders: readonly string[], isWanted: (path: string) => boolean): readonly string[] {
  return folders
    .flatMap((folder) =>
      readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' }).map((path) => `${folder}/${path}`),
    )
    .filter((path) => path.endsWith('.test.ts') && isWanted(path))
    .map((path) => ({ path, size: statSync(join(root, path)).size }))
    .sort((one, other) => other.size - one.size || (one.path < other.path ? -1 : 1))
    .map(({ path }) => path);
}

/** Declares every `of`th suite, from the `nth` on, each within its name. */
export function runTogether(
  folders: readonly string[],
  { nth, of, not = [] }: { readonly nth: number; readonly of: number; readonly not?: readonly string[] },
): void {
  const suites = suitesIn(folders, (path) => !not.some((one) => path.includes(one)));
  for (const path of suites.filter((_, i) => i % of === nth - 1))
    describe(path, () => {
      // A suite declares its tests when it is loaded.
      // eslint-disable-next-line @typescript-eslint/no-require-imports
      require(join(root, path));
    });
}
