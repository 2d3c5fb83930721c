import { growLines, type Rates } from '../../quoting';
import { currentQuote, type QuoteId, type QuoteLineId, type RowOf } from '../../record';
import { put, type Put } from '../change';
import { requireStation, type Decider } from '../decision';

/** What of the shop's settings a quote depends on. */
export interface ShopTerms {
  readonly currency: string;
  readonly rates: Rates;
  readonly taxPct: number;
  readonly quoteValidDays: number;
}

const dayMs = 86_400_000;
const dayAfter = (iso: string, days: number) => new Date(Date.parse(iso) + days * dayMs).toISOString().slice(0, 10);

/** Draws up a new revision from the dispositions; an unanswered one before it is superseded. */
export const drawUpQuote: Decider<unknown, { readonly revision: number; readonly lines: number }, ShopTerms> = ({
  record,
  family,
  facts,
  newId,
  now,
}) => {
  requireStation(record, 'quote');
  const last = currentQuote(record);
  const revision = (last?.revision ?? 0) + 1;
  const superseded: Put[] = [];
  if (last && last.state !== 'answered') {
    const { lines: _lines, ...head } = last;
    superseded.push(put('quote', { ...head, state: 'superseded', version: head.version + 1 }));
  }
  const { currency, taxPct, rates, quoteValidDays } = facts;
  const quoteId = newId<QuoteId>();
  const head: RowOf<'quote'> = {
    ...{ id: quoteId, revision, state: 'draft', currency, taxPct, validUntil: dayAfter(now, quoteValidDays) },
    ...{ sentAt: null, text: null, fingerprint: null, version: 1 },
  };
  const lines = growLines({ family, findings: record.findings, parts: record.parts, rates }).map((line, position) =>
    put('quoteLine', { ...line, id: newId<QuoteLineId>(), quoteId, position }),
  );
  return {
    puts: [...superseded, put('quote', head), ...lines],
    note: { revision, lines: lines.length },
    result: { revision, lines: lines.length },
  };
};
