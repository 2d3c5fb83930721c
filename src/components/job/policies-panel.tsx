'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { matterTable, policiesInForce, type PolicyInForce } from '@/core/policies';
import { sheetsOf } from '@/core/record';
import { useAct } from '../act/use-act';
import { useDraftState } from '../act/use-draft-state';
import { Button, ErrorNote, issueFor, SelectField, TextField } from '../ui/form';
import type { JobView } from './view';

function Depart({
  view,
  policy,
  onKept,
}: {
  readonly view: JobView;
  readonly policy: PolicyInForce;
  readonly onKept: () => void;
}) {
  const { record } = view;
  const { run, error, isBusy } = useAct();
  const router = useRouter();
  const others = matterTable[policy.matter].schools.filter(({ id }) => id !== policy.school.id);
  const [{ school, reason }, change, forget] = useDraftState(`policy.${record.tag}.${policy.matter}`, {
    school: others[0]?.id ?? '',
    reason: '',
  });
  const basedOn = sheetsOf(record, 'policy').find(({ key }) => key === policy.matter)?.version ?? 0;
  const keep = async () => {
    const sent = { tag: record.tag, basedOn, policy: { matter: policy.matter, school, reason } };
    if (!(await run('choose-policy', sent))) return;
    forget();
    onKept();
    // Steps, limits and sums of this page follow.
    router.refresh();
  };
  return (
    <div className="space-y-2 border-l-4 border-ochre py-1 pl-3">
      <SelectField label="In this job" value={school} onChange={(event) => change({ school: event.target.value })}>
        {others.map(({ id, words }) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </SelectField>
      <TextField
        label="Why"
        value={reason}
        error={issueFor(error, 'policy.reason')}
        onChange={(event) => change({ reason: event.target.value })}
      />
      <ErrorNote error={error} />
      <Button verb="choose-policy" disabled={isBusy} onClick={() => void keep()}>
        Depart from the shop’s way, as {view.person.name}
      </Button>
    </div>
  );
}

/** The ways that this job follows; one may be departed from by name and with a reason, and the report says so. */
export function PoliciesPanel({ view }: { readonly view: JobView }) {
  const [open, setOpen] = useState<string | null>(null);
  const isFixed = !['receive', 'teardown', 'clean', 'inspect', 'quote', 'approve', 'parts', 'rebuild'].includes(
    view.record.station,
  );
  return (
    <div>
      <p className="mb-2 text-13 text-quiet">
        As the shop did when the pump came in. What departs is printed in the report with its name and reason; what was
        done before stays as it was.
      </p>
      <ul>
        {policiesInForce(view.record).map((policy) => (
          <li key={policy.matter} className="row py-2 first:border-0">
            <div className="flex items-baseline gap-3">
              <span className="flex-1">
                {matterTable[policy.matter].title}
                <b className="block">{policy.school.words}</b>
                {policy.by && (
                  <small className="block text-quiet">
                    departs from the shop: {policy.reason} ({policy.by})
                  </small>
                )}
              </span>
              {!isFixed && (
                <button
                  type="button"
                  className="min-h-9 underline"
                  aria-expanded={open === policy.matter}
                  aria-label={`Otherwise: ${matterTable[policy.matter].title}`}
                  onClick={() => setOpen(open === policy.matter ? null : policy.matter)}
                >
                  otherwise
                </button>
              )}
            </div>
            {open === policy.matter && <Depart view={view} policy={policy} onKept={() => setOpen(null)} />}
          </li>
        ))}
      </ul>
    </div>
  );
}
