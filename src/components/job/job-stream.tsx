import { Link } from '../ui/link';
import { holderNames, stationNames, stations, type JobRecord, type Station } from '@/core/record';
import { holderColour } from '../signs/stream';
import { pebble } from '../signs/pebble';
import { stationHref } from './view';

const skippedWhenDeclined = stations.slice(stations.indexOf('parts'), stations.indexOf('return'));

function stationClass(isShown: boolean, isCompact: boolean): string {
  if (isCompact) return isShown ? 'h-1 w-8 overflow-hidden bg-jasper text-transparent' : 'sr-only';
  return isShown ? 'border-b-3 border-jasper pb-0.5 text-ink' : 'pb-1';
}

/** The stream across the page; each pebble leads to its station's sheet. */
export function JobStream({
  record,
  shown,
  isCompact = false,
}: {
  readonly record: JobRecord;
  readonly shown: Station;
  /** Pebbles alone, names said only to those who hear the page: the bench needs its height for the work. */
  readonly isCompact?: boolean;
}) {
  const at = stations.indexOf(record.station);
  return (
    <nav aria-label="Stations" className={isCompact ? '' : 'overflow-x-auto border-b border-ink px-6 pt-2'}>
      <ol className={`relative grid grid-cols-11 ${isCompact ? '' : 'min-w-[820px]'}`}>
        <li aria-hidden="true" className="absolute left-[4.5%] right-[4.5%] top-[21px] h-px bg-line" />
        {stations.map((station, i) => {
          const isNow = i === at;
          const isSkipped = record.outcome === 'declined' && skippedWhenDeclined.includes(station);
          const state = isSkipped
            ? 'not needed'
            : isNow
              ? `here, held by ${holderNames[record.holder]}${record.hold ? ', on hold' : ''}`
              : i < at
                ? 'passed'
                : 'ahead';
          return (
            <li key={station} className="relative">
              <Link
                href={stationHref(record, station)}
                aria-current={shown === station ? 'page' : undefined}
                title={stationNames[station]}
                className={`flex flex-col items-center text-13 ${isCompact ? 'min-h-12' : 'min-h-[66px]'} ${shown === station ? 'font-bold' : 'text-quiet'}`}
              >
                <svg
                  width={isCompact ? 42 : 60}
                  height={42}
                  viewBox={isCompact ? '9 0 42 42' : '0 0 60 42'}
                  aria-hidden="true"
                >
                  {isSkipped ? (
                    <circle cx={30} cy={21} r={3} fill="var(--quiet)" />
                  ) : (
                    <path
                      d={pebble(i, { cx: 30, cy: 21, rx: isNow ? 23 : 16, ry: isNow ? 18 : 11 })}
                      fill={isNow ? holderColour[record.holder] : i < at ? 'var(--slate)' : 'var(--paper)'}
                      stroke={i > at ? 'var(--slate)' : 'none'}
                    />
                  )}
                  {isNow && record.hold && (
                    <path d="M28 1L33 14L27 25L32 41" fill="none" stroke="var(--paper)" strokeWidth={3.5} />
                  )}
                  {isNow && !record.hold && (
                    <text x={30} y={26.5} textAnchor="middle" fontSize={16} fontWeight={700} fill="var(--onink)">
                      {record.holder}
                    </text>
                  )}
                </svg>
                <span className={stationClass(shown === station, isCompact)}>{stationNames[station]}</span>
                <span className="sr-only">, {state}</span>
              </Link>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
