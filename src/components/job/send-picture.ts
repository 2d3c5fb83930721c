'use client';

import { v4 as makeKey } from 'uuid';
import { headersOf, lost, type ActError, type Answered, type Sending } from '../act/act';
import { isAway, noteAnswer, noteLost } from '../act/line';

/** The largest picture that is taken in, in bytes; as the door has it. */
export const mostPictureBytes = 20 * 1024 * 1024;

interface Asked {
  /** To which door it goes, and what stands in its address. */
  readonly door: `/api/photos/${string}` | '/api/mark';
  readonly about: Readonly<Record<string, string>>;
  readonly file: Blob;
  /** Told how much has gone, from 0 to 1. */
  readonly onProgress?: (share: number) => void;
  /** Whose entry it is, and under which key, where it waited. */
  readonly sending?: Sending;
}

export const tooLarge: ActError = {
  code: 'too-large',
  what: `The picture is larger than ${mostPictureBytes / 1048576} MB.`,
  kept: 'Nothing of it was stored.',
  todo: 'Send a smaller one.',
  issues: [],
};

function answerOf<Kept>(text: string, status: number): Answered<Kept> | null {
  if (isAway(status)) return null;
  try {
    const body = JSON.parse(text) as { data?: Kept; error?: ActError };
    if (body.data) return { ok: true, data: body.data };
    if (body.error) return { ok: false, error: body.error };
  } catch {
    // An answer that is no JSON comes from something between here and there.
  }
  return status === 413 ? { ok: false, error: tooLarge } : null;
}

/**
 * Sends a picture as bytes, telling how far it has gone; a fetch cannot tell that. Gives what the door answers, null
 * where nobody does.
 */
export function trySendPicture<Kept>({
  door,
  about,
  file,
  onProgress,
  sending,
}: Asked): Promise<Answered<Kept> | null> {
  if (file.size > mostPictureBytes) return Promise.resolve({ ok: false, error: tooLarge });
  return new Promise((resolve) => {
    const request = new XMLHttpRequest();
    request.open('POST', `${door}?${new URLSearchParams(about).toString()}`);
    const given = { key: makeKey(), madeAt: new Date().toISOString(), ...sending };
    for (const [name, value] of Object.entries(headersOf(given))) request.setRequestHeader(name, value);
    request.upload.onprogress = (event) => event.lengthComputable && onProgress?.(event.loaded / event.total);
    request.onload = () => {
      const answer = answerOf<Kept>(request.responseText, request.status);
      if (answer) noteAnswer();
      else noteLost();
      resolve(answer);
    };
    request.onerror = () => {
      noteLost();
      resolve(null);
    };
    request.send(file);
  });
}

/** As `trySendPicture` for a picture that does not wait: a line that is lost is an error. */
export async function sendPicture<Kept>(asked: Asked): Promise<Answered<Kept>> {
  return (
    (await trySendPicture<Kept>(asked)) ?? {
      ok: false,
      error: { ...lost, kept: 'The file is where it was.', todo: 'Choose the picture again when it is back.' },
    }
  );
}
