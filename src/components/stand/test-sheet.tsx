'use client';

import dynamic from 'next/dynamic';
import { useMemo, useState } from 'react';
import { pumpConditions, type PumpCondition, type RunDecision, type TestRun } from '@/core/record';
import { judgeRun, type JudgedRun } from '@/core/testing';
import { useAct } from '../act/use-act';
import { openedFrom, workOf, type StepWork } from '@/core/bench';
import { ActionPanel } from '../bench/action-panel';
import { sayMoment, type JobView, type SheetProps } from '../job/view';
import { Button, ErrorNote, issueFor, SelectField, TextField } from '../ui/form';
import { oneOf } from '../ui/form-data';
import { useAskedPlace } from '../ui/use-asked-place';
import { Working } from '../ui/working';

const CurveChart = dynamic(() => import('./curve-chart').then((module) => module.CurveChart), {
  ssr: false,
  loading: () => <p className="h-[456px] content-center text-center text-quiet">Drawing the curve …</p>,
});

/** What the simulated stand can pretend; a real stand has no such choice. */
const conditions = [
  ['sound', 'a sound pump'],
  ['internal leakage', 'a pump with worn rings'],
  ['air in the suction', 'a pump that draws air'],
] as const;

/** The stand: checks, run, curve against its band, and the tester's decision. */
export function TestSheet({ view, isHere }: SheetProps) {
  const { record } = view;
  useAskedPlace();
  const [picked, setPicked] = useState<number | null>(null);
  const run = record.runs.find((one) => one.run === picked) ?? record.runs.at(-1);
  return (
    <div className="grid gap-8 p-6 lg:grid-cols-[380px_1fr]">
      <div className="space-y-6">
        <Checks view={view} isHere={isHere} />
        <Stand view={view} isHere={isHere} onRun={() => setPicked(null)} />
      </div>
      <div>
        {record.runs.length > 1 && (
          <div role="group" aria-label="Runs" className="mb-2 flex gap-2">
            {record.runs.map((one) => (
              <button
                key={one.run}
                type="button"
                aria-pressed={one === run}
                onClick={() => setPicked(one.run)}
                className={`min-h-11 border-b-3 px-2 ${one === run ? 'border-jasper font-bold' : 'border-transparent text-quiet'}`}
              >
                Run {one.run}: {one.verdict}
              </button>
            ))}
          </div>
        )}
        {run ? (
          <RunShown key={run.id} view={view} run={run} isHere={isHere && run === record.runs.at(-1)} />
        ) : (
          <p className="text-quiet">No run yet. The curve and its verdict stand here after the first.</p>
        )}
      </div>
    </div>
  );
}

/** What is checked on the stand, action by action, as on the bench. */
function Checks(props: SheetProps) {
  const work = workOf(props.view.record, props.view.family, 'test');
  const left = work.filter((one) => !one.isDone).length;
  return (
    <section aria-label="Checks before the run" className="space-y-2">
      <h2 className="font-bold">
        Before the run{' '}
        <small className="font-normal text-quiet">
          {work.length - left} of {work.length} done
        </small>
      </h2>
      {work.map((step) => (
        <CheckStep key={step.step.id} {...props} work={step} />
      ))}
    </section>
  );
}

function CheckStep({ work, ...props }: SheetProps & { readonly work: StepWork }) {
  const [picked, setPicked] = useState<string | null>(null);
  const next = work.actions.find((one) => !one.answer && !one.waitsFor.length);
  const at = work.actions.find(({ action }) => action.id === picked) ?? next ?? work.actions.at(-1);
  return (
    <div id={`step-${work.step.id}`} className="row pt-2 first:border-0">
      {(work.isDone || work.actions.length > 1) && (
        <p className="text-quiet">
          {work.step.title}
          {work.row && work.isDone && `: ${work.row.personName}, ${sayMoment(work.row.at, props.view.zone)}`}
        </p>
      )}
      {at && !work.waitsFor.length && !work.isDone && (
        <ActionPanel
          key={`${at.action.id} ${at.stored?.version ?? 0}`}
          {...props}
          phase="test"
          work={work}
          at={at}
          onKept={() => setPicked(null)}
        />
      )}
    </div>
  );
}

function Stand({ view, isHere, onRun }: SheetProps & { readonly onRun: () => void }) {
  const { record, family } = view;
  const { duty } = record.intake;
  const [condition, setCondition] = useState<PumpCondition>('sound');
  const { run, error, isSending } = useAct();
  const start = async () => {
    if (await run('run-test', { tag: record.tag, condition })) onRun();
  };
  return (
    <section aria-label="Stand" id="run" className="space-y-3 border-t border-ink pt-3">
      <h2 className="font-bold">Run on the stand</h2>
      <p>
        {duty ? (
          <>
            Guarantee <b className="num">{duty.flowM3h}</b> m³/h at <b className="num">{duty.headM}</b> m,{' '}
            <span className="num">{duty.speedRpm}</span> rpm{duty.powerKw && <>, at most about {duty.powerKw} kW</>}.{' '}
            {family.test.kind === 'power'
              ? 'In the tank, without a curve: the power that it takes is judged.'
              : family.test.kind === 'slip'
                ? `Flow at ${family.test.pressure_shares.length} pressures, at least ${family.test.least_volumetric_pct} % of what the turns move.`
                : `Grade ${family.test.grade} of ISO 9906, ${family.test.flow_shares.length} points.`}
          </>
        ) : (
          'The duty is not written down at receiving; the stand has nothing to test against.'
        )}
      </p>
      <p className="border-l-4 border-ochre px-3 text-13">Stop at once when {family.test.stop_when.join(', or ')}.</p>
      {isHere && (
        <>
          <SelectField
            label="The simulated stand pretends"
            value={condition}
            onChange={(event) => setCondition(oneOf(pumpConditions, event.target.value))}
          >
            {conditions.map(([key, words]) => (
              <option key={key} value={key}>
                {words}
              </option>
            ))}
          </SelectField>
          <ErrorNote error={error} />
          <Button
            verb="run-test"
            tone="main"
            data-next
            className="w-full"
            disabled={isSending || !duty}
            onClick={start}
          >
            {isSending ? 'Running …' : `Run ${record.runs.length + 1} through the points`}
          </Button>
        </>
      )}
    </section>
  );
}

const pointTitles = ['Flow, m³/h', 'Head, m', 'Power, kW', 'Efficiency, %'];

/** What a line of a run says: flow, head, power, efficiency; of what has no curve the number of the reading and power. */
const pointCells = (point: JudgedRun['points'][number], reading: number | null): readonly string[] =>
  reading === null
    ? [point.flowM3h.toFixed(2), point.headM.toFixed(2), point.powerKw.toFixed(2), point.efficiencyPct.toFixed(1)]
    : [String(reading), point.powerKw.toFixed(2)];

function RunShown({ view, run, isHere }: { readonly view: JobView; readonly run: TestRun; readonly isHere: boolean }) {
  const judged = useMemo(
    () => judgeRun({ family: view.family, guarantee: run.guarantee, readings: run.points }),
    [view.family, run],
  );
  const warm = Math.max(...run.points.map((point) => point.bearingC));
  const rough = Math.max(...run.points.map((point) => point.vibrationMmS));
  return (
    <section aria-label={`Run ${run.run}`}>
      <div className="mb-2 flex flex-wrap items-start gap-x-4">
        <p className={`flex-1 border-l-4 px-3 text-18 ${judged.verdict === 'pass' ? 'border-moss' : 'border-jasper'}`}>
          <b>
            Run {run.run}: {judged.verdict}.
          </b>{' '}
          {judged.reason} <Working steps={judged.working} of={`Verdict of run ${run.run}`} />
        </p>
        <p className="text-13 text-quiet">
          {run.personName}, {sayMoment(run.at, view.zone)} · bearing to {warm.toFixed(0)} °C · vibration to{' '}
          {rough.toFixed(1)} mm/s
        </p>
      </div>
      {judged.warnings.map((sentence) => (
        <p key={sentence} className="text-13 text-ochre">
          {sentence}
        </p>
      ))}
      <CurveChart judged={judged} guarantee={run.guarantee} />
      <table className="mt-2 w-full text-right">
        <caption className="sr-only">Points of run {run.run} at the rated speed</caption>
        <thead className="text-13 text-quiet">
          <tr>
            {(judged.power ? ['Reading', 'Shaft power, kW'] : pointTitles).map((title) => (
              <th key={title} className="font-normal">
                {title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="num">
          {judged.points.map((point, i) => (
            <tr key={i} className="row">
              {pointCells(point, judged.power ? i + 1 : null).map((cell, k) => (
                <td key={k}>{cell}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {run.decision && (
        <p className="mt-3 border-l-4 border-slate px-3">
          {run.decision === 'passed'
            ? 'Passed'
            : run.decision === 'failed'
              ? 'Sent back to rebuild'
              : 'Accepted by concession'}{' '}
          by {run.decisionBy}
          {run.decisionReason && `: ${run.decisionReason}`}
          {run.reopenFrom && `, opened again from “${stepTitle(view, run.reopenFrom)}”`}
        </p>
      )}
      {isHere && !run.decision && <Decide view={view} run={run} />}
    </section>
  );
}

const stepTitle = ({ family }: JobView, id: string) => family.rebuild.find((step) => step.id === id)?.title ?? id;

function Decide({ view, run: testRun }: { readonly view: JobView; readonly run: TestRun }) {
  const { run, error, isBusy } = useAct();
  const [reason, setReason] = useState('');
  const { rebuild } = view.family;
  const [from, setFrom] = useState<string | null>(null);
  const opened = openedFrom(view.family, from);
  const decide = (decision: RunDecision) =>
    run('decide-run', {
      ...{ tag: view.record.tag, run: testRun.run, decision, reason },
      ...(decision === 'failed' && { reopenFrom: from }),
    });
  const hasPassed = testRun.verdict === 'pass';
  return (
    <section aria-label="Decision" className="mt-4 space-y-2 border-t border-ink pt-3">
      <h2 className="font-bold">The tester decides</h2>
      <TextField
        label={
          hasPassed ? 'Remark, needed only to send it back' : 'Reason, kept in the record and printed in the report'
        }
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        error={issueFor(error, 'reason')}
      />
      <SelectField
        label="If it goes back: opened again from"
        value={from ?? ''}
        onChange={(event) => setFrom(event.target.value || null)}
        error={issueFor(error, 'reopenFrom')}
      >
        <option value="">all of rebuild</option>
        {rebuild.map((step, i) => (
          <option key={step.id} value={step.id}>
            {i + 1}. {step.title}
          </option>
        ))}
      </SelectField>
      <p className="text-13 text-quiet">
        {opened.size} of {rebuild.length} steps are done and measured again; what stays closed stands as it is.
      </p>
      <ErrorNote error={error} />
      <div className="flex flex-wrap gap-2">
        {hasPassed && (
          <Button verb="decide-run" tone="main" disabled={isBusy} onClick={() => decide('passed')}>
            Passed, signed {view.person.name}
          </Button>
        )}
        <Button
          verb="decide-run"
          tone={hasPassed ? 'plain' : 'main'}
          disabled={isBusy}
          onClick={() => decide('failed')}
        >
          Back to rebuild
        </Button>
        {!hasPassed && (
          <Button verb="decide-run" disabled={isBusy} onClick={() => decide('concession')}>
            Accept by concession
          </Button>
        )}
      </div>
    </section>
  );
}
