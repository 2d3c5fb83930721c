'use client';

import { useState } from 'react';
import { judgePoints } from '@/core/inspection';
import {
  madeShapes,
  measuredFrom,
  type MadePart,
  type MadeShape,
  type MeasuredFrom,
  type SheetOf,
} from '@/core/record';
import { judgeSketch, limitsOfDimension, madeOf, sketchTable } from '@/core/supply';
import { formatMoney } from '@/core/units';
import { useAct } from '../act/use-act';
import { useDraftState } from '../act/use-draft-state';
import { sayMoment, type JobView } from '../job/view';
import { readMoney, writeMoney } from '../quote/money';
import { Button, ErrorNote, issueFor, SelectField, TextField } from '../ui/form';
import { SketchDrawing } from './sketch-drawing';

interface Typed {
  readonly why: string;
  readonly from: MeasuredFrom;
  readonly fromWords: string;
  readonly shape: MadeShape;
  readonly sizes: Readonly<Record<string, { readonly nominal: string; readonly tolerance: string }>>;
  readonly bears: boolean;
  readonly material: string;
  readonly lot: string;
  readonly oldMaterial: string;
  readonly hardness: string;
  readonly machine: string;
  readonly minutes: string;
  readonly materialPrice: string;
  readonly dueOn: string;
}

const shapeFor = (name: string): MadeShape =>
  /gasket/i.test(name) ? 'gasket' : /sleeve/i.test(name) ? 'sleeve' : /cap|cover|plate/i.test(name) ? 'cap' : 'bush';

function firstTyped(view: JobView, partRef: string, made: MadePart | undefined): Typed {
  const part = view.family.parts.find(({ ref }) => ref === partRef);
  return {
    ...{ why: made?.why ?? '', from: made?.from ?? 'old part', fromWords: made?.fromWords ?? '' },
    shape: made?.shape ?? shapeFor(part?.name ?? ''),
    sizes: Object.fromEntries(
      (made?.dimensions ?? []).map(({ id, nominal, tolerance }) => [id, { nominal: String(nominal), tolerance }]),
    ),
    ...{ bears: made?.bears ?? true, material: made?.material ?? '', lot: made?.lot ?? '' },
    ...{ oldMaterial: made?.oldMaterial ?? part?.material ?? '', hardness: made?.hardness ?? '' },
    ...{ machine: made?.machine ?? 'lathe', minutes: String(made?.minutesGuess ?? '') },
    ...{ materialPrice: made ? writeMoney(made.materialMinor) : '', dueOn: made?.dueOn ?? '' },
  };
}

/** The dimensions that somebody typed, in the order of the shape; what cannot be read is sent as it cannot be. */
function dimensionsOf({ shape, sizes }: Typed): MadePart['dimensions'] {
  return sketchTable[shape].dimensions.flatMap(({ id }) => {
    const size = sizes[id];
    if (!size?.nominal.trim()) return [];
    return [{ id, nominal: Number(size.nominal.replace(',', '.')), tolerance: size.tolerance.trim() }];
  });
}

/** What was measured on a part and on what it goes with: from which its sketch can follow. */
function Measured({ view, partRef }: { readonly view: JobView; readonly partRef: string }) {
  const { record, family } = view;
  const near = judgePoints({ family, readings: record.readings, phase: 'as-found' }).filter(
    ({ point, worst }) => worst !== null && (point.part === partRef || point.mates === partRef),
  );
  if (!near.length) return null;
  return (
    <p className="text-13 text-quiet">
      Measured as found:{' '}
      {near.map(({ point, worst, words }) => (
        <span key={point.id} className="mr-3">
          {point.title} <b className="num text-ink">{worst?.toFixed(3)}</b> {point.unit}, {words}
        </span>
      ))}
    </p>
  );
}

function SketchFields({
  typed,
  change,
  error,
}: {
  readonly typed: Typed;
  readonly change: (part: Partial<Typed>) => void;
  readonly error: Parameters<typeof issueFor>[0];
}) {
  const set = (id: string, field: 'nominal' | 'tolerance', text: string) => {
    const before = typed.sizes[id] ?? { nominal: '', tolerance: '' };
    change({ sizes: { ...typed.sizes, [id]: { ...before, [field]: text } } });
  };
  const sketch = { shape: typed.shape, dimensions: dimensionsOf(typed) };
  return (
    <table aria-label="Dimensions of the sketch" className="w-full">
      <thead>
        <tr className="text-left text-13 text-quiet">
          <th className="font-normal">Dimension</th>
          <th className="w-28 font-normal">Size</th>
          <th className="w-32 font-normal">Tolerance</th>
          <th className="font-normal">Between</th>
        </tr>
      </thead>
      <tbody>
        {sketchTable[typed.shape].dimensions.map(({ id, title, unit, isOptional, of }) => {
          const own = sketch.dimensions.find((one) => one.id === id);
          const limits = own && limitsOfDimension(sketch, own);
          const fault = issueFor(error, `dimensions.${id}`);
          return (
            <tr key={id} className="row">
              <th scope="row" className="py-1 text-left font-normal">
                {title}
                {isOptional && <span className="text-13 text-quiet"> if it has one</span>}
                {fault && <span className="block text-13 font-semibold text-jasper">{fault}</span>}
              </th>
              <td className="py-1 pr-2">
                <input
                  aria-label={`${title}, ${unit === 'mm' ? 'mm' : 'how many'}`}
                  inputMode="decimal"
                  className="field num min-h-11 text-right"
                  value={typed.sizes[id]?.nominal ?? ''}
                  onChange={(event) => set(id, 'nominal', event.target.value)}
                />
              </td>
              <td className="py-1 pr-2">
                {unit === 'mm' && (
                  <input
                    aria-label={`Tolerance of ${title.toLowerCase()}`}
                    placeholder={of === 'hole' ? 'H7' : of === 'shaft' ? 'h6' : '±0.1'}
                    className="field num min-h-11"
                    value={typed.sizes[id]?.tolerance ?? ''}
                    onChange={(event) => set(id, 'tolerance', event.target.value)}
                  />
                )}
              </td>
              <td className="num text-13">
                {own &&
                  Number.isFinite(own.nominal) &&
                  unit === 'mm' &&
                  (limits ? `${limits.min} to ${limits.max}` : 'cannot be read')}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function SketchForm({
  view,
  partRef,
  sheet,
  onDone,
}: {
  readonly view: JobView;
  readonly partRef: string;
  readonly sheet: SheetOf<'made'> | null;
  readonly onDone: () => void;
}) {
  const { tag } = view.record;
  const key = `${tag}.made.${partRef}.${sheet?.version ?? 0}`;
  const [typed, change, forget] = useDraftState<Typed>(key, firstTyped(view, partRef, sheet?.body));
  const { run, error, isBusy } = useAct();
  const text = (name: Exclude<keyof Typed, 'sizes' | 'bears' | 'from' | 'shape'>, field: string = name) => ({
    value: typed[name],
    error: issueFor(error, field),
    onChange: (event: { readonly target: { readonly value: string } }) => change({ [name]: event.target.value }),
  });
  const keep = async () => {
    const { sizes: _sizes, minutes, materialPrice, ...rest } = typed;
    const price = readMoney(materialPrice || '0');
    const made = {
      ...{ ...rest, dimensions: dimensionsOf(typed), minutesGuess: Number(minutes || 0) },
      materialMinor: 'minor' in price ? price.minor : Number.NaN,
    };
    const done = await run('write-made', { tag, partRef, basedOn: sheet?.version ?? 0, made });
    if (done) {
      forget();
      onDone();
    }
  };
  const name = view.family.parts.find(({ ref }) => ref === partRef)?.name ?? partRef;
  return (
    <section aria-label={`Sketch of ${name}`} className="space-y-3 border-l-4 border-slate pl-3">
      <Measured view={view} partRef={partRef} />
      <div className="grid grid-cols-[1.2fr_1fr] gap-6">
        <div className="space-y-3">
          <div className="grid grid-cols-2 gap-3">
            <SelectField
              label="Shape"
              value={typed.shape}
              onChange={(event) => change({ shape: event.target.value as MadeShape })}
            >
              {madeShapes.map((shape) => (
                <option key={shape} value={shape}>
                  {sketchTable[shape].title}
                </option>
              ))}
            </SelectField>
            <SelectField
              label="Measured from"
              value={typed.from}
              onChange={(event) => change({ from: event.target.value as MeasuredFrom })}
            >
              {measuredFrom.map((from) => (
                <option key={from}>{from}</option>
              ))}
            </SelectField>
          </div>
          <TextField label="Which measure it follows" {...text('fromWords')} />
          <SketchFields typed={typed} change={change} error={error} />
          <SketchDrawing
            sketch={{
              shape: typed.shape,
              dimensions: dimensionsOf(typed).filter(({ nominal }) => Number.isFinite(nominal)),
            }}
            title={name}
          />
        </div>
        <div className="space-y-3">
          <TextField label="Why it is made here" {...text('why')} />
          <div className="grid grid-cols-2 gap-3">
            <TextField label="Material" {...text('material')} />
            <TextField label="The old one was" {...text('oldMaterial')} />
            <TextField label="Lot of the material" className="num" {...text('lot')} />
            <TextField label="Hardness, if asked" {...text('hardness')} />
            <TextField label="Machine" {...text('machine')} />
            <TextField
              label="Minutes, a guess"
              inputMode="numeric"
              className="num"
              {...text('minutes', 'minutesGuess')}
            />
            <TextField
              label="Material costs"
              inputMode="decimal"
              className="num"
              {...text('materialPrice', 'materialMinor')}
            />
            <TextField label="Done on" placeholder="2026-12-09" {...text('dueOn')} />
          </div>
          <label className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-6 accent-(--ink)"
              checked={typed.bears}
              onChange={(event) => change({ bears: event.target.checked })}
            />
            holds pressure, lifts or turns: released by name before it is made
          </label>
        </div>
      </div>
      <ErrorNote error={error} />
      <Button verb="write-made" tone="main" disabled={isBusy} onClick={() => void keep()}>
        Keep the sketch
      </Button>
    </section>
  );
}

/** Own readings beside the sketch, a dimension a line. */
function Readings({
  view,
  sheet,
  canWork,
}: {
  readonly view: JobView;
  readonly sheet: SheetOf<'made'>;
  readonly canWork: boolean;
}) {
  const { tag } = view.record;
  const [typed, change, forget] = useDraftState<Readonly<Record<string, string>>>(
    `${tag}.readings.${sheet.key}.${sheet.version}`,
    {},
  );
  const [gauge, setGauge] = useState('');
  const { run, error, isBusy } = useAct();
  const states = judgeSketch(sheet.body);
  const isDone = sheet.body.handedOver !== null || !canWork;
  const keep = async () => {
    const readings = Object.entries(typed).flatMap(([id, text]) =>
      text.trim() ? [{ id, value: Number(text.replace(',', '.')) }] : [],
    );
    if (await run('measure-made', { tag, partRef: sheet.key, basedOn: sheet.version, gauge, readings })) forget();
  };
  return (
    <div>
      <table aria-label="Readings beside the sketch" className="w-full">
        <tbody>
          {states.map(({ dimension, title, limits, value, verdict, unit }) => (
            <tr key={dimension.id} className="row">
              <th scope="row" className="py-1 text-left font-normal">
                {title}
              </th>
              <td className="num text-13 text-quiet">
                {unit === 'mm' ? `${limits.min} to ${limits.max}` : limits.min}
              </td>
              <td className="num text-right">{value}</td>
              <td
                className={`pl-3 ${verdict === 'within' ? 'text-moss' : verdict ? 'font-bold text-jasper' : 'text-quiet'}`}
              >
                {verdict ?? 'to measure'}
              </td>
              <td className="w-28 py-1 pl-2">
                {!isDone && (
                  <input
                    aria-label={`Reading: ${title}`}
                    inputMode="decimal"
                    className="field num min-h-11 text-right"
                    value={typed[dimension.id] ?? ''}
                    onChange={(event) => change({ [dimension.id]: event.target.value })}
                  />
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {!isDone && (
        <div className="mt-2 flex items-end gap-3">
          <TextField label="Gauge" className="num" value={gauge} onChange={(event) => setGauge(event.target.value)} />
          <Button verb="measure-made" disabled={isBusy} onClick={() => void keep()}>
            Keep the readings
          </Button>
        </div>
      )}
      <ErrorNote error={error} />
    </div>
  );
}

/** Minutes worked and money, beside the guess. */
function TrueCost({ view, made }: { readonly view: JobView; readonly made: MadePart }) {
  const { currency, labourMinorPerHour } = view.shop;
  const minutes = made.worked.reduce((sum, one) => sum + one.minutes, 0);
  const cost = (spent: number) => Math.round((spent * labourMinorPerHour) / 60) + made.materialMinor;
  const money = (minor: number) => formatMoney({ minor, currency });
  const over = minutes - made.minutesGuess;
  return (
    <p className={over > 0 ? 'font-semibold text-jasper' : ''}>
      <span className="num">{minutes}</span> of <span className="num">{made.minutesGuess}</span> guessed minutes worked:{' '}
      <b className="num">{money(cost(minutes))}</b> against{' '}
      <span className="num">{money(cost(made.minutesGuess))}</span> with its material.
      {over > 0 && ' Beyond the guess: what the customer shall bear of it is a supplement.'}
    </p>
  );
}

function Work({ view, sheet }: { readonly view: JobView; readonly sheet: SheetOf<'made'> }) {
  const { tag } = view.record;
  const { body, key: partRef, version } = sheet;
  const about = { tag, partRef, basedOn: version };
  const [machine, setMachine] = useState(body.machine);
  const [minutes, setMinutes] = useState('');
  const [fitted, setFitted] = useState('');
  const { run, error, isBusy } = useAct();
  const isRight = judgeSketch(body).every(({ verdict }) => verdict === 'within');
  return (
    <div className="space-y-3">
      {body.bears && !body.released ? (
        <div className="border-l-4 border-ochre pl-3">
          <p>It holds pressure, lifts or turns: the maker’s drawing and a named person come before the machine.</p>
          <Button
            verb="release-made"
            tone="main"
            disabled={isBusy}
            onClick={() => void run('release-made', { ...about, words: '' })}
          >
            Release the sketch, by my name
          </Button>
        </div>
      ) : (
        <div className="flex items-end gap-3">
          <TextField label="At the" value={machine} onChange={(event) => setMachine(event.target.value)} />
          <TextField
            label="Minutes"
            inputMode="numeric"
            className="num"
            value={minutes}
            error={issueFor(error, 'minutes')}
            onChange={(event) => setMinutes(event.target.value)}
          />
          <Button
            verb="work-on-made"
            disabled={isBusy || !minutes}
            onClick={() =>
              void run('work-on-made', { ...about, machine, minutes: Number(minutes) }).then(
                (done) => done && setMinutes(''),
              )
            }
          >
            Worked
          </Button>
        </div>
      )}
      {body.worked.length > 0 && <Readings view={view} sheet={sheet} canWork />}
      {body.worked.length > 0 && isRight && (
        <div className="flex items-end gap-3">
          <div className="flex-1">
            <TextField
              label="Tried on its seat: how it fits"
              value={fitted}
              onChange={(event) => setFitted(event.target.value)}
            />
          </div>
          <Button
            verb="hand-over-made"
            tone="main"
            disabled={isBusy || !fitted.trim()}
            onClick={() => void run('hand-over-made', { ...about, fitted })}
          >
            Hand it over
          </Button>
        </div>
      )}
      <ErrorNote error={error} />
    </div>
  );
}

/** A part that the shop makes: why, its sketch to scale, release, minutes, readings against the sketch, handed over. */
export function MadePanel({
  view,
  partRef,
  canWork,
}: {
  readonly view: JobView;
  readonly partRef: string;
  readonly canWork: boolean;
}) {
  const sheet = madeOf(view.record, partRef);
  const [isEditing, setEditing] = useState(false);
  if (!sheet || isEditing)
    return <SketchForm view={view} partRef={partRef} sheet={sheet} onDone={() => setEditing(false)} />;
  const { body } = sheet;
  const name = view.family.parts.find(({ ref }) => ref === partRef)?.name ?? partRef;
  return (
    <section aria-label={`${name}, made here`} className="space-y-3 border-l-4 border-slate pl-3">
      <div className="flex flex-wrap items-center gap-4">
        <h3 className="font-bold">
          <span className="num">{body.number}</span> {sketchTable[body.shape].title.toLowerCase()} of{' '}
          {body.material || 'a material to be named'}
          {body.lot && (
            <>
              , lot <span className="num">{body.lot}</span>
            </>
          )}
        </h3>
        <a
          className="underline decoration-line underline-offset-4"
          href={`/files/sketch/${view.record.tag}/${partRef}`}
          download
        >
          Drawing as DXF
        </a>
        {!body.handedOver && <Button onClick={() => setEditing(true)}>Change the sketch</Button>}
      </div>
      <p>
        {body.why}. Measured from the {body.from}
        {body.fromWords && `: ${body.fromWords}`}.
        {body.oldMaterial && body.oldMaterial !== body.material && ` The old one was ${body.oldMaterial}.`}
      </p>
      <div className="grid grid-cols-2 items-center gap-6">
        <SketchDrawing sketch={body} title={name} />
        <Readings view={view} sheet={sheet} canWork={false} />
      </div>
      {body.released && (
        <p className="text-13">
          Released by {body.released.personName}, {sayMoment(body.released.at, view.zone)}
        </p>
      )}
      <TrueCost view={view} made={body} />
      {body.handedOver ? (
        <p>
          <b>Handed over</b> by {body.handedOver.personName}, {sayMoment(body.handedOver.at, view.zone)}:{' '}
          {body.handedOver.fitted}
        </p>
      ) : (
        canWork && <Work view={view} sheet={sheet} />
      )}
    </section>
  );
}
