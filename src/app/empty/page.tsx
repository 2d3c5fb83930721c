import { connection } from 'next/server';

/** The yardstick of the benchmarks: a dynamic page that does nothing. */
export default async function EmptyPage() {
  await connection();
  return <main>Nothing here</main>;
}
