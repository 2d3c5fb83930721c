import { present } from '@/core/present';
import { holderNames, stationNames, stations, type Holder, type Station } from '@/core/record';
import { pebble } from './pebble';

export const holderColour: Readonly<Record<Holder, string>> = {
  U: 'var(--ink)',
  B: 'var(--moss)',
  S: 'var(--lake)',
  C: 'var(--jasper)',
  P: 'var(--ochre)',
  O: 'var(--plum)',
};

const gap = 18;
const height = 30;
const y = height / 2;
const width = gap * stations.length + 16;
const xOf = (i: number) => 14 + i * gap;
const left = gap / 2;

const pebbles = (rx: number, ry: number) =>
  stations.map((_, i) => `<path d="${pebble(i, { cx: xOf(i), cy: y, rx, ry })}"/>`).join('');
const hatch = (id: string, line: string) =>
  `<pattern id="${id}" width="5" height="5" patternTransform="rotate(45)" patternUnits="userSpaceOnUse">${line}</pattern>`;
/** As it stands in the page: it never changes, and the framework need not take it apart. */
const definitions = [
  `<g id="stream-passed" fill="var(--slate)">${pebbles(6.6, 5.2)}</g>`,
  `<g id="stream-ahead" fill="var(--paper)" stroke="var(--slate)" stroke-opacity=".6">${pebbles(6, 4.8)}</g>`,
  ...stations.map((_, i) => `<path id="stream-now-${i}" d="${pebble(i, { cx: xOf(i), cy: y, rx: 12, ry: 11.5 })}"/>`),
  hatch('late-hatch', '<rect width="2.2" height="5" fill="var(--jasper)"/>'),
  hatch('reuse-hatch', '<path d="M0 0V5" stroke="var(--slate)" stroke-width="1.6"/>'),
].join('');

/** Drawings that many signs of a page share: drawn once, used by reference, so that sixty strips stay light. */
export function SignDefinitions() {
  return (
    <svg width={0} height={0} aria-hidden="true" className="absolute">
      <defs dangerouslySetInnerHTML={{ __html: definitions }} />
    </svg>
  );
}

interface Props {
  readonly station: Station;
  readonly holder: Holder;
  readonly isStopped?: boolean;
  /** Stations that this job does not need. */
  readonly skipped?: readonly Station[];
}

/** A stretch of a shared drawing, from one station up to another. */
function Stretch({ of, from, to }: { readonly of: string; readonly from: number; readonly to: number }) {
  if (to <= from) return null;
  const x = xOf(from) - left;
  return (
    <svg x={x} width={(to - from) * gap} height={height} viewBox={`${x} 0 ${(to - from) * gap} ${height}`}>
      <use href={of} />
    </svg>
  );
}

/**
 * The stream of a job: passed pebbles solid, the present one larger with the holder's letter, those ahead in outline.
 */
export function Stream({ station, holder, isStopped = false, skipped = [] }: Props) {
  const at = stations.indexOf(station);
  const cx = xOf(at);
  const firstSkipped = skipped.length ? stations.indexOf(present(skipped[0])) : at;
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`${stationNames[station]}, held by ${holderNames[holder]}${isStopped ? ', on hold' : ''}`}
    >
      <path d={`M10 ${y}H${width - 14}`} stroke="var(--line)" />
      <Stretch of="#stream-passed" from={0} to={Math.min(at, firstSkipped)} />
      {skipped.map((name) => (
        <circle key={name} cx={xOf(stations.indexOf(name))} cy={y} r={2} fill="var(--quiet)" />
      ))}
      <Stretch of="#stream-ahead" from={at + 1} to={stations.length} />
      <use href={`#stream-now-${at}`} fill={holderColour[holder]} />
      {isStopped ? (
        <path
          d={`M${cx - 2} ${y - 13}L${cx + 3} ${y - 3}L${cx - 3} ${y + 3}L${cx + 2} ${y + 13}`}
          fill="none"
          stroke="var(--paper)"
          strokeWidth={3}
        />
      ) : (
        <text x={cx} y={y + 4.5} textAnchor="middle" fontSize={13} fontWeight={700} fill="var(--onink)">
          {holder}
        </text>
      )}
    </svg>
  );
}

export function HolderMark({ holder }: { readonly holder: Holder }) {
  return (
    <svg width={22} height={22} aria-hidden="true" className="inline-block align-[-5px]">
      <path d={pebble(holder.charCodeAt(0), { cx: 11, cy: 11, rx: 10.5, ry: 10 })} fill={holderColour[holder]} />
      <text x={11} y={15.5} textAnchor="middle" fontSize={13} fontWeight={700} fill="var(--onink)">
        {holder}
      </text>
    </svg>
  );
}

export function WordMark() {
  return (
    <svg width={34} height={30} aria-hidden="true">
      <path d={pebble(0, { cx: 19, cy: 9, rx: 9, ry: 7 })} fill="var(--slate)" />
      <path d={pebble(3, { cx: 22, cy: 12, rx: 9, ry: 8 })} fill="var(--jasper)" />
      <path d={pebble(0, { cx: 10, cy: 18, rx: 8, ry: 7 })} fill="var(--slate)" />
      <path d={pebble(5, { cx: 24, cy: 24, rx: 6, ry: 5 })} fill="var(--ochre)" />
    </svg>
  );
}
