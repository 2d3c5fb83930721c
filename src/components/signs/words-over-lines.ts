/** How words are written over a drawing, so that its lines do not run through them. */
export const wordsOverLines = {
  fontWeight: 700,
  fill: 'var(--ink)',
  stroke: 'var(--paper)',
  strokeWidth: 3,
  paintOrder: 'stroke',
} as const;
