/** The look of a panel's button, before and after the panel was fetched. */
export const panelButton = 'inline-flex min-h-8 items-center rounded border border-line px-2 text-13';
