import { getRuntime, isMigrated } from '@/server';

export const dynamic = 'force-dynamic';

/** Whether this copy may be sent work: its database answers and is as this version needs it. */
export async function GET(): Promise<Response> {
  const isUp = await getRuntime().isDatabaseUp();
  const waitsFor = [...(isUp ? [] : ['database']), ...(isMigrated() ? [] : ['migration'])];
  return Response.json(
    { ready: waitsFor.length === 0, waitsFor },
    { status: waitsFor.length ? 503 : 200, headers: { 'cache-control': 'no-store' } },
  );
}
