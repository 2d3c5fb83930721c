import type { WorkingStep } from '@/core/sums';

/** The steps of a sum, as in a careful engineer's notebook. */
export function WorkingSteps({ steps }: { readonly steps: readonly WorkingStep[] }) {
  return (
    <ol>
      {steps.map((step, i) => (
        <li key={i} className="row py-1 first:border-0">
          <div className="flex justify-between gap-4">
            <span>{step.what}</span>
            <b className="num text-right">{step.outcome}</b>
          </div>
          {(step.formula || step.put) && (
            <div className="num text-13 text-quiet">{[step.formula, step.put].filter(Boolean).join('; ')}</div>
          )}
          {step.source && <div className="text-13 text-quiet">{step.source}</div>}
        </li>
      ))}
    </ol>
  );
}
