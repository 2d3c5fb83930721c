import * as z from 'zod';
import { growLines } from '@/core/quoting';
import { currentQuote } from '@/core/record';
import { addQuote, readShop, saveQuoteState } from '@/db';
import { changeJob, requireStation } from '../change-job';
import { defineUseCase, tagField } from '../use-case';

const dayAfter = (now: Date, days: number) => new Date(now.getTime() + days * 86_400_000).toISOString().slice(0, 10);

/** Draws up a new revision from the dispositions; a draft before it is superseded. */
export const drawUpQuote = defineUseCase({
  verb: 'draw-up-quote',
  audience: ['coordinator'],
  input: z.strictObject({ tag: tagField }),
  async run(context, { tag }) {
    return changeJob(context, { tag, kind: 'draw-up-quote' }, async ({ connection, record, family }) => {
      requireStation(record, 'quote');
      const shop = (await readShop(connection))!;
      const last = currentQuote(record);
      if (last && last.state !== 'answered') await saveQuoteState(connection, last.id, { state: 'superseded' });
      const revision = (last?.revision ?? 0) + 1;
      const lines = growLines({ family, findings: record.findings, parts: record.parts, rates: shop.settings }).map(
        (line) => ({ ...line, id: context.newId() }),
      );
      await addQuote(
        connection,
        {
          id: context.newId(),
          jobId: record.id,
          revision,
          state: 'draft',
          currency: shop.currency,
          taxPct: String(shop.settings.taxPct),
          validUntil: dayAfter(context.now(), shop.settings.quoteValidDays),
        },
        lines,
      );
      return {
        result: { revision, lines: lines.length },
        data: {
          revision,
          lines: lines.map(({ description, quantity, unitPriceMinor }) => ({ description, quantity, unitPriceMinor })),
        },
      };
    });
  },
});
