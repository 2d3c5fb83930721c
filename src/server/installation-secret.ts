/** What this installation seals with; every copy of it has the same. Throws where it was not started by `npm start`. */
export function installationSecret(): string {
  const secret = process.env.PUDDLESTONE_SECRET;
  if (!secret) throw new Error('PUDDLESTONE_SECRET is not set: start with npm start');
  return secret;
}
