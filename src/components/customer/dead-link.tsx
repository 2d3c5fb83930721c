import { WordMark } from '../signs/stream';

/** What a customer reads whose link opens nothing any more: why that may be, and whom to ring. */
export function DeadLink({
  shop,
}: {
  readonly shop: { readonly name: string; readonly place: string; readonly telephone: string };
}) {
  return (
    <div className="mx-auto max-w-[640px] p-6">
      <p className="flex items-center gap-2 font-bold">
        <WordMark />
        {shop.name}, {shop.place}
      </p>
      <h1 className="mt-6 text-24 font-bold">This link does not open anything any more</h1>
      <p className="mt-2">
        It has run out, or we have taken it back, or it was not copied whole. Nothing that you answered before is lost.
      </p>
      <p className="mt-2">
        {shop.telephone ? (
          <>
            Ring us:{' '}
            <a className="font-semibold underline" href={`tel:${shop.telephone.replaceAll(' ', '')}`}>
              {shop.telephone}
            </a>
            , or answer our mail; we send you a new link.
          </>
        ) : (
          'Answer our mail; we send you a new link.'
        )}
      </p>
    </div>
  );
}
