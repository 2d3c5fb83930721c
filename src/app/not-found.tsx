import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="mx-auto max-w-[640px] p-8">
      <h1 className="text-24 font-bold">There is nothing at this address</h1>
      <p className="mt-2">Check the tag on the pump, or go back to the floor and look for the serial number.</p>
      <Link href="/" className="mt-4 inline-block font-semibold underline">
        To the floor
      </Link>
    </main>
  );
}
