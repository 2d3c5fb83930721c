import { actionTitle, type StepAction } from '@/core/family';

function Aside({ name, children }: { readonly name: string; readonly children: string }) {
  return (
    <div className="grid grid-cols-[112px_1fr] gap-x-2">
      <dt className="font-bold">{name}</dt>
      <dd>{children}</dd>
    </div>
  );
}

/** The movements of an action, one a line, then why, what usually goes wrong, and with what. */
export function ActionWords({ action }: { readonly action: StepAction }) {
  const { reason, mistake, tools } = action;
  // A line that is the heading already is not said twice.
  const lines = action.do.length > 1 || action.do[0] !== actionTitle(action) ? action.do : [];
  return (
    <div className="space-y-2">
      <ul className="text-18">
        {lines.map((line) => (
          <li key={line} className="grid grid-cols-[22px_1fr]">
            <span aria-hidden="true" className="text-quiet">
              –
            </span>
            {line}
          </li>
        ))}
      </ul>
      <dl className="space-y-1">
        {reason && <Aside name="Why">{reason}</Aside>}
        {mistake && <Aside name="Usual mistake">{mistake}</Aside>}
        {tools.length > 0 && <Aside name="With">{tools.join(', ')}</Aside>}
      </dl>
    </div>
  );
}
