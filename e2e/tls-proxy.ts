import { execFileSync, spawn } from 'node:child_process';
import { once } from 'node:events';
import { chmodSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import type { IncomingHttpHeaders } from 'node:http';
import { request, type RequestOptions } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** The name that the certificate is for, as in `deploy/nginx`. */
const host = 'pumps.example';

export interface Answered {
  readonly status: number;
  readonly headers: IncomingHttpHeaders;
  readonly text: string;
}

export interface TlsProxy {
  /** Where plain HTTP is answered. */
  readonly plain: string;
  /** Asks over TLS as the shop's name; throws what the connection throws. */
  readonly ask: (path: string, how?: RequestOptions & { body?: string }) => Promise<Answered>;
  readonly stop: () => Promise<void>;
}

/**
 * The reverse proxy that ships (`deploy/nginx/puddlestone.conf`), before a shop on loopback, with a certificate of its own:
 * of the file only the ports, the places of the certificate and the address behind it are others.
 * @param ports for plain HTTP and for TLS
 */
export async function startTlsProxy(
  nginx: string,
  behind: string,
  ports: readonly [number, number],
): Promise<TlsProxy> {
  if (!nginx) throw new Error('there is no nginx: the checks say above how it is installed');
  const folder = mkdtempSync(join(tmpdir(), 'tls-proxy-'));
  // Where root starts it, it works as nobody, who lays down here what a client has not read yet.
  chmodSync(folder, 0o711);
  const [key, certificate] = [join(folder, 'key.pem'), join(folder, 'certificate.pem')];
  execFileSync(
    'openssl',
    [
      ...['req', '-x509', '-newkey', 'ec', '-pkeyopt', 'ec_paramgen_curve:prime256v1', '-nodes', '-days', '2'],
      ...['-subj', `/CN=${host}`, '-addext', `subjectAltName=DNS:${host}`, '-keyout', key, '-out', certificate],
    ],
    { stdio: 'ignore' },
  );
  const changes: readonly [from: string, to: string][] = [
    ['server 127.0.0.1:4170;', `server ${new URL(behind).host};`],
    ['listen 80;', `listen 127.0.0.1:${ports[0]};`],
    ['listen 443 ssl;', `listen 127.0.0.1:${ports[1]} ssl;`],
    ['/etc/ssl/puddlestone/certificate.pem', certificate],
    ['/etc/ssl/puddlestone/key.pem', key],
  ];
  let site = readFileSync(join(process.cwd(), 'deploy/nginx/puddlestone.conf'), 'utf8');
  for (const [from, to] of changes) {
    if (!site.includes(from)) throw new Error(`deploy/nginx/puddlestone.conf has no “${from}”`);
    site = site.replace(from, to);
  }
  const kept = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'].map(
    (kind) => `${kind}_temp_path ${folder}/${kind};`,
  );
  const configuration = join(folder, 'nginx.conf');
  writeFileSync(
    configuration,
    `daemon off; pid ${folder}/nginx.pid; error_log stderr;\nevents {}\nhttp { access_log off; ${kept.join(' ')}\n${site}\n}\n`,
  );
  const child = spawn(nginx, ['-p', folder, '-c', configuration], { stdio: ['ignore', 'ignore', 'pipe'] });
  let said = '';
  child.stderr.on('data', (piece) => (said += String(piece)));
  const ended = once(child, 'exit');
  const plain = `http://127.0.0.1:${ports[0]}`;
  for (let tries = 0; ; tries++) {
    if (child.exitCode !== null || tries > 100) throw new Error(`nginx did not start: ${said}`);
    if (
      await fetch(plain, { redirect: 'manual' }).then(
        () => true,
        () => false,
      )
    )
      break;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  const ask: TlsProxy['ask'] = (path, { body, headers, ...how } = {}) =>
    new Promise((resolve, reject) => {
      const where = { host: '127.0.0.1', port: ports[1], servername: host, path, ca: readFileSync(certificate) };
      const asked = request({ ...where, ...how, headers: { host, ...headers }, agent: false }, (answer) => {
        let text = '';
        answer.on('data', (piece) => (text += String(piece)));
        answer.on('end', () => resolve({ status: answer.statusCode ?? 0, headers: answer.headers, text }));
      });
      asked.on('error', reject);
      asked.end(body);
    });
  const stop = async () => {
    child.kill('SIGTERM');
    await ended;
    rmSync(folder, { recursive: true, force: true });
  };
  return { plain, ask, stop };
}
