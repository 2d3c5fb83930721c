import { actMark } from '@/server';
import { receivePicture } from '@/app/receive-picture';

/** The shop's mark as bytes. */
export const POST = (request: Request): Promise<Response> => receivePicture(request, actMark);
