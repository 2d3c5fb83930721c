import { present } from '../present';
import { show, SumRefusal } from './notebook';
import { fineSteps, grades, holeJ, mainSteps, shaftDeviations, shaftJ } from './tables/iso-286';

interface Deviations {
  readonly lowerUm: number;
  readonly upperUm: number;
}

interface ClassAsked {
  readonly nominalMm: number;
  readonly letters: string;
  readonly grade: number;
  readonly path: string;
}

function stepOf(nominalMm: number): number {
  return mainSteps.findIndex((upTo) => nominalMm <= upTo);
}

function gradeUm(grade: number, step: number): number {
  return present(present(grades[grade])[step]);
}

function refuse({ letters, grade, nominalMm, path }: ClassAsked): never {
  throw new SumRefusal(path, `ISO 286 gives no ${letters}${grade} for ${show(nominalMm)} mm; ask for another class`);
}

/** Magnitude of the fundamental deviation of k to s (and K to S before Δ), µm. */
function innerDeviation(letter: string, nominalMm: number, step: number): number {
  if (letter !== 'r' && letter !== 's') return present(present(shaftDeviations[letter])[step]);
  const row = present(fineSteps.find(([upTo]) => nominalMm <= upTo));
  return letter === 'r' ? row[1] : row[2];
}

function shaftLimits(asked: ClassAsked): Deviations {
  const { letters, grade, nominalMm } = asked;
  const step = stepOf(nominalMm);
  const it = gradeUm(grade, step);
  if (letters === 'js') return { lowerUm: -it / 2, upperUm: it / 2 };
  if (letters === 'j') {
    const lower = shaftJ[grade]?.[step];
    return lower === undefined ? refuse(asked) : { lowerUm: lower, upperUm: lower + it };
  }
  if ('efgh'.includes(letters)) {
    const upper = present(present(shaftDeviations[letters])[step]);
    return { lowerUm: upper - it, upperUm: upper };
  }
  const lower = letters === 'k' && grade > 7 ? 0 : innerDeviation(letters, nominalMm, step);
  return { lowerUm: lower, upperUm: lower + it };
}

/** Upper deviation of holes K, M, N and P to S, with the Δ rule and the exceptions of the standard. */
function innerHoleUpper(asked: ClassAsked, step: number): number {
  const { letters, grade, nominalMm } = asked;
  const delta = nominalMm > 3 ? gradeUm(grade, step) - gradeUm(grade - 1, step) : 0;
  const base = -innerDeviation(letters.toLowerCase(), nominalMm, step);
  if (letters === 'K') return grade <= 8 ? base + delta : nominalMm <= 3 ? 0 : refuse(asked);
  if (letters === 'M')
    return grade === 6 && nominalMm > 250 && nominalMm <= 315 ? -9 : grade <= 8 ? base + delta : base;
  if (letters === 'N') return grade <= 8 ? base + delta : nominalMm <= 1 ? refuse(asked) : nominalMm <= 3 ? base : 0;
  return grade <= 7 ? base + delta : base;
}

function holeLimits(asked: ClassAsked): Deviations {
  const { letters, grade, nominalMm } = asked;
  const step = stepOf(nominalMm);
  const it = gradeUm(grade, step);
  if (letters === 'JS') return { lowerUm: -it / 2, upperUm: it / 2 };
  if (letters === 'J') {
    const upper = holeJ[grade]?.[step];
    return upper === undefined ? refuse(asked) : { lowerUm: upper - it, upperUm: upper };
  }
  if ('EFGH'.includes(letters)) {
    const lower = 0 - present(present(shaftDeviations[letters.toLowerCase()])[step]);
    return { lowerUm: lower, upperUm: lower + it };
  }
  const upper = innerHoleUpper(asked, step);
  return { lowerUm: upper - it, upperUm: upper };
}

function parseClass(text: string, nominalMm: number, path: 'hole' | 'shaft'): ClassAsked {
  const found = present(/^([A-Za-z]{1,2})(\d{1,2})$/.exec(text));
  return { nominalMm, letters: present(found[1]), grade: Number(found[2]), path };
}

/**
 * Limits of size of one tolerance class, mm.
 * Inputs: nominal 0 < size ≤ 500 mm; class such as "H7" (hole) or "k6" (shaft), grades 5 to 11.
 * Source: ISO 286-1:2010. Throws SumRefusal for a class that the standard does not give at that size.
 * @example classLimits({ nominalMm: 50, of: 'hole', text: 'H7' }) // { min: 50, max: 50.025 }
 */
export function classLimits({
  nominalMm,
  of,
  text,
}: {
  readonly nominalMm: number;
  readonly of: 'hole' | 'shaft';
  readonly text: string;
}) {
  const asked = parseClass(text, nominalMm, of);
  const { lowerUm, upperUm } = of === 'hole' ? holeLimits(asked) : shaftLimits(asked);
  return { min: sizeMm(nominalMm, lowerUm), max: sizeMm(nominalMm, upperUm), lowerUm, upperUm };
}

/** Nominal plus micrometres without the crumbs of binary fractions. */
function sizeMm(nominalMm: number, deviationUm: number): number {
  return Number((nominalMm + deviationUm / 1000).toFixed(7));
}
