import type { Spare } from '@/core/history';

/** What lies on our shelf of a pump's parts, each with how many the pump has and where it lies; nothing where none does. */
export function SparesHeld({ spares }: { readonly spares: readonly Spare[] }) {
  if (!spares.length) return null;
  return (
    <ul aria-label="Spares on our shelf" className="flex flex-wrap gap-x-4 text-13">
      {spares.map(({ name, number, elastomer, quantity, needs, bin }) => (
        <li key={`${number} ${elastomer}`}>
          <b className="num">{quantity}</b> {name.toLowerCase()}
          {elastomer && ` ${elastomer}`}{' '}
          <span className="text-quiet">
            {needs > 1 && `of ${needs} in it, `}
            {bin && `bin ${bin}`}
          </span>
        </li>
      ))}
    </ul>
  );
}
