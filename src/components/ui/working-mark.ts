/** The look of the small "=" beside a figure, before and after its panel was fetched. */
export const workingMark =
  'num inline-grid size-7 place-items-center rounded-[9px_8px_10px_7px] border border-line bg-sheet font-semibold text-quiet hover:text-ink';
