import * as z from 'zod';
import { addDays } from '@/core/planning';
import { awaitedAnswer } from '@/core/quoting';
import { listAwaitedAnswers, listGoingOut, listOrderedAtRisk, listPromiseMoves, listShopOrders } from '@/db';
import { defineUseCase } from '../use-case';
import { dayIn } from './read-floor';
import { orderShown } from './read-parts';

/** Days ahead that count as this week, and back for promises that were moved. */
const aheadDays = 7;
const backDays = 14;

const pumpOf = ({ maker, model }: { readonly maker: string; readonly model: string }) => `${maker} ${model}`.trim();

/** The coordinator’s week: answers that are awaited, what comes and goes, money at risk, promises that were moved. */
export const readWeek = defineUseCase({
  verb: 'read-week',
  audience: ['coordinator', 'parts'],
  input: z.strictObject({}),
  async run({ database, now, shopAtHand }) {
    const shop = (await shopAtHand())?.shop;
    const zone = shop?.zone ?? 'UTC';
    const today = dayIn(zone, now());
    const until = addDays(today, aheadDays);
    const since = new Date(now().getTime() - backDays * 86_400_000);
    const [answers, goingOut, orders, risks, moves] = await Promise.all([
      listAwaitedAnswers(database),
      listGoingOut(database, until),
      listShopOrders(database, ['placed', 'acknowledged'], 1000),
      listOrderedAtRisk(database),
      listPromiseMoves(database, since),
    ]);
    const afterDays = shop?.settings.reminderAfterDays ?? 7;
    return {
      ...{ today, until, currency: shop?.currency ?? 'EUR' },
      answers: answers.map(({ sentAt, remindedAt, ...row }) => {
        const sentOn = dayIn(zone, sentAt ?? now());
        const remindedOn = remindedAt ? dayIn(zone, remindedAt) : null;
        const standing = awaitedAnswer({ sentOn, remindedOn, validUntil: row.validUntil }, today, afterDays);
        return { ...row, pump: pumpOf(row), reminded: row.reminded ?? 0, sentOn, ...standing };
      }),
      goingOut: goingOut.map((row) => ({ ...row, pump: pumpOf(row) })),
      comingIn: orders
        .map((order) => orderShown(order, []))
        .filter(({ dueOn, open }) => open > 0 && dueOn !== null && dueOn <= until)
        .toSorted((a, b) => (a.dueOn ?? '').localeCompare(b.dueOn ?? '')),
      risks: risks.map((row) => ({ ...row, pump: pumpOf(row) })),
      moves: moves.map((row) => ({ ...row, pump: pumpOf(row), at: dayIn(zone, row.at) })),
    };
  },
});
export type WeekShown = Awaited<ReturnType<typeof readWeek.run>>;
