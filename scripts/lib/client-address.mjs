import { isIP } from 'node:net';
import proxyAddress from 'proxy-addr';

const forwarded = ['x-forwarded-for', 'x-forwarded-proto', 'x-forwarded-host', 'x-forwarded-port', 'forwarded'];

/**
 * Which proxies are believed, by their addresses or networks; none where nothing is said. Throws where a piece is no
 * address.
 * @param {string} text such as “127.0.0.1, 10.0.0.0/8”
 */
export function readTrusted(text) {
  return proxyAddress.compile(
    text
      .split(',')
      .map((one) => one.trim())
      .filter(Boolean),
  );
}

/** @param {string | string[] | undefined} value */
const firstOf = (value) =>
  String(value ?? '')
    .split(',')[0]
    ?.trim() ?? '';

/**
 * Leaves in a request what a believed proxy says of its client, and takes out what anybody else says: where the client
 * is, and by which protocol and name it came here.
 * @param {import('node:http').IncomingMessage} request changed in place
 * @param {ReturnType<typeof readTrusted>} isTrusted
 */
export function settleForwarded(request, isTrusted) {
  const { headers, socket } = request;
  const peer = socket.remoteAddress ?? '';
  const isBelieved = isTrusted(peer, 0);
  const said = proxyAddress(request, isTrusted);
  const client = isIP(said) ? said : peer;
  const proto = isBelieved && firstOf(headers['x-forwarded-proto']) === 'https' ? 'https' : 'http';
  const host = isBelieved ? firstOf(headers['x-forwarded-host']) : '';
  for (const name of forwarded) delete headers[name];
  headers['x-forwarded-for'] = client;
  headers['x-forwarded-proto'] = proto;
  if (host) headers['x-forwarded-host'] = host;
  return { client, isSecure: proto === 'https' };
}
