import type { CommandOf, ResultOf } from '@/contract';
import { reason, refuse } from '@/core/change/decision';
import { numberKey } from '@/core/supply';
import { asId, type PhotoId } from '@/core/record';
import { addOrderPhotoRow, saveShopOrder, sha256 } from '@/db';
import { changeTogether } from '../change-job';
import type { Context } from '../context';
import type { Picture } from '../pictures';
import { orderOf, said } from './shop-orders';

/** Keeps a picture of a piece with its order, and says so in what was said about it. */
export function addOrderPhoto(
  context: Context,
  { number, piece, caption }: CommandOf<'add-order-photo'>,
  { bytes, thumb, width, height }: Picture,
): Promise<ResultOf<'add-order-photo'>> {
  return changeTogether(context, async ({ connection }) => {
    const order = await orderOf(connection, number, true);
    const pieces = order.lines.flatMap((line) => line.pieces);
    if (!pieces.some((own) => numberKey(own.number) === numberKey(piece)))
      refuse('bad-input', reason('not-in-parcel', { number: piece, order: number }), 'piece');
    const id = asId<PhotoId>(context.newId());
    const written = said(order, context, `Picture kept of ${piece}${caption && `: ${caption}`}`);
    await saveShopOrder(connection, written);
    const { by, at } = written.history.at(-1) ?? { by: '', at: context.now().toISOString() };
    await addOrderPhotoRow(connection, {
      ...{ id, orderNumber: number, piece, caption, width, height, bytes, thumb },
      ...{ fingerprint: sha256(bytes), personName: by, at: new Date(at) },
    });
    return { photoId: id };
  });
}
