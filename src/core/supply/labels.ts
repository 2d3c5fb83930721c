/** What a label that is read stands for: a job, a part of its pump, or one of its trays. */
export interface Label {
  readonly tag: string;
  readonly part: string | null;
  readonly tray: string | null;
}

const tag = /^P-\d{4,}$/;

/** The code on the label of a part of a pump. @example partCode('P-0431', 'front-ring') // 'P-0431/front-ring' */
export const partCode = (job: string, ref: string) => `${job}/${ref}`;
/** The code on the label of a tray. @example trayCode('P-0431', '2') // 'P-0431#2' */
export const trayCode = (job: string, tray: string) => `${job}#${tray}`;

/**
 * Reads the code of a label; null for a text that is none.
 * @example readLabel('P-0431/front-ring') // { tag: 'P-0431', part: 'front-ring', tray: null }
 */
export function readLabel(text: string): Label | null {
  const code = text.trim();
  const [, job = code, mark = '', rest = ''] = /^([^/#]+)([/#])(.+)$/.exec(code) ?? [];
  if (!tag.test(job)) return null;
  return { tag: job, part: mark === '/' ? rest : null, tray: mark === '#' ? rest : null };
}
