import { spawnSync } from 'node:child_process';

/**
 * Whether a document is valid OpenAPI. The validator is an ES module that Jest cannot load, so it runs in a process of
 * its own.
 */
export function checkOpenApi(document: unknown): { readonly valid: boolean; readonly errors?: unknown } {
  const code =
    "import { Validator } from '@seriousme/openapi-schema-validator'; let text = ''; for await (const piece of process.stdin) text += piece; console.log(JSON.stringify(await new Validator().validate(JSON.parse(text))));";
  const done = spawnSync(process.execPath, ['--input-type=module', '-e', code], {
    input: JSON.stringify(document),
    encoding: 'utf8',
  });
  if (done.status !== 0) throw new Error(done.stderr);
  return JSON.parse(done.stdout) as { valid: boolean };
}
