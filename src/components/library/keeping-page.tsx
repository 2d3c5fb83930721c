'use client';

import { Link } from '../ui/link';
import { useRouter } from 'next/navigation';
import { useAct } from '../act/use-act';
import { sayMoment } from '../job/view';
import { Button, ErrorNote } from '../ui/form';
import { sayAge } from './say-age';

export interface KeepingView {
  readonly zone: string;
  /** Age of the last good backup, or of the shop where there is none. */
  readonly hours: number;
  readonly isLate: boolean;
  readonly lastGood: string | null;
  readonly nextAt: string;
  /** Of the shop's clock. */
  readonly hour: number;
  readonly keep: { readonly days: number; readonly weeks: number; readonly months: number };
  readonly folder: string | null;
  readonly bytesLeft: number | null;
  readonly tried: readonly {
    readonly id: string;
    readonly startedAt: string;
    readonly seconds: number | null;
    readonly file: string;
    readonly bytes: number;
    readonly jobs: number;
    readonly pictures: number;
    readonly askedBy: string;
    readonly failure: string | null;
  }[];
}

/** A size in words. */
function sayBytes(bytes: number): string {
  if (bytes >= 1e9) return `${(bytes / 1e9).toFixed(1)} GB`;
  return bytes >= 1e6 ? `${(bytes / 1e6).toFixed(1)} MB` : `${Math.ceil(bytes / 1e3)} kB`;
}

function AnswerLine({ view: { hours, isLate, lastGood } }: { readonly view: KeepingView }) {
  const words =
    lastGood === null
      ? `There is no backup yet; the shop is ${sayAge(hours)} old.`
      : `The last good backup is ${sayAge(hours)} old.`;
  return (
    <p className={`border-l-4 pl-3 text-18 ${isLate ? 'border-jasper font-bold' : 'border-moss'}`} role="status">
      {words} {isLate && <>A night was missed: see below why, or make one now, and copy it onto another disk.</>}
    </p>
  );
}

function Tried({ one, zone }: { readonly one: KeepingView['tried'][number]; readonly zone: string }) {
  const { startedAt, seconds, file, bytes, jobs, pictures, askedBy, failure } = one;
  return (
    <tr className="row align-baseline">
      <td className="num py-1 pr-4">{sayMoment(startedAt, zone)}</td>
      <td className="pr-4">{askedBy === 'Puddlestone' ? 'by night' : askedBy}</td>
      {failure === null ? (
        <>
          <td className="num pr-4 text-right">{jobs}</td>
          <td className="num pr-4 text-right">{pictures}</td>
          <td className="num pr-4 text-right">{sayBytes(bytes)}</td>
          <td className="num pr-4 text-right">{seconds === null ? '' : `${seconds.toFixed(1)} s`}</td>
          <td className="break-all text-13">{file.split('/').at(-1)}</td>
        </>
      ) : (
        <td colSpan={5}>
          <b>none:</b> {failure}
        </td>
      )}
    </tr>
  );
}

/** How the record is kept: the age of the last good backup, one by hand, what was tried, and the way back. */
export function KeepingPage({ view }: { readonly view: KeepingView }) {
  const router = useRouter();
  const { run, error, isBusy } = useAct();
  const make = async () => {
    await run('make-backup', {});
    router.refresh();
  };
  const { zone, nextAt, hour, keep, folder, bytesLeft, tried } = view;
  return (
    <div className="space-y-5 p-6">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-24 font-bold">Backups</h1>
        <Link href="/library" className="ml-auto underline underline-offset-4">
          Library
        </Link>
      </div>
      <AnswerLine view={view} />
      <div className="grid gap-8 lg:grid-cols-[1fr_340px]">
        <section aria-label="What was tried" className="min-w-0">
          <h2 className="border-b border-ink font-bold">What was tried</h2>
          {tried.length ? (
            <table className="w-full text-left">
              <thead className="text-13 text-quiet">
                <tr>
                  <th className="pr-4 font-normal">When</th>
                  <th className="pr-4 font-normal">Asked by</th>
                  <th className="pr-4 text-right font-normal">Jobs</th>
                  <th className="pr-4 text-right font-normal">Pictures</th>
                  <th className="pr-4 text-right font-normal">Size</th>
                  <th className="pr-4 text-right font-normal">Took</th>
                  <th className="font-normal">File</th>
                </tr>
              </thead>
              <tbody>
                {tried.map((one) => (
                  <Tried key={one.id} {...{ one, zone }} />
                ))}
              </tbody>
            </table>
          ) : (
            <p className="text-quiet">Nothing yet.</p>
          )}
        </section>
        <section aria-label="How it is kept" className="space-y-3">
          <h2 className="border-b border-ink font-bold">How it is kept</h2>
          <ErrorNote error={error} />
          <Button tone="main" verb="make-backup" disabled={isBusy || folder === null} onClick={() => void make()}>
            {isBusy ? 'Being made and read again …' : 'Make one now'}
          </Button>
          <p>
            Each night at {hour}:00, next {sayMoment(nextAt, zone)}: the whole record with its pictures, as it stands at
            one moment, while people work. A file counts only when it was read again and its hashes agree.
          </p>
          <p>
            The last of each of {keep.days} days, {keep.weeks} weeks and {keep.months} months stays.
          </p>
          <p className="text-13 text-quiet">
            {folder === null ? (
              'This copy was started without a folder for backups: npm start names one.'
            ) : (
              <>
                In <span className="break-all">{folder}</span>
                {bytesLeft !== null && `, where ${sayBytes(bytesLeft)} are left`}. A disk that fails takes what lies on
                it along: PUDDLESTONE_BACKUPS names a folder on another one.
              </>
            )}
          </p>
          <p className="text-13 text-quiet">
            Back from it: <span className="num">npm run restore -- FILE</span> into an empty place; it holds every table
            against its hash and replays every job before it says that it is done.
          </p>
        </section>
      </div>
    </div>
  );
}
