'use client';

import { Link } from '../ui/link';
import { sayMoment } from '../job/view';
import { useRows } from '../ui/later';
import { ListLink } from '../ui/list-link';
import { ofText } from '../ui/of-text';

export interface MailShown {
  readonly id: string;
  readonly to: string;
  readonly subject: string;
  readonly body: string;
  readonly attachmentName: string | null;
  readonly sentAt: string;
}

export interface StuckShown {
  readonly id: string;
  /** The job that it is about; null for what is of the whole shop. */
  readonly tag: string | null;
  readonly kind: string;
  readonly tries: number;
  readonly dueAt: string | null;
  readonly lastError: string | null;
}

const stuckWords: Readonly<Record<string, string>> = {
  'mail-quote': 'the mail with the quote',
  'place-order': 'the order to the supplier',
  'write-report': 'the PDF of the report',
};

/** What should have gone out but could not: why, and when it is tried again. */
function Stuck({ stuck, zone }: { readonly stuck: readonly StuckShown[]; readonly zone: string }) {
  if (!stuck.length) return null;
  return (
    <section role="status" aria-label="Waiting to go out" className="mt-4 border-l-4 border-ochre bg-sand px-4 py-2">
      <b>Waiting to go out</b>
      {stuck.map(({ id, tag, kind, tries, dueAt, lastError }) => (
        <p key={id} className="mt-1">
          <Link href={tag ? `/jobs/${tag}` : '/parts/orders'} className="num font-semibold underline">
            {tag ?? 'The shop'}
          </Link>
          , {stuckWords[kind] ?? kind}: {lastError}. Tried {tries === 1 ? 'once' : `${tries} times`}
          {dueAt && `; next at ${sayMoment(dueAt, zone)}`}.
        </p>
      ))}
    </section>
  );
}

/** Links in a mail's text become links; everything else stays text. */
function MailText({ body }: { readonly body: string }) {
  return (
    <p className="whitespace-pre-line">
      {body.split(/(https?:\/\/\S+)/).map((piece, i) =>
        /^https?:\/\//.test(piece) ? (
          <a key={i} href={new URL(piece).pathname} className="break-all font-semibold underline">
            {piece}
          </a>
        ) : (
          piece
        ),
      )}
    </p>
  );
}

/** Letters that a first screen shows. */
const rowsAtFirst = 16;

/** What the mail stand-in has sent, newest first, as the customer got it; above it what waits. */
export function Outbox({
  mails,
  stuck,
  next,
  zone,
}: {
  readonly mails: readonly MailShown[];
  readonly stuck: readonly StuckShown[];
  readonly next: string | null;
  readonly zone: string;
}) {
  const rows = useRows(mails, rowsAtFirst);
  return (
    <div className="mx-auto max-w-[860px] p-6">
      <h1 className="text-24 font-bold">
        Outbox <small className="text-15 font-normal text-quiet">what the simulated mail service has sent</small>{' '}
        <ListLink list="outbox" words="as CSV" />
      </h1>
      <Stuck stuck={stuck} zone={zone} />
      {rows.map((mail) => (
        <details key={mail.id} className="row">
          <summary className="grid min-h-12 cursor-pointer grid-cols-[130px_220px_1fr] items-center gap-3">
            <span className="num text-13 text-quiet">{sayMoment(mail.sentAt, zone)}</span>
            <span className="truncate">{mail.to}</span>
            <b className="truncate">{mail.subject}</b>
          </summary>
          <div className="border-l-4 border-line px-4 pb-4">
            <MailText body={mail.body} />
            {mail.attachmentName && (
              <a className="mt-2 inline-block font-semibold underline" href={`/files/mail/${mail.id}`}>
                {mail.attachmentName}
              </a>
            )}
          </div>
        </details>
      ))}
      {!mails.length && <p className="mt-2">Nothing has been sent yet.</p>}
      {next && (
        <Link href={`/outbox?before=${encodeURIComponent(next)}`} className="mt-4 inline-block font-semibold underline">
          Older
        </Link>
      )}
    </div>
  );
}

export const OutboxOfText = ofText(Outbox);
