import { spawn } from 'node:child_process';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..', '..');
const sleep = (/** @type {number} */ ms) => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * Serves the built application and waits until it answers.
 * @param {{ port: number, host: string, environment: Readonly<Record<string, string>>, quiet?: boolean }} how
 */
export async function serve({ port, host, environment, quiet = false }) {
  const child = spawn(
    process.execPath,
    ['--max-old-space-size=256', join(root, 'scripts/serve-next.mjs'), String(port), host],
    {
      cwd: root,
      stdio: ['ignore', 'ignore', quiet ? 'ignore' : 'inherit'],
      env: { ...process.env, ...environment, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1' },
      detached: true,
    },
  );
  const ended = new Promise((resolve) => child.once('exit', resolve));
  let isOver = false;
  ended.then(() => (isOver = true));
  const address = `http://${host === '0.0.0.0' ? '127.0.0.1' : host}:${port}`;
  for (let i = 0; i < 600; i++) {
    if (isOver) throw new Error('The server ended before it answered.');
    const answer = await fetch(`${address}/api/health`).catch(() => null);
    if (answer?.ok) break;
    await sleep(100);
  }
  const stop = async () => {
    if (isOver) return;
    child.kill('SIGTERM');
    const late = setTimeout(() => child.kill('SIGKILL'), 5000);
    await ended;
    clearTimeout(late);
  };
  return { address, pid: child.pid, stop, ended };
}
