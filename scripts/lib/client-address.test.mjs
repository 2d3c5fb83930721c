import { IncomingMessage } from 'node:http';
import { Socket } from 'node:net';
import { readTrusted, settleForwarded } from './client-address.mjs';

/** @param {string} peer @param {Record<string, string>} headers */
function from(peer, headers) {
  const socket = new Socket();
  Object.defineProperty(socket, 'remoteAddress', { value: peer });
  const request = new IncomingMessage(socket);
  Object.assign(request.headers, headers);
  return request;
}
const said = {
  'x-forwarded-for': '203.0.113.9',
  'x-forwarded-proto': 'https',
  'x-forwarded-host': 'pumps.example',
  forwarded: 'for=203.0.113.9',
};

test('what anybody says of where they come from is taken out', () => {
  const request = from('192.0.2.7', { ...said });
  expect(settleForwarded(request, readTrusted(''))).toEqual({ client: '192.0.2.7', isSecure: false });
  expect(request.headers).toEqual({ 'x-forwarded-for': '192.0.2.7', 'x-forwarded-proto': 'http' });
});

test('a proxy that is believed says client, protocol and name', () => {
  const request = from('127.0.0.1', { ...said });
  expect(settleForwarded(request, readTrusted('127.0.0.1, 10.0.0.0/8'))).toEqual({
    client: '203.0.113.9',
    isSecure: true,
  });
  expect(request.headers).toEqual({
    'x-forwarded-for': '203.0.113.9',
    'x-forwarded-proto': 'https',
    'x-forwarded-host': 'pumps.example',
  });
});

test('of a chain the last address that no believed proxy has is the client; one that is no address is not taken', () => {
  const isTrusted = readTrusted('10.0.0.0/8');
  const chain = from('10.0.0.2', { 'x-forwarded-for': '198.51.100.1, 203.0.113.9, 10.0.0.5' });
  expect(settleForwarded(chain, isTrusted).client).toBe('203.0.113.9');
  const nonsense = from('10.0.0.2', { 'x-forwarded-for': '<script>' });
  expect(settleForwarded(nonsense, isTrusted).client).toBe('10.0.0.2');
});

test('a list with something that is no address is refused', () => {
  expect(() => readTrusted('127.0.0.1, my-proxy')).toThrow();
});
