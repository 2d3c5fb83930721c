/** One request that a component made. */
export interface Asked {
  readonly path: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: unknown;
}

type Answer = { readonly status?: number; readonly body: unknown } | 'lost' | 'never';

/**
 * Answers a component's requests by a function; remembers what was asked. `lost` is a line that is down, `never` one on
 * which no answer comes.
 */
export function answerFetch(answer: (asked: Asked) => Answer): readonly Asked[] {
  const asked: Asked[] = [];
  const fetched = (path: unknown, given: RequestInit = {}): Promise<Response> => {
    const one: Asked = {
      path: String(path),
      headers: Object.fromEntries(Object.entries(given.headers ?? {})),
      body: typeof given.body === 'string' ? (JSON.parse(given.body) as unknown) : null,
    };
    asked.push(one);
    if (given.signal?.aborted) return Promise.reject(new DOMException('aborted', 'AbortError'));
    const found = answer(one);
    if (found === 'never') return new Promise(() => {});
    if (found === 'lost') return Promise.reject(new TypeError('failed to fetch'));
    const { status = 200, body } = found;
    const response: Pick<Response, 'status' | 'ok' | 'json'> = {
      status,
      ok: status < 300,
      json: () => Promise.resolve(body),
    };
    return Promise.resolve(response as Response);
  };
  globalThis.fetch = fetched;
  return asked;
}

/** A refusal as the doors answer it, with the issues of single fields. */
export const refusal = (what: string, ...issues: readonly { readonly path: string; readonly message: string }[]) => ({
  status: 422,
  body: { error: { code: 'bad-input', what, kept: 'k', todo: 't', issues } },
});
