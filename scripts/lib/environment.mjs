import { z } from 'zod';

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
});

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
    `These settings cannot be used:\n${read.error.issues.map((issue) => `  ${issue.path.join('.')} = "${environment[String(issue.path[0])]}": ${issue.message}`).join('\n')}`,
  );
}
