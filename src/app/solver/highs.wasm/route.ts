import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

let bytes: Uint8Array<ArrayBuffer> | undefined;

/** The solver's WebAssembly, as the package ships it; the same for everybody, so a browser may keep it. */
export function GET(): Response {
  bytes ??= new Uint8Array(readFileSync(createRequire(`${process.cwd()}/package.json`).resolve('highs/runtime')));
  return new Response(bytes, {
    headers: { 'content-type': 'application/wasm', 'cache-control': 'public, max-age=86400' },
  });
}
