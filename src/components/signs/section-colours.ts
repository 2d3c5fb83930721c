/** Hatches by material: ground, lines and their turn in degrees; colours by their names in the sheet of styles. */
export const hatches: Readonly<Record<string, readonly [ground: string, stroke: string, turn: number]>> = {
  cast: ['var(--sand)', 'var(--quiet)', 45],
  steel: ['var(--paper)', 'var(--slate)', -45],
  stainless: ['var(--paper)', 'var(--slate)', -45],
  bronze: ['#ead9ae', '#8a6a2a', -45],
  elastomer: ['var(--ink)', 'var(--ink)', 0],
  'carbon-ceramic': ['var(--quiet)', 'var(--ink)', 45],
  plastic: ['var(--paper)', 'var(--plum)', 45],
};
const solids: Readonly<Record<string, string>> = {
  elastomer: 'var(--ink)',
  'carbon-ceramic': 'var(--quiet)',
  steel: 'var(--slate)',
  stainless: 'var(--slate)',
};

/** What an outline is filled with. @param hatch the id of the hatch of a material */
export function fillOf(
  { fill, material }: { readonly fill: string; readonly material: string },
  hatch: (material: string) => string,
): string {
  if (fill === 'open') return 'var(--sheet)';
  if (fill === 'solid') return solids[material] ?? 'var(--quiet)';
  return fill === 'line' ? 'none' : `url(#${hatch(material)})`;
}

/** Words on the drawing as a share of its length, so that they can be read however long the pump is. */
export const wordShare = { upright: 0.026, lying: 0.03 } as const;

/** The colours of the sheet of styles that drawings use, for a picture that stands outside of it; a test compares them. */
export const sheetColours = {
  light: {
    ...{ paper: '#f5f2eb', sand: '#e9e3d6', ink: '#20262b', quiet: '#555c53' },
    ...{ slate: '#43566a', plum: '#6a3d5b', sheet: '#fffdf8' },
  },
  dark: {
    ...{ paper: '#171b1f', sand: '#22282d', ink: '#ece7db', quiet: '#a9b0a6' },
    ...{ slate: '#93a8bd', plum: '#c79ab8', sheet: '#1e2429' },
  },
} as const;
