const dayMs = 86_400_000;
const uuid = /[\da-f]{8}-[\da-f]{4}-[\da-f]{4}-[\da-f]{4}-[\da-f]{12}/g;
const moment = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$/;
const day = /\d{4}-\d\d-\d\d/g;
const hash = /^[\da-f]{64}$/;
const escaped = (text: string) => text.replaceAll(/[$()*+.?[\\\]^{|}]/g, String.raw`\$&`);

/** Rewrites what an event holds: ids, moments, days, hashes, words. */
export class Rewriter {
  readonly #ids: Map<string, string>;
  readonly #moments = new Map<string, string>();
  readonly #days = new Map<string, string>();
  readonly #hashes = new Map<string, string>();
  /** Texts in which nothing is rewritten. */
  readonly #plain = new Set<string>();
  readonly #words: ReadonlyMap<string, string>;
  readonly #pattern: RegExp;
  #was = 0;
  #is = 0;

  constructor(
    ids: ReadonlyMap<string, string>,
    words: ReadonlyMap<string, string>,
    private readonly newId: () => string,
  ) {
    this.#ids = new Map(ids);
    this.#words = words;
    const longest = [...words.keys()].filter(Boolean).sort((a, b) => b.length - a.length);
    this.#pattern = new RegExp(longest.map(escaped).join('|') || '(?!)', 'g');
  }

  /** The event that is rewritten next, by its moments. */
  at(was: number, is: number): void {
    [this.#was, this.#is] = [was, is];
    this.#moments.set(new Date(was).toISOString(), new Date(is).toISOString());
  }

  knowDay(key: string, was: string, is: string): void {
    this.#days.set(`${key} ${was}`, is);
  }

  knowHash(was: string, is: string): void {
    this.#hashes.set(was, is);
  }

  id(was: string): string {
    const known = this.#ids.get(was) ?? this.newId();
    this.#ids.set(was, known);
    return known;
  }

  #moment(was: string): string {
    const known = this.#moments.get(was) ?? new Date(Date.parse(was) - this.#was + this.#is).toISOString();
    this.#moments.set(was, known);
    return known;
  }

  #day(key: string, was: string): string {
    const apart = Math.round((Date.parse(was) - Date.parse(new Date(this.#was).toISOString().slice(0, 10))) / dayMs);
    const known =
      this.#days.get(`${key} ${was}`) ??
      // A day in a sentence of an offer is the one until which it holds.
      (key === '' ? this.#days.get(`validUntil ${was}`) : undefined) ??
      new Date(this.#is + apart * dayMs).toISOString().slice(0, 10);
    this.#days.set(`${key} ${was}`, known);
    return known;
  }

  text(was: string, key: string): string {
    if (this.#plain.has(was)) return was;
    if (moment.test(was)) return this.#moment(was);
    if (hash.test(was)) return this.#hashes.get(was) ?? was;
    const is = was
      .replaceAll(this.#pattern, (one) => this.#words.get(one) ?? one)
      .replaceAll(uuid, (one) => this.id(one))
      .replaceAll(day, (one) => this.#day(one === was ? key : '', one));
    // The same few words stand in most rows.
    if (is === was) this.#plain.add(was);
    return is;
  }

  value(was: unknown, key = ''): unknown {
    if (typeof was === 'string') return this.text(was, key);
    if (was === null || typeof was !== 'object') return was;
    if (Array.isArray(was)) return was.map((one) => this.value(one, key));
    return Object.fromEntries(Object.entries(was).map(([name, one]) => [this.text(name, ''), this.value(one, name)]));
  }
}
