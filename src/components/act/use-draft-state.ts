import { useDraft } from './use-draft';

/** What was stored, as it was stored; the first state where nothing was, or it cannot be read. */
function read<State extends object>(text: string, first: State): State {
  if (!text) return first;
  try {
    return { ...first, ...(JSON.parse(text) as Partial<State>) };
  } catch {
    return first;
  }
}

/**
 * State of a form that stays on this device over a reload, until it is forgotten.
 * @param key names it among the drafts of this device
 * @param first what it is before anything is entered
 */
export function useDraftState<State extends object>(
  key: string,
  first: State,
): readonly [state: State, change: (part: Partial<State>) => void, forget: () => void] {
  const [text, setText] = useDraft(key);
  const state = read(text, first);
  const change = (part: Partial<State>) => setText(JSON.stringify({ ...state, ...part }));
  return [state, change, () => setText('')];
}
