import { actOrderPhoto } from '@/server';
import { receivePicture, saidOf } from '@/app/receive-picture';

/** A picture of a piece of an order as bytes; which piece and its caption stand in the address. */
export async function POST(request: Request, { params }: { params: Promise<{ number: string }> }): Promise<Response> {
  const { number } = await params;
  const fields = { number, piece: saidOf(request, 'piece'), caption: saidOf(request, 'caption') };
  return receivePicture(request, (context, read) => actOrderPhoto(context, fields, read));
}
