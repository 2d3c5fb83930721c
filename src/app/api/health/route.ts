import { getRuntime } from '@/server';
import { version } from '../../../../package.json';

export const dynamic = 'force-dynamic';

/** Whether this copy lives, and whether its database answers: said within two seconds, whatever hangs. */
export async function GET(): Promise<Response> {
  const isUp = await getRuntime().isDatabaseUp();
  return Response.json(
    { status: isUp ? 'ok' : 'degraded', database: isUp ? 'ok' : 'away', version },
    { status: isUp ? 200 : 503, headers: { 'cache-control': 'no-store' } },
  );
}
