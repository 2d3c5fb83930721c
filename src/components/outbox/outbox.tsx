import Link from 'next/link';
import { sayMoment } from '../job/view';

export interface MailShown {
  readonly id: string;
  readonly to: string;
  readonly subject: string;
  readonly body: string;
  readonly attachmentName: string | null;
  readonly sentAt: string;
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

/** What the mail stand-in has sent, newest first, as the customer got it. */
export function Outbox({
  mails,
  next,
  zone,
}: {
  readonly mails: readonly MailShown[];
  readonly next: string | null;
  readonly zone: string;
}) {
  return (
    <div className="mx-auto max-w-[860px] p-6">
      <h1 className="text-24 font-bold">
        Outbox <small className="text-15 font-normal text-quiet">what the simulated mail service has sent</small>
      </h1>
      {mails.map((mail) => (
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
