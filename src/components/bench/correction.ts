import type { InputOf } from '@/contract';
import { readBuild, type AnswerForm } from '@/core/family';
import type { JobView } from '../job/view';

/**
 * The correction that an answer asks for: the pump is found built otherwise than it was received. Null where the answer
 * finds out nothing of how it is built, or finds it as it was received.
 */
export function correctionOf(
  { record, family }: Pick<JobView, 'record' | 'family'>,
  form: AnswerForm | undefined,
  { title, words }: { readonly title: string; readonly words: string },
): InputOf<'correct-construction'> | null {
  if (form?.kind !== 'choice' || form.axis === undefined || words === form.should) return null;
  const { axis: id } = form;
  const choice = family.axes.find((axis) => axis.id === id)?.choices.find((one) => one.title === words);
  if (!choice) return null;
  const { axes = {}, size, counts, to } = readBuild(record.familyVersion);
  return {
    ...{ tag: record.tag, familyId: record.familyId, reason: `${title}: ${words}` },
    axes: { ...axes, [id]: choice.id },
    ...(size !== undefined && { size }),
    ...(counts && { counts: { ...counts } }),
    ...(to && { to: { ...to } }),
  };
}
