'use client';

import { kitByPlate, standingReadings, turnGrades } from '@/core/bench';
import { actionTitle, readBuild, type FormOf } from '@/core/family';
import { lengthUnit } from '@/core/units';
import { PhotoRow, PictureTaker } from '../job/picture-taker';
import { FetchedAtOnce } from '../ui/fetched-at-once';
import { Button } from '../ui/form';
import { stationHref } from '../job/view';
import { othersOf, type EntryProps } from './entry';
import { NumberPad } from './number-pad';
import { WindowStrip } from './window-strip';

const readNumber = (text: string): number | null => {
  const value = Number(text.replace(',', '.'));
  return text.trim() && Number.isFinite(value) ? value : null;
};

/** One of a few words, each a large button that keeps and goes on. */
export function WordsEntry({
  ask,
  words,
  isBusy,
  onKeep,
}: {
  readonly ask: string;
  readonly words: readonly string[];
  readonly isBusy: boolean;
  readonly onKeep: (typed: string) => void;
}) {
  return (
    <div role="group" aria-label={ask} className="flex flex-wrap gap-2">
      {words.map((word) => (
        <Button key={word} className="min-h-14 min-w-[120px] flex-1" disabled={isBusy} onClick={() => onKeep(word)}>
          {word}
        </Button>
      ))}
    </div>
  );
}

/** A number with its unit, large, and the pad beneath. */
export function NumberEntry({
  ask,
  unit,
  entry: { typed, setTyped },
  onKeep,
  isNamed = true,
}: Pick<EntryProps<unknown>, 'entry' | 'onKeep'> & {
  readonly ask: string;
  readonly unit: string;
  /** Whether the question stands over the field; not where the heading asks it already. */
  readonly isNamed?: boolean;
}) {
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onKeep();
      }}
      className="space-y-2"
    >
      <label className="block max-w-[300px]">
        {isNamed && <span className="text-13 text-quiet">{ask}</span>}
        <span className="flex items-center gap-2">
          <input
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
            inputMode="decimal"
            autoComplete="off"
            aria-label={ask}
            className="field num min-h-14 text-right text-24 font-bold"
          />
          <span className="text-quiet">{unit}</span>
        </span>
      </label>
      <NumberPad text={typed} onType={setTyped} />
    </form>
  );
}

export function ValueEntry({ form, action, view, phase, entry, onKeep }: EntryProps<FormOf<'value'>>) {
  const { window, should, tolerance, unit } = form;
  const around =
    should !== undefined && tolerance !== undefined ? { min: should - tolerance, max: should + tolerance } : undefined;
  const shown = window ?? around;
  return (
    <>
      {shown && (
        <WindowStrip
          window={shown}
          value={readNumber(entry.typed)}
          unit={unit}
          others={othersOf(view.record, view.family, phase, action)}
        />
      )}
      <NumberEntry
        ask={form.ask}
        unit={unit === 'mm' ? lengthUnit(view.lengthDisplay) : unit}
        isNamed={form.ask !== actionTitle(action)}
        entry={entry}
        onKeep={onKeep}
      />
    </>
  );
}

export function TorqueEntry({ form, action, view, phase, entry, onKeep }: EntryProps<FormOf<'torque'>>) {
  const { window_nm, bolts, thread, grade, pattern, passes_pct } = form;
  const isByPass = passes_pct !== undefined && passes_pct.length > 1;
  return (
    <>
      <p className="text-quiet">
        {bolts > 1 ? `${bolts} × ` : ''}
        <span className="num">{thread}</span>, {grade} · {pattern}
      </p>
      <WindowStrip
        window={window_nm}
        value={readNumber(entry.typed)}
        unit="N·m"
        others={othersOf(view.record, view.family, phase, action)}
      />
      <FetchedAtOnce
        fetchIt={() => import('./torque-shown').then((module) => module.TorqueShown)}
        props={{ form }}
        waiting={null}
      />
      {isByPass && (
        <div className="flex flex-wrap gap-2">
          {passes_pct.map((pct, i) => (
            <label key={i} className="text-13 text-quiet">
              pass {i + 1}, {pct} %
              <input
                className="field num max-w-[110px] text-right"
                inputMode="decimal"
                value={entry.passes[i] ?? ''}
                onChange={(event) =>
                  entry.setPasses(passes_pct.map((_, k) => (k === i ? event.target.value : (entry.passes[k] ?? ''))))
                }
              />
            </label>
          ))}
        </div>
      )}
      <NumberEntry
        ask={`Torque reached, ${window_nm.min} to ${window_nm.max}`}
        unit="N·m"
        entry={entry}
        onKeep={onKeep}
      />
    </>
  );
}

const clock = Array.from({ length: 12 }, (_, i) => i + 1);

export function TurnEntry({ form, isBusy, onKeep }: EntryProps<FormOf<'turn'>>) {
  return (
    <div className="space-y-2">
      <WordsEntry ask={form.ask} words={turnGrades} isBusy={isBusy} onKeep={onKeep} />
      <label className="flex items-center gap-2 text-quiet">
        It catches at
        <select
          aria-label="It catches at, o’clock seen from the drive end"
          className="field min-h-12 max-w-[120px]"
          value=""
          disabled={isBusy}
          onChange={(event) => onKeep(`catches at ${event.target.value}`)}
        >
          <option value="">…</option>
          {clock.map((hour) => (
            <option key={hour} value={hour}>
              {hour} o’clock
            </option>
          ))}
        </select>
        seen from the drive end
      </label>
    </div>
  );
}

export function TextEntry({ form, entry, onKeep }: EntryProps<FormOf<'mark'> | FormOf<'note'>>) {
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onKeep();
      }}
    >
      <label className="block">
        <span className="text-13 text-quiet">{form.kind === 'mark' ? 'How it is marked' : form.ask}</span>
        <input
          value={entry.typed}
          onChange={(event) => entry.setTyped(event.target.value)}
          aria-label={form.ask}
          className="field min-h-14"
        />
      </label>
    </form>
  );
}

/** The tag of the kit; without one, what the plate says and the kits that this pump takes by it. */
export function KitEntry({ form, entry, view, isBusy, onKeep }: EntryProps<FormOf<'kit'>>) {
  const { pump } = view.record;
  const size = view.family.sizes.find((row) => row.id === readBuild(view.family.version).size);
  return (
    <div className="space-y-3">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          onKeep();
        }}
      >
        <label className="block">
          <span className="text-13 text-quiet">Number on the tag</span>
          <input
            value={entry.typed}
            onChange={(event) => entry.setTyped(event.target.value)}
            aria-label={form.ask}
            className="field min-h-14"
            autoCapitalize="characters"
          />
        </label>
      </form>
      <p className="text-13 text-quiet">
        {pump.maker} {pump.model}, serial number {pump.serial || 'not known'}
        {size && `, ${size.title}`}: this pump takes
      </p>
      <ul className="flex flex-wrap gap-2" aria-label="Kits of this pump">
        {form.kits.map((kit) => (
          <li key={kit.number}>
            <Button className="min-h-12" disabled={isBusy} onClick={() => onKeep(kit.number)}>
              <b className="num">{kit.number}</b>
              {kit.title}
            </Button>
          </li>
        ))}
      </ul>
      <Button className="min-h-12" disabled={isBusy} onClick={() => onKeep(kitByPlate)}>
        The tag is gone: found {kitByPlate}
      </Button>
    </div>
  );
}

export function PhotoEntry({ form, action, view, onKeep }: EntryProps<FormOf<'photo'>>) {
  const { record, family } = view;
  const before = form.beside === undefined ? undefined : record.answers.find((one) => one.actionId === form.beside);
  return (
    <div className="space-y-2">
      {before?.photoId && <PhotoRow photos={[{ id: before.photoId, caption: 'at teardown' }]} />}
      <PictureTaker
        tag={record.tag}
        about={`action:${action.id}`.slice(0, 80)}
        partRef={action.lights[0] ?? family.parts[0]?.ref ?? 'casing'}
        caption={form.ask}
        onTaken={(photoId) => onKeep('', photoId)}
      />
    </div>
  );
}

export function MeasureEntry({ form, view, phase }: EntryProps<FormOf<'measure'>>) {
  const { record, family } = view;
  const standing = standingReadings(record, family);
  return (
    <ul className="space-y-1">
      {family.points
        .filter((point) => form.points.includes(point.id))
        .map((point) => {
          const taken = standing.filter(
            (one) => one.phase === (phase === 'teardown' ? 'as-found' : 'as-left') && one.pointId === point.id,
          ).length;
          return (
            <li key={point.id} className="row flex items-center justify-between gap-3 py-1 first:border-0">
              <span>
                <b className="num">{point.number}</b> {point.title}
              </span>
              <a
                href={stationHref(record, phase === 'teardown' ? 'teardown' : 'rebuild', `point-${point.id}`)}
                className="min-h-12 content-center font-semibold underline"
              >
                {taken} of {point.places.length} {point.places.length === 1 ? 'reading' : 'readings'}
              </a>
            </li>
          );
        })}
    </ul>
  );
}

/** Every sum comes with its schema: they are fetched when an action that sets something is opened. */
export function SettingEntry(props: EntryProps<FormOf<'setting'>>) {
  return (
    <>
      <FetchedAtOnce
        fetchIt={() => import('./setting-shown').then((module) => module.SettingShown)}
        props={{ form: props.form, record: props.view.record, family: props.view.family }}
        waiting={<p className="text-quiet">Reckoning the setting.</p>}
      />
      {props.form.mode === 'set' && (
        <NumberEntry ask="Set, as it was read" unit={props.form.unit} entry={props.entry} onKeep={props.onKeep} />
      )}
    </>
  );
}

export function HeatEntry(props: EntryProps<FormOf<'heat'>>) {
  const { entry, form, onKeep, view } = props;
  return (
    <>
      <label className="block max-w-[200px] text-13 text-quiet">
        Room, °C
        <input
          className="field num text-right"
          inputMode="decimal"
          value={entry.ambient}
          onChange={(event) => entry.setAmbient(event.target.value)}
        />
      </label>
      <FetchedAtOnce
        fetchIt={() => import('./heat-shown').then((module) => module.HeatShown)}
        props={{ form, record: view.record, family: view.family, room: readNumber(entry.ambient) ?? 20 }}
        waiting={<p className="text-quiet">Reckoning the temperature.</p>}
      />
      <NumberEntry ask="Reached at the inner ring" unit="°C" entry={entry} onKeep={onKeep} />
    </>
  );
}
