'use client';

import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { againstFor, judgeAnswer, markAnswers, readValue, type ActionWork, type StepWork } from '@/core/bench';
import { actionTitle, elastomerOf, findPart, type AnswerForm } from '@/core/family';
import { missingOf, needsOf, partsOfStep } from '@/core/supply';
import { sayReason } from '@/core/errors';
import { openSupplements, type Answer, type BenchPhase } from '@/core/record';
import { useAct } from '../act/use-act';
import { stationHref, type SheetProps } from '../job/view';
import { Button, ErrorNote } from '../ui/form';
import { AnswerShown } from './answer-shown';
import { ActionWords } from './action-words';
import { BenchCautions } from './bench-cautions';
import { Consumables, useConsumable } from './consumables';
import {
  HeatEntry,
  KitEntry,
  MeasureEntry,
  PhotoEntry,
  SettingEntry,
  TextEntry,
  TorqueEntry,
  TurnEntry,
  ValueEntry,
  WordsEntry,
  NumberEntry,
} from './entries';
import type { EntryProps } from './entry';
import { FoundSomething } from './found-something';
import { LostElsewhere } from './lost-elsewhere';
import { Otherwise } from './otherwise';
import { ToolChooser, unitOf, useTool } from './tool-chooser';
import { correctionOf } from './correction';
import { commandOf, useEntry, type AnswerCommand } from './use-entry';

/** Few actions ask for one. */
const RecordEntry = dynamic(() => import('./record-entry').then((module) => module.RecordEntry));

interface Props extends SheetProps {
  readonly phase: BenchPhase;
  readonly work: StepWork;
  readonly at: ActionWork;
  /** After it is kept, or waits on this device. */
  readonly onKept: () => void;
}

/** Answers that are chosen by a button of their own; all others by the main button. */
const chosen: ReadonlySet<AnswerForm['kind']> = new Set(['check', 'choice', 'turn', 'photo']);

function EntryOf({ kindProps }: { readonly kindProps: EntryProps<AnswerForm> }) {
  const { form, isBusy, onKeep, entry } = kindProps;
  switch (form.kind) {
    case 'check':
      return <WordsEntry ask={form.ask} words={['yes', 'no']} isBusy={isBusy} onKeep={onKeep} />;
    case 'choice':
      return <WordsEntry ask={form.ask} words={form.choices} isBusy={isBusy} onKeep={onKeep} />;
    case 'mark':
      return form.agrees_with === undefined ? (
        <TextEntry {...kindProps} form={form} />
      ) : (
        <WordsEntry ask={form.ask} words={markAnswers} isBusy={isBusy} onKeep={onKeep} />
      );
    case 'count':
      return (
        <NumberEntry
          ask={form.ask}
          unit=""
          entry={entry}
          onKeep={onKeep}
          isNamed={form.ask !== actionTitle(kindProps.action)}
        />
      );
    case 'value':
      return <ValueEntry {...kindProps} form={form} />;
    case 'torque':
      return <TorqueEntry {...kindProps} form={form} />;
    case 'turn':
      return <TurnEntry {...kindProps} form={form} />;
    case 'note':
      return <TextEntry {...kindProps} form={form} />;
    case 'kit':
      return <KitEntry {...kindProps} form={form} />;
    case 'photo':
      return <PhotoEntry {...kindProps} form={form} />;
    case 'measure':
      return <MeasureEntry {...kindProps} form={form} />;
    case 'setting':
      return <SettingEntry {...kindProps} form={form} />;
    case 'heat':
      return <HeatEntry {...kindProps} form={form} />;
    case 'record':
      return <RecordEntry {...kindProps} form={form} />;
  }
}

/** What keeping it will say: "Keep 112 N·m and go on". */
function keepWords(form: AnswerForm | undefined, typed: string): string {
  if (!form) return 'Done, go on';
  if (form.kind === 'record') return 'Keep the record and go on';
  if (form.kind === 'measure') return 'Measured, go on';
  if (form.kind === 'setting' && form.mode === 'judge') return 'Seen, go on';
  const unit = form.kind === 'torque' ? ' N·m' : form.kind === 'heat' ? ' °C' : 'unit' in form ? ` ${form.unit}` : '';
  const isBare = /^[-\d.,\s]+$/.test(typed);
  return typed.trim() ? `Keep ${typed.trim()}${isBare ? unit.trimEnd() : ''} and go on` : 'Keep and go on';
}

/** What was found at teardown, and what is right, beside the entry. */
function HeldAgainst({ view, phase, at }: Pick<Props, 'view' | 'phase' | 'at'>) {
  const { record, family } = view;
  const form = at.action.answer;
  const { found, should } = againstFor({ record, family, phase, action: at.action });
  const own = form && 'should' in form ? form.should : undefined;
  const right = phase === 'teardown' ? undefined : (own ?? should ?? undefined);
  if (!found && right === undefined) return null;
  return (
    <p className="text-quiet">
      {right !== undefined && (
        <>
          Right here: <b className="text-ink">{right}</b>.{' '}
        </>
      )}
      {found && (
        <>
          Found at teardown: <b className="num text-ink">{found.typed}</b>
          {right !== undefined && found.typed !== String(right) && ', which was not right'}.
        </>
      )}
    </p>
  );
}

/** Said before it is sent: what cannot be meant, or is not right. */
function Judgement({ view, phase, at, typed }: Pick<Props, 'view' | 'phase' | 'at'> & { readonly typed: string }) {
  const { record, family } = view;
  const form = at.action.answer;
  const isJudged = form?.kind === 'value' || form?.kind === 'torque' || form?.kind === 'kit';
  if (!isJudged || !typed.trim()) return null;
  const { refused, wrong } = judgeAnswer(form, typed, againstFor({ record, family, phase, action: at.action }));
  const fault = refused ?? wrong;
  return (
    <p role="status" className={fault ? 'font-semibold text-jasper' : 'font-semibold text-moss'}>
      {fault ? sayReason(fault) : 'In order.'}
    </p>
  );
}

/** A step that waits for the answer to a supplement, with the way to it. */
function WaitsForAnswer({ view: { record }, work }: Pick<Props, 'view' | 'work'>) {
  const open = openSupplements(record).find(({ supplement }) => supplement?.stops.includes(work.step.id));
  if (!open) return null;
  return (
    <p role="status" className="border-l-4 border-jasper bg-sheet px-3 py-1">
      This step waits for the answer to{' '}
      <a className="font-semibold underline" href={stationHref(record, 'approve', `supplement-${open.revision}`)}>
        supplement {open.revision}
      </a>
      ; the other steps go on.
    </p>
  );
}

function WaitsForParts({ view, phase, work }: Pick<Props, 'view' | 'phase' | 'work'>) {
  const missing = missingOf(partsOfStep(work.step, phase), needsOf(view.record, view.family));
  if (!missing.length) return null;
  const words = missing.map(
    ({ name, quantity, received, dueOn }) =>
      `${name.toLowerCase()} (${quantity - received} of ${quantity}${dueOn ? `, due ${dueOn}` : ''})`,
  );
  return (
    <p role="status" className="border-l-4 border-jasper bg-sheet px-3 py-1">
      This step waits for {words.join(', ')}.
    </p>
  );
}

/** What a piece of a kit must be: as many, this number, and of rubber this job's elastomer. */
function PieceListed({
  view: { family, record },
  piece,
}: Pick<Props, 'view'> & { readonly piece: string | undefined }) {
  const part = piece === undefined ? undefined : findPart(family, piece);
  if (!part) return null;
  const rubber = elastomerOf(part, record.intake.elastomer);
  return (
    <p className="border-l-4 border-slate bg-paper px-3 py-2 text-18">
      <b className="num">{part.quantity}</b> × {part.name}, <span className="num">{part.number}</span>
      {rubber && (
        <>
          , <b>{rubber}</b>
        </>
      )}
    </p>
  );
}

/** One action: its words, what it is done with, the entry, and what it comes to. */
export function ActionPanel({ view, isHere, phase, work, at, onKept }: Props) {
  const { record } = view;
  const { action, answer } = at;
  const form = action.answer;
  const key = `${record.tag}.${phase}.${work.round}.${action.id}`;
  const { clear, ...entry } = useEntry(key);
  const { attempt, run, error, isBusy } = useAct();
  const [isChanging, setChanging] = useState(false);
  const [read, setRead] = useState<ReadonlySet<string>>(new Set());
  const consumable = useConsumable({ action, step: work.step, view });
  const typedValue = readValue(entry.typed, unitOf(action));
  const where = { action, view, value: typedValue.ok ? typedValue.value : null };
  const tool = useTool(where);
  const title = actionTitle(action);
  const [tried, setTried] = useState<AnswerCommand | null>(null);
  const made = (words: string, photoId: Answer['photoId']) =>
    commandOf({ view, phase, at, entry, read, consumable: consumable.what, tool: tool.code }, words, photoId);
  const done = () => {
    clear();
    setChanging(false);
    onKept();
  };
  const router = useRouter();
  const keep = async (words = entry.typed, photoId: Answer['photoId'] = null) => {
    const corrected = correctionOf(view, form, { title, words });
    // Found built otherwise: the construction is corrected first, then the answer is right.
    if (corrected && !(await run('correct-construction', corrected))) return;
    if (corrected) router.refresh();
    // An answer that stood here has followed the correction already.
    if (corrected && answer) return done();
    const sent = made(words, photoId);
    const label = `${title}: ${sent.typed || (photoId ? 'picture' : 'done')}`;
    const place = `${record.tag} ${phase} ${action.id}`;
    if ((await attempt('answer-action', sent, { label, place })) === 'refused') setTried(sent);
    else done();
  };
  const isOpen = isHere && (!answer || isChanging);
  const kindProps = form && {
    form,
    action,
    view,
    phase,
    entry,
    isBusy,
    onKeep: (typed?: string, photo?: Answer['photoId']) => void keep(typed, photo),
  };
  return (
    <section id={`action-${action.id}`} aria-label={title} className="scroll-mt-14 space-y-3">
      <h2 className="text-24 font-bold">{title}</h2>
      <BenchCautions
        ids={[...new Set([...work.step.cautions, ...action.cautions])]}
        view={view}
        read={read}
        isDone={Boolean(answer) || !isHere}
        onRead={setRead}
      />
      <ActionWords action={action} />
      <PieceListed view={view} piece={action.piece} />
      <WaitsForAnswer view={view} work={work} />
      <WaitsForParts view={view} phase={phase} work={work} />
      {answer && !isChanging && (
        <AnswerShown answer={answer} zone={view.zone} canChange={isHere} onChange={() => setChanging(true)} />
      )}
      {isOpen && (
        <>
          <Consumables action={action} step={work.step} view={view} chosen={consumable} />
          <ToolChooser {...where} chosen={tool} />
          <HeldAgainst view={view} phase={phase} at={at} />
          <LostElsewhere view={view} phase={phase} at={at} empty={made('', null)} onKept={done} />
          {kindProps && <EntryOf kindProps={kindProps} />}
          <Judgement view={view} phase={phase} at={at} typed={entry.typed} />
          <ErrorNote error={error} />
          <div className="flex flex-wrap gap-2">
            <FoundSomething view={view} parts={action.lights.length ? action.lights : work.step.parts} />
            {!(form && chosen.has(form.kind)) && !(form?.kind === 'mark' && form.agrees_with) && (
              <Button
                verb="answer-action"
                tone="main"
                data-next
                className="min-h-14 flex-1"
                disabled={isBusy}
                onClick={() => void keep()}
              >
                {keepWords(form, entry.typed)}
              </Button>
            )}
          </div>
          <Otherwise
            view={view}
            at={at}
            empty={made('', null)}
            tried={error?.issues.some(({ path }) => path === 'typed' || path === 'tool') ? tried : null}
            onKept={done}
          />
        </>
      )}
    </section>
  );
}
