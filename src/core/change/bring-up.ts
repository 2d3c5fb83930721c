/** Kinds of rows that events of earlier versions put, under another name today. */
export const earlierKinds = ['capture'] as const;

type Row = Readonly<Record<string, unknown>>;
interface WrittenPut {
  readonly put: string;
  readonly row: Row;
  readonly was: Row | null;
}

/** What a capture of before actions is as an answer: in the first round, for captures outlived a failed run. */
export function answerOfCapture({ captureId, valueMm, text, ...rest }: Row): Row {
  return {
    ...rest,
    round: 1,
    actionId: captureId,
    state: 'done',
    value: valueMm ?? null,
    unit: typeof valueMm === 'number' ? 'mm' : '',
    data: text ? { text } : {},
    conceded: false,
  };
}

/** A reading of before readings had a unit and a round: a length in mm, and its instrument's uncertainty in µm. */
function readingOf(row: Row): Row {
  if (row.value !== undefined) return row;
  const { valueMm, uncertaintyUm, ...rest } = row;
  const uncertainty = typeof uncertaintyUm === 'number' ? Number((uncertaintyUm / 1000).toFixed(6)) : null;
  return { ...rest, round: 0, value: valueMm, unit: 'mm', uncertainty, conceded: null };
}

/** What quotes, lines, answers and orders say since a repair can branch; those from before say nothing of it. */
const sinceScope: Readonly<Record<string, Row>> = {
  quote: {
    ...{ kind: 'quote', options: [], advised: 'recommended', note: '', recipients: [], labourMinorPerHour: null },
    ...{ discountPct: 0, basis: null, supplement: null, language: 'en' },
  },
  quoteLine: {
    ...{ key: '', itemKeys: [], options: [], instead: '', critical: false, byHand: false, proposed: null },
    ...{ proposalMoved: false, discountPct: 0, unitCostMinor: null },
  },
  approval: { option: null, corrects: null },
  order: { atRiskMinor: null },
  orderLine: { dueOn: null },
  receipt: { number: '', variant: '', lot: '' },
  returned: { signature: '' },
};

/**
 * A change as an event holds it, in the shape of today: what was written stays as it is, for the chain vouches for its
 * bytes, and is read as what it would be now.
 */
export function bringUpPut({ put, row, was }: WrittenPut): WrittenPut {
  if (put === 'capture') return { put: 'answer', row: answerOfCapture(row), was };
  if (put === 'step' && row.state === undefined) return { put, row: { ...row, state: 'done' }, was };
  if (put === 'finding') return { put, row: { actionId: null, round: 0, ...row }, was };
  if (put === 'reading') return { put, row: readingOf(row), was };
  const added = sinceScope[put];
  return { put, row: added ? { ...added, ...row } : row, was };
}
