import type { PhotoId } from '../../record';
import { put } from '../change';
import type { Decider } from '../decision';

/** A picture that was read and encoded anew; its bytes are stored beside its row. */
export interface PhotoFacts {
  readonly photoId: PhotoId;
  readonly width: number;
  readonly height: number;
  readonly fingerprint: string;
}

interface Command {
  readonly about: string;
  readonly caption: string;
}

/** Adds a picture to the job: one that a person uploads, or one that the bench's camera took. */
export const addPhoto: Decider<Command, { readonly photoId: PhotoId }, PhotoFacts> = (
  { who, facts },
  { about, caption },
) => {
  const { photoId, width, height, fingerprint } = facts;
  return {
    puts: [put('photo', { id: photoId, about, caption, width, height, fingerprint, ...who })],
    note: { photoId, about, caption },
    result: { photoId },
  };
};
