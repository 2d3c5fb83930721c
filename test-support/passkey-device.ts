import { createHash, createSign, generateKeyPairSync, randomBytes } from 'node:crypto';

/**
 * A person's device with one passkey, made of Node's own cryptography: W3C Web Authentication level 3, sections 6.1
 * (authenticator data) and 6.5.1 (attestation “none”); RFC 8949 (CBOR); RFC 9053 (ES256 keys).
 */

const sha256 = (bytes: Buffer | string) => createHash('sha256').update(bytes).digest();
const word = (value: object) => Buffer.from(JSON.stringify(value)).toString('base64url');

/** Head of a CBOR item: its kind in the three highest bits, then its length or value. */
function head(kind: number, value: number): Buffer {
  if (value < 24) return Buffer.from([(kind << 5) | value]);
  if (value < 256) return Buffer.from([(kind << 5) | 24, value]);
  return Buffer.from([(kind << 5) | 25, value >> 8, value & 255]);
}

type Item = number | string | Buffer | ReadonlyMap<number | string, Item>;
function cbor(item: Item): Buffer {
  if (typeof item === 'number') return item < 0 ? head(1, -1 - item) : head(0, item);
  if (typeof item === 'string') return Buffer.concat([head(3, Buffer.byteLength(item)), Buffer.from(item)]);
  if (Buffer.isBuffer(item)) return Buffer.concat([head(2, item.length), item]);
  return Buffer.concat([head(5, item.size), ...[...item].flatMap(([key, value]) => [cbor(key), cbor(value)])]);
}

/** Bits of the flags: the person was there, was asked who they are, and a new key follows. */
const [present, verified, attested] = [1, 4, 64];

export interface Lies {
  /** Another page than the one that asked. */
  readonly origin?: string;
  /** Another site than the one that the key is for. */
  readonly site?: string;
  /** The device did not ask who is there. */
  readonly isUnasked?: boolean;
}

export function passkeyDevice(origin: string) {
  const { privateKey, publicKey } = generateKeyPairSync('ec', { namedCurve: 'P-256' });
  const { x = '', y = '' } = publicKey.export({ format: 'jwk' });
  const id = randomBytes(32);
  let counter = 0;
  const client = (type: string, challenge: unknown, lies: Lies) =>
    word({ type, challenge, origin: lies.origin ?? origin, crossOrigin: false });
  const about = (flags: number, lies: Lies) => {
    const count = Buffer.alloc(4);
    count.writeUInt32BE(counter);
    const shown = lies.isUnasked ? flags & ~verified : flags;
    return Buffer.concat([sha256(lies.site ?? new URL(origin).hostname), Buffer.from([shown]), count]);
  };
  const named = { id: id.toString('base64url'), rawId: id.toString('base64url'), type: 'public-key' as const };
  return {
    id: named.id,
    /** Answers what a browser is asked when a passkey is made. */
    make(options: Readonly<Record<string, unknown>>, lies: Lies = {}) {
      const key = new Map<number, Item>([
        ...([
          [1, 2],
          [3, -7],
          [-1, 1],
        ] as const),
        [-2, Buffer.from(x, 'base64url')],
        [-3, Buffer.from(y, 'base64url')],
      ]);
      const credential = [Buffer.alloc(16), Buffer.from([0, id.length]), id, cbor(key)];
      const authData = Buffer.concat([about(present | verified | attested, lies), ...credential]);
      const statement = new Map<string, Item>([
        ['fmt', 'none'],
        ['attStmt', new Map()],
        ['authData', authData],
      ]);
      return {
        ...{ ...named, clientExtensionResults: {} },
        response: {
          clientDataJSON: client('webauthn.create', options.challenge, lies),
          attestationObject: cbor(statement).toString('base64url'),
          transports: ['internal' as const],
        },
      };
    },
    /** Answers what a browser is asked when somebody signs in. */
    prove(options: Readonly<Record<string, unknown>>, userId: string, lies: Lies = {}) {
      counter++;
      const clientDataJSON = client('webauthn.get', options.challenge, lies);
      const authenticatorData = about(present | verified, lies);
      const signed = Buffer.concat([authenticatorData, sha256(Buffer.from(clientDataJSON, 'base64url'))]);
      return {
        ...{ ...named, clientExtensionResults: {} },
        response: {
          clientDataJSON,
          authenticatorData: authenticatorData.toString('base64url'),
          signature: createSign('sha256').update(signed).sign(privateKey).toString('base64url'),
          userHandle: Buffer.from(userId).toString('base64url'),
        },
      };
    },
    /** As a copy of the device would count. */
    setBack: (to: number) => (counter = to),
  };
}
