import type { JobView } from './view';

const listed = (names: readonly string[]) => names.join(', ') || 'nothing';

/** Of a pump that goes back otherwise than it came: what leaves and what comes, side by side. */
export function ConversionLine({ view: { conversion } }: { readonly view: JobView }) {
  if (!conversion) return null;
  return (
    <details className="border-b border-line bg-sheet px-6 py-2">
      <summary className="min-h-8 cursor-pointer content-center">
        <b>Conversion:</b> came as {conversion.came}, goes back as {conversion.goesBack}
      </summary>
      <dl className="grid gap-x-8 gap-y-2 py-2 sm:grid-cols-2">
        <div>
          <dt className="text-13 text-quiet">Leaves</dt>
          <dd>{listed(conversion.out)}</dd>
        </div>
        <div>
          <dt className="text-13 text-quiet">Comes</dt>
          <dd>{listed(conversion.into)}</dd>
        </div>
      </dl>
    </details>
  );
}
