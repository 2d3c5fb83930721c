import { readAnswer } from './act';
import { askShop } from './line';

/** What a door that only reads answers; null when it refuses or nobody is there. Throws when the request is aborted. */
export async function getData<Data>(path: string, signal?: AbortSignal): Promise<Data | null> {
  const answer = await readAnswer<Data>(await askShop(path, signal ? { signal } : {}));
  return answer?.ok ? answer.data : null;
}
