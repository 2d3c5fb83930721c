import { actPhoto } from '@/server';
import { receivePicture, saidOf } from '@/app/receive-picture';

/** A picture of a job as bytes; what it is about and its caption stand in the address. */
export async function POST(request: Request, { params }: { params: Promise<{ tag: string }> }): Promise<Response> {
  const { tag } = await params;
  const fields = { tag, about: saidOf(request, 'about'), caption: saidOf(request, 'caption') };
  return receivePicture(request, (context, read) => actPhoto(context, fields, read));
}
