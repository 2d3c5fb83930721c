import { Link } from '@/components/ui/link';

/** Words for an address where nothing is; inside the shop it stands in the page’s own main. */
export function NothingHere() {
  return (
    <div className="mx-auto max-w-[640px] p-8">
      <h1 className="text-24 font-bold">There is nothing at this address</h1>
      <p className="mt-2">Check the tag on the pump, or go back to the floor and look for the serial number.</p>
      <Link href="/" className="mt-4 inline-block font-semibold underline">
        To the floor
      </Link>
    </div>
  );
}

export default function NotFound() {
  return (
    <main>
      <NothingHere />
    </main>
  );
}
