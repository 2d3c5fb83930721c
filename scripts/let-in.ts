// npm run let-in -- ADDRESS: another password for somebody who has nobody to ask, such as the only owner.
import { letIn, startRuntime } from '@/server';

async function run(): Promise<void> {
  const [email] = process.argv.slice(2);
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set');
  if (!email) throw new Error('npm run let-in -- ADDRESS   gives the person with this mail address another password');
  const runtime = startRuntime(url);
  try {
    const { name, password } = await letIn(runtime.contextFor({ kind: 'service', name: 'Puddlestone' }), email);
    process.stdout.write(`${name} signs in with: ${password}\nIt is shown once. Choose another behind your name.\n`);
  } finally {
    runtime.pool.end();
  }
}

run().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(1);
});
