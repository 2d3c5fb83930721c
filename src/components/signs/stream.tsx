import { holderNames, stationNames, stations, type Holder, type Station } from '@/core/record';
import { pebble } from './pebble';

export const holderColour: Readonly<Record<Holder, string>> = { U: 'var(--ink)', B: 'var(--moss)', S: 'var(--lake)', C: 'var(--jasper)', P: 'var(--ochre)', O: 'var(--plum)' };

interface Props {
  readonly station: Station;
  readonly holder: Holder;
  readonly isStopped?: boolean;
  /** Stations that this job does not need. */
  readonly skipped?: readonly Station[];
  readonly gap?: number;
}

/** The stream of a job: passed pebbles solid, the present one larger with the holder's letter, those ahead in outline. */
export function Stream({ station, holder, isStopped = false, skipped = [], gap = 18 }: Props) {
  const at = stations.indexOf(station);
  const height = 30;
  const y = height / 2;
  const width = gap * stations.length + 16;
  return (
    <svg width={width} height={height} role="img" aria-label={`${stationNames[station]}, held by ${holderNames[holder]}${isStopped ? ', on hold' : ''}`}>
      <line x1={10} x2={width - 14} y1={y} y2={y} stroke="var(--line)" />
      {stations.map((name, i) => {
        const cx = 14 + i * gap;
        if (skipped.includes(name)) return <circle key={name} cx={cx} cy={y} r={2} fill="var(--quiet)" />;
        if (i < at) return <path key={name} d={pebble(i, { cx, cy: y, rx: 6.6, ry: 5.2 })} fill="var(--slate)" />;
        if (i > at) return <path key={name} d={pebble(i, { cx, cy: y, rx: 6, ry: 4.8 })} fill="var(--paper)" stroke="var(--slate)" strokeOpacity={0.6} />;
        return (
          <g key={name}>
            <path d={pebble(i, { cx, cy: y, rx: 12, ry: 11.5 })} fill={holderColour[holder]} />
            {isStopped ? (
              <path d={`M${cx - 2} ${y - 13}L${cx + 3} ${y - 3}L${cx - 3} ${y + 3}L${cx + 2} ${y + 13}`} fill="none" stroke="var(--paper)" strokeWidth={3} />
            ) : (
              <text x={cx} y={y + 4.5} textAnchor="middle" fontSize={13} fontWeight={700} fill="var(--onink)">
                {holder}
              </text>
            )}
          </g>
        );
      })}
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
