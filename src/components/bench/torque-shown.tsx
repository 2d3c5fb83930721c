'use client';

import { useMemo } from 'react';
import type { FormOf } from '@/core/family';
import { boltPattern, isTabledBolt, reckonBoltTorque } from '@/core/sums';
import { SumDrawing } from '../sums/drawings';
import { Working } from '../ui/working';

/** From so many bolts on, a crosswise order is drawn. */
const leastDrawn = 4;

/** What the strength of the bolt alone would give; the family's window governs, and says so. */
function ByStrength({ form: { thread, grade } }: { readonly form: FormOf<'torque'> }) {
  const bolt = { thread, grade };
  if (!isTabledBolt(bolt)) return null;
  const { result, working } = reckonBoltTorque(bolt);
  return (
    <p>
      By the bolt’s strength alone, dry: <span className="num">{result.torque_nm.toFixed(0)}</span> N·m{' '}
      <Working steps={working} of="Torque by strength" />. The family’s window governs: it knows the joint.
    </p>
  );
}

/** The order of the bolts, drawn, with the passes; and the torque by strength beside the window. */
export function TorqueShown({ form }: { readonly form: FormOf<'torque'> }) {
  const { bolts, pattern, passes_pct = [100] } = form;
  const isCrosswise = bolts >= leastDrawn && /crosswise/.test(pattern);
  const outcome = useMemo(
    () => (isCrosswise ? boltPattern.compute({ bolts, passes_pct, final_round: /round/.test(pattern) }) : null),
    [isCrosswise, bolts, passes_pct, pattern],
  );
  return (
    <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
      {outcome && (
        <div className="w-[200px]">
          <SumDrawing id="bolt-pattern" input={{ bolts }} result={outcome.result} />
        </div>
      )}
      <div className="min-w-[180px] flex-1 space-y-2 text-13 text-quiet">
        {outcome && (
          <p>
            {outcome.result.passes.map(({ pct }) => `${pct} %`).join(', ')}: each pass in this order
            {/round/.test(pattern) && ', the last one round'}.
          </p>
        )}
        <ByStrength form={form} />
      </div>
    </div>
  );
}
