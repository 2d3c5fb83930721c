import { z } from 'zod';
import { readTrusted } from './client-address.mjs';

/** @param {string} text */
function isListOfAddresses(text) {
  try {
    readTrusted(text);
    return true;
  } catch {
    return false;
  }
}

/** Everything that can be set from outside; listed in the README. */
export const environmentSchema = z.object({
  PORT: z.coerce.number().int().min(1).max(65535).default(4170),
  HOST: z.string().min(1).default('127.0.0.1'),
  PUDDLESTONE_DATA: z.string().min(1).optional(),
  DATABASE_URL: z
    .string()
    .regex(/^(mysql|mariadb):\/\//, 'must begin with mysql:// or mariadb://')
    .optional(),
  PUDDLESTONE_DEMO: z.enum(['0', '1']).default('1'),
  PUDDLESTONE_DEVICES: z.string().min(1).optional(),
  PUDDLESTONE_SECRET: z.string().min(32, 'needs 32 characters or more').optional(),
  PUDDLESTONE_BACKUPS: z.string().min(1).optional(),
  PUDDLESTONE_TRUSTED_PROXIES: z
    .string()
    .refine(isListOfAddresses, 'needs addresses or networks, with commas')
    .default(''),
  PUDDLESTONE_LOG: z.enum(['file', 'stdout']).default('file'),
  PUDDLESTONE_METRICS_PORT: z.coerce.number().int().min(1).max(65535).optional(),
  PUDDLESTONE_PROCESSES: z.coerce.number().int().min(1).max(32).optional(),
  PUDDLESTONE_HEAP_MB: z.coerce.number().int().min(128).max(16384).optional(),
  PUDDLESTONE_BUFFER_MB: z.coerce.number().int().min(16).max(1048576).optional(),
});

/** What is kept secret is not repeated. */
const secret = new Set(['PUDDLESTONE_SECRET', 'DATABASE_URL']);
/** @param {NodeJS.ProcessEnv} environment @param {string} name */
const sayValue = (environment, name) => (secret.has(name) ? '' : ` = "${environment[name]}"`);

/**
 * @param {NodeJS.ProcessEnv} environment
 * @param {(line: string) => never} fail
 */
export function readEnvironment(environment, fail) {
  const given = Object.fromEntries(
    Object.keys(environmentSchema.shape).flatMap((name) => (environment[name] ? [[name, environment[name]]] : [])),
  );
  const read = environmentSchema.safeParse(given);
  if (read.success) return read.data;
  return fail(
    `These settings cannot be used:\n${read.error.issues.map((issue) => `  ${issue.path.join('.')}${sayValue(environment, String(issue.path[0]))}: ${issue.message}`).join('\n')}`,
  );
}
