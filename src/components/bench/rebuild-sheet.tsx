'use client';

import { present } from '@/core/present';
import { useMemo, useState, type ComponentProps } from 'react';
import { elastomersOfStep, suitableConsumables, type RebuildStep } from '@/core/family';
import { missingForStep, needsOf } from '@/core/parts';
import { rebuildRound } from '@/core/record';
import { bearingHeatLimitsC, isTabledBolt, reckonBearingHeat, reckonBoltTorque, SumRefusal } from '@/core/sums';
import { parseQuantity, type Dimension } from '@/core/units';
import type { ActError } from '../act/act';
import { useAct } from '../act/use-act';
import { useDraft } from '../act/use-draft';
import type { PointsBoard } from '../inspect/points-board';
import type { SheetProps } from '../job/view';
import type { PartState } from '../signs/section';
import { Button, ErrorNote } from '../ui/form';
import { FetchedAtOnce } from '../ui/fetched-at-once';
import { useAskedPlace, visitNow } from '../ui/use-asked-place';
import { Working } from '../ui/working';
import { BenchSection } from './bench-section';
import { CaptureField } from './capture-field';
import { Cautions } from './cautions';
import type { StepSettings } from './step-settings';
import { firstStep, StepList, stepOfHash, StepWords } from './step-list';

/** Rebuild in assembly order, then the as-left readings at the same points. */
export function RebuildSheet({ view, isHere }: SheetProps) {
  const { hash, visit } = useAskedPlace();
  const [choice, setChoice] = useState<{ tab: 'steps' | 'points'; visit: string } | null>(null);
  const tab = choice && choice.visit === visit ? choice.tab : hash.startsWith('#point-') ? 'points' : 'steps';
  const round = rebuildRound(view.record);
  const failed = view.record.runs.findLast((run) => run.decision === 'failed');
  return (
    <>
      {failed && (
        <p className="border-b border-line bg-sheet px-6 py-2">
          <b>Round {round}.</b> Run {failed.run} on the stand failed: {failed.decisionReason}. What was recorded before
          stays.
        </p>
      )}
      <div role="group" aria-label="What to see" className="flex gap-2 px-6 pt-3">
        {(
          [
            ['steps', 'Steps'],
            ['points', 'As-left readings'],
          ] as const
        ).map(([name, words]) => (
          <button
            key={name}
            type="button"
            aria-pressed={tab === name}
            onClick={() => setChoice({ tab: name, visit: visitNow() })}
            className={`min-h-11 border-b-3 px-1 ${tab === name ? 'border-jasper font-bold' : 'border-transparent text-quiet'}`}
          >
            {words}
          </button>
        ))}
      </div>
      {tab === 'steps' ? (
        <Steps view={view} isHere={isHere} />
      ) : (
        <AsLeft view={view} phase="as-left" canEdit={isHere} />
      )}
    </>
  );
}

function Steps({ view, isHere }: SheetProps) {
  const { record, family } = view;
  const steps = family.rebuild;
  const round = rebuildRound(record);
  const done = useMemo(
    () =>
      new Map(
        record.steps
          .filter((step) => step.phase === 'rebuild' && step.round === round)
          .map((step) => [step.stepId, step]),
      ),
    [record.steps, round],
  );
  const { hash, visit } = useAskedPlace();
  const [choice, setChoice] = useState<{ id: string; visit: string } | null>(null);
  const unsigned = steps.find((step) => step.hold_point && done.has(step.id) && !present(done.get(step.id)).second)?.id;
  const picked =
    choice && choice.visit === visit ? choice.id : (stepOfHash(hash, steps) ?? unsigned ?? firstStep(steps, done));
  const step = present(steps.find((one) => one.id === picked));
  const needs = needsOf(record, family);
  const fitted = new Set(steps.filter((one) => done.has(one.id)).flatMap((one) => one.parts));
  const everAdded = new Set(steps.flatMap((one) => one.parts));
  const states: Record<string, PartState> = Object.fromEntries(
    family.parts.map((part) => [
      part.ref,
      step.parts.includes(part.ref) && !done.has(step.id)
        ? 'now'
        : fitted.has(part.ref) || !everAdded.has(part.ref)
          ? 'here'
          : 'removed',
    ]),
  );
  const pick = (id: string) => setChoice({ id, visit: visitNow() });
  const noteOf = (id: string) => {
    const missing = missingForStep(present(steps.find((one) => one.id === id)).needs, needs);
    return missing.length
      ? `waits for ${missing.map((need) => need.name.toLowerCase()).join(', ')}`
      : present(steps.find((one) => one.id === id)).hold_point
        ? 'hold point'
        : '';
  };
  return (
    <div className="grid lg:grid-cols-[minmax(380px,5fr)_7fr]">
      <BenchSection
        family={family}
        hint="ochre: goes in now · dashed: still to come"
        states={states}
        onPickPart={(ref) => pick(steps.find((one) => one.parts.includes(ref))?.id ?? picked)}
        title={`Section, ${fitted.size} parts fitted`}
      />
      <div className="p-6 lg:pl-4">
        <h2 className="mb-1 font-bold">
          Rebuild{' '}
          <small className="font-normal text-quiet">
            {done.size} of {steps.length} steps done
          </small>
        </h2>
        <StepList steps={steps} done={done} picked={picked} zone={view.zone} onPick={pick} noteOf={noteOf}>
          <Step key={step.id + round} view={view} isHere={isHere} step={step} onDone={() => setChoice(null)} />
        </StepList>
      </div>
    </div>
  );
}

const refused = (what: string): ActError => ({
  code: 'bad-input',
  what,
  kept: 'What you typed is still there.',
  todo: 'Correct it and finish the step again.',
  issues: [],
});

function readAmount(text: string, dimension: Dimension, assume: string): { value?: number; sentence?: string } {
  if (!text.trim()) return {};
  const parsed = parseQuantity({ text, dimension, assume });
  return parsed.ok ? { value: Number(parsed.quantity.value.toFixed(3)) } : { sentence: parsed.sentence };
}

function Step({
  view,
  isHere,
  step,
  onDone,
}: SheetProps & { readonly step: RebuildStep; readonly onDone: () => void }) {
  const { record, family } = view;
  const round = rebuildRound(record);
  const own = record.steps.find((one) => one.phase === 'rebuild' && one.round === round && one.stepId === step.id);
  const { run, error, setError, isBusy } = useAct();
  const [read, setRead] = useState<ReadonlySet<string>>(new Set());
  const key = `${record.tag}.rebuild.${round}.${step.id}`;
  const [torque, setTorque] = useDraft(`${key}.torque`);
  const [ambient, setAmbient] = useDraft(`${key}.ambient`, '20');
  const [reached, setReached] = useDraft(`${key}.reached`);
  const suited = suitableConsumables(step, family, record.intake.elastomer);
  const [consumable, setConsumable] = useState(suited.length === 1 ? present(suited[0]).what : '');
  const missing = missingForStep(step.needs, needsOf(record, family));
  const finish = async () => {
    const typed = {
      torqueNm: readAmount(torque, 'torque', 'N·m'),
      temperatureC: readAmount(reached, 'temperature', '°C'),
      ambientC: readAmount(step.heat ? ambient : '', 'temperature', '°C'),
    };
    const wrong = Object.values(typed).find((one) => one.sentence);
    if (wrong) return setError(refused(present(wrong.sentence)));
    const values = Object.fromEntries(
      Object.entries(typed).flatMap(([name, one]) => (one.value === undefined ? [] : [[name, one.value]])),
    );
    if (
      !(await run(
        'finish-step',
        {
          tag: record.tag,
          phase: 'rebuild',
          stepId: step.id,
          basedOn: own?.version ?? 0,
          cautionsRead: [...read],
          ...values,
          ...(consumable && { consumable }),
        },
        { label: `Step “${step.title}” done`, place: `${record.tag} rebuild ${step.id}` },
      ))
    )
      return;
    setTorque(null);
    setReached(null);
    if (!step.hold_point) onDone();
  };
  return (
    <>
      <Cautions
        ids={step.cautions}
        read={read}
        isDone={Boolean(own) || !isHere}
        onRead={(id, isRead) => setRead(new Set(isRead ? [...read, id] : [...read].filter((one) => one !== id)))}
      />
      <StepWords step={step} />
      {missing.length > 0 && (
        <p role="status" className="border-l-4 border-jasper bg-sheet px-3 py-1">
          This step waits for{' '}
          {missing
            .map(
              (need) =>
                `${need.name.toLowerCase()} (${need.quantity - need.received} of ${need.quantity}${need.dueOn ? `, due ${need.dueOn}` : ''})`,
            )
            .join(', ')}
          .
        </p>
      )}
      {step.consumables.length > 0 && (
        <Consumables
          step={step}
          view={view}
          chosen={own ? String(own.data.consumable ?? '') : consumable}
          onChoose={setConsumable}
          isFixed={Boolean(own) || !isHere}
        />
      )}
      {step.heat && (
        <Heat
          heat={step.heat}
          ambient={own ? String(own.data.ambientC ?? '') : ambient}
          reached={own ? String(own.data.temperatureC ?? '') : reached}
          onAmbient={setAmbient}
          onReached={setReached}
          isFixed={Boolean(own) || !isHere}
        />
      )}
      {step.settings.length > 0 && <Settings step={step} record={record} family={family} />}
      {step.torque && (
        <Torque
          torque={step.torque}
          typed={own ? String(own.data.torqueNm ?? '') : torque}
          onType={setTorque}
          isFixed={Boolean(own) || !isHere}
        />
      )}
      {step.captures.map((capture) => (
        <CaptureField
          key={capture.id}
          tag={record.tag}
          zone={view.zone}
          lengthDisplay={view.lengthDisplay}
          phase="rebuild"
          stepId={step.id}
          partRef={step.parts[0] ?? 'casing'}
          capture={capture}
          taken={record.captures.find((one) => one.phase === 'rebuild' && one.captureId === capture.id)}
          before={record.captures.find((one) => one.phase === 'teardown' && one.captureId === capture.agrees_with)}
          canEdit={isHere}
        />
      ))}
      {step.measures.length > 0 && (
        <p className="text-13 text-quiet">
          As-left readings that belong here:{' '}
          {step.measures.map((id) => family.points.find((point) => point.id === id)?.title.toLowerCase()).join(', ')}.
        </p>
      )}
      <ErrorNote error={error} />
      {isHere && !own && (
        <Button verb="finish-step" tone="main" data-next className="w-full" disabled={isBusy} onClick={finish}>
          Step done
        </Button>
      )}
      {step.hold_point && own && (
        <HoldPoint
          view={view}
          isHere={isHere}
          stepId={step.id}
          version={own.version}
          by={own.personName}
          isOwn={own.personId === view.person.personId}
          signed={own.second?.personName ?? null}
        />
      )}
    </>
  );
}

/** The points are fetched when their tab is opened: most visits to this sheet are for the steps. */
function AsLeft(props: ComponentProps<typeof PointsBoard>) {
  return (
    <FetchedAtOnce
      fetchIt={() => import('../inspect/points-board').then((module) => module.PointsBoard)}
      props={props}
      waiting={<p className="p-6 text-quiet">Fetching the points.</p>}
    />
  );
}

/** Every sum comes with its schema: they are fetched when a step that has settings is opened. */
function Settings(props: ComponentProps<typeof StepSettings>) {
  return (
    <FetchedAtOnce
      fetchIt={() => import('./step-settings').then((module) => module.StepSettings)}
      props={props}
      waiting={<p className="text-quiet">Reckoning the settings.</p>}
    />
  );
}

function HoldPoint({
  view,
  isHere,
  stepId,
  version,
  by,
  isOwn,
  signed,
}: SheetProps & {
  readonly stepId: string;
  /** The step as it was done: what is signed is what was seen. */
  readonly version: number;
  readonly by: string;
  readonly isOwn: boolean;
  readonly signed: string | null;
}) {
  const { run, error, isBusy } = useAct();
  if (signed)
    return (
      <p className="border-l-4 border-moss px-3">
        Hold point: done by {by}, signed by {signed}.
      </p>
    );
  return (
    <div className="border-l-4 border-ochre bg-sheet px-3 py-2">
      <p>
        <b>Hold point.</b> {by} did it; a second person looks and signs.{' '}
        {isOwn && 'Somebody else takes over by PIN at the top right.'}
      </p>
      <ErrorNote error={error} />
      {isHere && (
        <Button
          verb="sign-hold-point"
          tone="main"
          className="mt-2"
          disabled={isBusy}
          onClick={() => run('sign-hold-point', { tag: view.record.tag, stepId, basedOn: version })}
        >
          Sign the hold point as {view.person.name}
        </Button>
      )}
    </div>
  );
}

function Consumables({
  step,
  view,
  chosen,
  onChoose,
  isFixed,
}: {
  readonly step: RebuildStep;
  readonly view: SheetProps['view'];
  readonly chosen: string;
  readonly onChoose: (what: string) => void;
  readonly isFixed: boolean;
}) {
  const { family, record } = view;
  const met = elastomersOfStep(step, family, record.intake.elastomer);
  const suited = suitableConsumables(step, family, record.intake.elastomer);
  return (
    <fieldset>
      <legend className="font-bold">
        Lubricant{' '}
        <small className="font-normal text-quiet">{met.length ? `by what ${met.join(' and ')} stands` : ''}</small>
      </legend>
      {step.consumables.map((one) => {
        const isSuited = suited.includes(one);
        return (
          <label key={one.what} className={`flex min-h-11 items-center gap-3 ${isSuited ? '' : 'text-quiet'}`}>
            <input
              type="radio"
              name={`consumable-${step.id}`}
              className="size-6 accent-(--ink)"
              disabled={isFixed || !isSuited}
              checked={chosen === one.what}
              onChange={() => onChoose(one.what)}
            />
            <span>
              <b>{one.what}</b>{' '}
              {isSuited
                ? one.use
                : `not offered: ${met.filter((elastomer) => !one.suits.includes(elastomer)).join(' and ')} swells in it`}
            </span>
          </label>
        );
      })}
    </fieldset>
  );
}

interface HeatProps {
  readonly heat: NonNullable<RebuildStep['heat']>;
  readonly ambient: string;
  readonly reached: string;
  readonly onAmbient: (text: string) => void;
  readonly onReached: (text: string) => void;
  readonly isFixed: boolean;
}

function Heat({ heat, ambient, reached, onAmbient, onReached, isFixed }: HeatProps) {
  const room = readAmount(ambient, 'temperature', '°C').value ?? 20;
  const sum = useMemo(() => {
    try {
      return reckonBearingHeat({ ...heat, ambient_c: room, school: 'computed' });
    } catch (error) {
      if (error instanceof SumRefusal) return null;
      throw error;
    }
  }, [heat, room]);
  return (
    <fieldset className="flex flex-wrap items-end gap-4">
      <legend className="font-bold">
        Bearing temperature{' '}
        <small className="font-normal text-quiet">
          {heat.bore_mm} mm bore on {heat.shaft}, never over {bearingHeatLimitsC[heat.sealed ? 'sealed' : 'open']} °C
        </small>
      </legend>
      <label className="text-13 text-quiet">
        Room, °C
        <input
          className="field num max-w-[110px]"
          readOnly={isFixed}
          value={ambient}
          onChange={(event) => onAmbient(event.target.value)}
        />
      </label>
      {sum && (
        <p className="pb-2">
          Heat to <b className="num text-24">{sum.result.temperature_c.toFixed(0)}</b> °C{' '}
          <Working steps={sum.working} of="Heating temperature" />
        </p>
      )}
      <label className="text-13 text-quiet">
        Reached, °C
        <input
          className="field num max-w-[120px]"
          readOnly={isFixed}
          value={reached}
          onChange={(event) => onReached(event.target.value)}
        />
      </label>
    </fieldset>
  );
}

/** By the standard's table, where the thread and the grade are in it. */
function standardTorque(torque: NonNullable<RebuildStep['torque']>) {
  try {
    return isTabledBolt(torque) ? reckonBoltTorque({ thread: torque.thread, grade: torque.grade }) : null;
  } catch (error) {
    if (error instanceof SumRefusal) return null;
    throw error;
  }
}

function Torque({
  torque,
  typed,
  onType,
  isFixed,
}: {
  readonly torque: NonNullable<RebuildStep['torque']>;
  readonly typed: string;
  readonly onType: (text: string) => void;
  readonly isFixed: boolean;
}) {
  const { min, max } = torque.window_nm;
  const value = readAmount(typed, 'torque', 'N·m').value;
  const standard = useMemo(() => standardTorque(torque), [torque]);
  const low = min - (max - min);
  const x = (nm: number) => Math.max(2, Math.min(238, ((nm - low) / (3 * (max - min))) * 240));
  return (
    <fieldset className="flex flex-wrap items-end gap-4">
      <legend className="font-bold">
        Torque{' '}
        <small className="font-normal text-quiet">
          {torque.bolts > 1 ? `${torque.bolts} × ` : ''}
          {torque.thread}, {torque.grade} · {torque.pattern}
        </small>
      </legend>
      <label className="text-13 text-quiet">
        Asked for {min} to {max} N·m
        <input
          aria-label="Torque reached"
          className="field num max-w-[140px]"
          readOnly={isFixed}
          value={typed}
          onChange={(event) => onType(event.target.value)}
        />
      </label>
      <svg
        width={240}
        height={34}
        role="img"
        aria-label={value === undefined ? 'no torque typed' : `${value} N·m, window ${min} to ${max} N·m`}
      >
        <line x1={0} x2={240} y1={22} y2={22} stroke="var(--line)" />
        <rect x={x(min)} y={17} width={x(max) - x(min)} height={10} fill="var(--slate)" />
        {value !== undefined && (
          <line
            x1={x(value)}
            x2={x(value)}
            y1={8}
            y2={32}
            stroke={value < min || value > max ? 'var(--jasper)' : 'var(--ink)'}
            strokeWidth={2.6}
          />
        )}
      </svg>
      {standard && (
        <p className="pb-1 text-13 text-quiet">
          by the sum {standard.result.torque_nm.toFixed(0)} N·m <Working steps={standard.working} of="Bolt torque" />
        </p>
      )}
    </fieldset>
  );
}
