import type { QuoteLine } from '../record';

type Keyed = Pick<QuoteLine, 'key'>;

/** The key of a line that a person made. @example handKey('7') // 'hand:7' */
export const handKey = (id: string) => `hand:${id}`;
/** Lines that a person made, not the record. */
export const isHandMade = ({ key }: Keyed) => key.startsWith('hand:');

/** Standing work of the family, which belongs to every repair. */
export const isStandingWork = ({ key }: Keyed) => key.startsWith('work:');

export const freightKey = 'freight';
/** What is paid even where the pump is only put together again: the work up to there, and its way back. */
export const isClosingUp = (line: Keyed) => line.key === freightKey || isStandingWork(line);

/** The key of a line that buys a kit, or a part that is always renewed. @example buyingKey('seal-kit') // 'buy:seal-kit' */
export const buyingKey = (id: string) => `buy:${id}`;
export const isAlwaysNew = ({ key }: Keyed) => key.startsWith('buy:');

/** The line that fits what another buys. @example fittingKey('replace:ring') // 'replace:ring/fit' */
export const fittingKey = (key: string) => `${key}/fit`;
export const isFitting = ({ key }: Keyed) => key.endsWith('/fit');

/** The line of work that another shop does, by its number. @example outsideKey('O-0417-1') // 'outside:O-0417-1' */
export const outsideKey = (number: string) => `outside:${number}`;

/** The line of what a part is made of. @example materialKey('make:cap') // 'make:cap/material' */
export const materialKey = (key: string) => `${key}/material`;
