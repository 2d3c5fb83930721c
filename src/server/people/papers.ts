import * as z from 'zod';
import { catalogueFor } from '@/words/every-language';
import type { CommandOf, ResultOf } from '@/contract';
import { DomainError } from '@/core/errors';
import { writeLot, writeOrderNumber, writeReportNumber, writeTag } from '@/core/lifecycle';
import { findMark, numberSeries, readShop, saveMark, setNextNumber } from '@/db';
import type { Context } from '../context';
import type { Picture } from '../pictures';
import { defineUseCase, forVerb, inTransaction } from '../use-case';
import { noteDeed } from './deed';

type Series = CommandOf<'set-number'>['series'];
type Shop = NonNullable<Awaited<ReturnType<typeof readShop>>>;

/** How the next of a series is written, and what it is called. */
const written: Readonly<
  Record<Series, { readonly title: string; readonly write: (number: number, year: number) => string }>
> = {
  tag: { title: 'Tags of jobs', write: writeTag },
  report: { title: 'Reports', write: writeReportNumber },
  order: { title: 'Orders', write: writeOrderNumber },
  lot: { title: 'Lots', write: writeLot },
};
const nextOf = (shop: Shop, series: Series) => shop[numberSeries[series]];

/** Lets a series go on at a higher number: as compare-and-set, for a number may be taken meanwhile. */
export const setNumber = forVerb('set-number', (context, { series, next, basedOn }) =>
  inTransaction(context, async (connection) => {
    const { title } = written[series];
    const write = (number: number) => written[series].write(number, context.now().getUTCFullYear());
    if (next < basedOn) {
      const message = `numbers up to ${write(basedOn - 1)} are given already; type ${basedOn} or more`;
      throw new DomainError('bad-input', { what: `${title}: ${message}.`, issues: [{ path: 'next', message }] });
    }
    if (!(await setNextNumber(connection, series, { from: basedOn, to: next })))
      throw new DomainError('changed-meanwhile', {
        what: `${title}: ${write(basedOn)} was given meanwhile. Look again.`,
      });
    if (next !== basedOn) {
      const words = `let ${title.toLowerCase()} go on at ${write(next)} (was ${write(basedOn)})`;
      await noteDeed(context, connection, 'set-number', words);
    }
    return { next };
  }),
);

/** Keeps the shop's mark. */
export const setMark = (
  context: Context,
  _command: object,
  { bytes, width, height }: Picture,
): Promise<ResultOf<'set-mark'>> =>
  inTransaction(context, async (connection) => {
    await saveMark(connection, { bytes, width, height });
    await noteDeed(context, connection, 'set-mark', 'put a mark at the head of the papers');
    return { width, height };
  });

export const removeMark = forVerb('remove-mark', (context) =>
  inTransaction(context, async (connection) => {
    await saveMark(connection, null);
    await noteDeed(context, connection, 'remove-mark', 'took the mark off the papers');
    return {};
  }),
);

/** The mark as a picture. */
export const readMarkPicture = defineUseCase({
  verb: 'read-mark',
  audience: ['coordinator', 'technician', 'inspector', 'parts'],
  input: z.strictObject({}),
  async run({ database }) {
    const mark = await findMark(database);
    if (!mark) throw new DomainError('not-found', { what: 'This shop has no mark.' });
    return { bytes: mark.bytes };
  },
});

/** What the owner settles of the papers: the words of letters, numbers, the mark. */
export const readPapers = defineUseCase({
  verb: 'read-papers',
  audience: ['owner'],
  input: z.strictObject({}),
  async run({ database, now }) {
    const [shop, mark] = await Promise.all([readShop(database), findMark(database)]);
    if (!shop) throw new DomainError('not-found', { what: 'There is no shop yet.' });
    const numbers = (Object.keys(written) as Series[]).map((series) => {
      const next = nextOf(shop, series);
      return {
        series,
        title: written[series].title,
        next,
        written: written[series].write(next, now().getUTCFullYear()),
      };
    });
    return {
      ...{ shop: shop.name, telephone: shop.settings.telephone, letters: shop.settings.letters, numbers },
      ...{ language: shop.settings.language, catalogue: catalogueFor(shop.settings.language, []) },
      mark: mark && { width: mark.width, height: mark.height },
    };
  },
});
export type PapersShown = Awaited<ReturnType<typeof readPapers.run>>;
