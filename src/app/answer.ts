import { DomainError, httpStatusOf, sayDetails, sayFault, wordsOf } from '@/core/errors';
import { randomUUID } from 'node:crypto';

const headers = { 'cache-control': 'no-store', 'x-content-type-options': 'nosniff' };

/** A refusal as it is answered: its words are made here, from the reason that core gave. */
function sayError({ code, details }: DomainError) {
  const words = wordsOf[code];
  const { issues = [], missing, theirs, yours } = details;
  return {
    code,
    ...words,
    what: sayDetails(details) ?? words.what,
    issues: issues.map(sayFault),
    missing,
    theirs,
    yours,
  };
}

/** An expected failure in words; an unexpected one is logged with an id and shown as that id. */
export function answerError(error: unknown): Response {
  if (error instanceof DomainError)
    return Response.json({ error: sayError(error) }, { status: httpStatusOf[error.code], headers });
  const id = randomUUID().slice(0, 8);
  console.error(`[${id}]`, error);
  return Response.json(
    {
      error: {
        code: 'unexpected',
        what: `Something went wrong here (${id}).`,
        kept: 'What you typed stays on this device.',
        todo: 'Try again; if it stays, tell the owner this number.',
        issues: [],
      },
    },
    { status: 500, headers },
  );
}

/** What was asked for; with what changed by it in the job that the page shows, where it asks. */
export function answerData(data: unknown, changed: unknown = null): Response {
  return Response.json({ data, ...(changed !== null && { changed }) }, { headers });
}

const kinds: Readonly<Record<string, string>> = {
  pdf: 'application/pdf',
  json: 'application/json; charset=utf-8',
  jpg: 'image/jpeg',
  svg: 'image/svg+xml',
  dxf: 'image/vnd.dxf',
  csv: 'text/csv; charset=utf-8',
  zip: 'application/zip',
  ics: 'text/calendar; charset=utf-8',
  xml: 'application/xml; charset=utf-8',
};

/** A file for download or display; it is never run. */
export function answerFile(
  bytes: Buffer,
  name: string,
  { inline = false, maxAge = 0 }: { readonly inline?: boolean; readonly maxAge?: number } = {},
): Response {
  const extension = name.split('.').at(-1) ?? '';
  return new Response(new Uint8Array(bytes), {
    headers: {
      'content-type': kinds[extension] ?? 'application/octet-stream',
      'content-disposition': `${inline ? 'inline' : 'attachment'}; filename="${name.replace(/[^\w.-]/g, '_')}"`,
      'cache-control': maxAge ? `private, max-age=${maxAge}, immutable` : 'private, no-store',
      // A drawing brings its own colours.
      'content-security-policy': `default-src 'none';${extension === 'svg' ? " style-src 'unsafe-inline';" : ''} sandbox`,
      'x-content-type-options': 'nosniff',
    },
  });
}
