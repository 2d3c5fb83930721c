/** The look of the person's button, before and after its panel was fetched. */
export const personButton =
  'min-h-11 rounded-[9px_11px_8px_10px] border border-line px-3 text-left text-13 leading-tight';
