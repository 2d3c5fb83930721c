/**
 * Behaviour of elastomers, by groups of liquids: 'suits', 'care' or 'no'. Source: general practice of the trade in
 * the coarse groups a bench needs, not transcribed from a standard or a maker's list, which come first.
 */
export type Behaviour = 'suits' | 'care' | 'no';
export const elastomerNames = ['NBR', 'HNBR', 'EPDM', 'FKM', 'VMQ', 'CR', 'FFKM'] as const;
export type Elastomer = (typeof elastomerNames)[number];

/** Usual range of service, °C. Source: general practice for usual grades; names by ISO 1629. */
export const ranges: Readonly<Record<Elastomer, readonly [from: number, to: number]>> = {
  NBR: [-30, 100],
  HNBR: [-30, 150],
  EPDM: [-45, 140],
  FKM: [-20, 200],
  VMQ: [-55, 200],
  CR: [-35, 100],
  FFKM: [-15, 300],
};

export const liquidNames = [
  'water',
  'hot water over 100 °C or steam',
  'glycol and water',
  'brine',
  'mineral oil',
  'mineral grease',
  'silicone oil or grease',
  'soapy water',
  'petrol',
  'vegetable oil',
  'weak acid',
  'strong acid',
  'weak lye',
  'strong lye',
  'alcohol',
  'ketone such as acetone',
  'aromatic solvent',
  'chlorinated solvent',
  'ester',
] as const;
export type LiquidGroup = (typeof liquidNames)[number];

const row = (text: string): Readonly<Record<Elastomer, Behaviour>> =>
  Object.fromEntries(
    elastomerNames.map((name, i) => [name, ({ s: 'suits', c: 'care', n: 'no' } as const)[text[i] as 's' | 'c' | 'n']]),
  ) as Record<Elastomer, Behaviour>;

/** In the order NBR, HNBR, EPDM, FKM, VMQ, CR, FFKM; s suits, c with care, n no. */
export const behaviour: Readonly<Record<LiquidGroup, Readonly<Record<Elastomer, Behaviour>>>> = {
  water: row('sssscss'),
  'hot water over 100 °C or steam': row('ncsccnc'),
  'glycol and water': row('sssssss'),
  brine: row('sssssss'),
  'mineral oil': row('ssnscc' + 's'),
  'mineral grease': row('ssnscc' + 's'),
  'silicone oil or grease': row('ssssnss'),
  'soapy water': row('sssssss'),
  petrol: row('ccnsnn' + 's'),
  'vegetable oil': row('sscsscs'),
  'weak acid': row('cssscss'),
  'strong acid': row('nncsnns'),
  'weak lye': row('ssscscs'),
  'strong lye': row('ccsncss'),
  alcohol: row('sssc' + 'sss'),
  'ketone such as acetone': row('nnsnnns'),
  'aromatic solvent': row('nnnsnns'),
  'chlorinated solvent': row('nnncnns'),
  ester: row('nnc' + 'nnns'),
};
