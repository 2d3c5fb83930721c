import { hash, verify } from '@node-rs/argon2';

/** Argon2id with the package's defaults (19 MiB, two passes), which follow OWASP's advice. */
export async function hashSecret(secret: string): Promise<string> {
  return hash(secret);
}

export async function isSecretRight(stored: string, secret: string): Promise<boolean> {
  return verify(stored, secret).catch(() => false);
}
