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

/**
 * A change as an event holds it, in the shape of today: what was written stays as it is, for the chain vouches for its
 * bytes, and is read as what it would be now.
 */
export function bringUpPut({ put, row, was }: WrittenPut): WrittenPut {
  if (put === 'capture') return { put: 'answer', row: answerOfCapture(row), was };
  if (put === 'step' && row.state === undefined) return { put, row: { ...row, state: 'done' }, was };
  if (put === 'finding' && row.actionId === undefined) return { put, row: { ...row, actionId: null }, was };
  return { put, row, was };
}
