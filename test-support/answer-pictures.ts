/** One picture that a component sent. */
export interface SentPicture {
  readonly address: string;
  readonly headers: Readonly<Record<string, string>>;
}

/** Answers pictures that components send as bytes; remembers what was sent. `lost` is a line that is down. */
export function answerPictures(
  answer: () => { readonly status?: number; readonly body: unknown } | 'lost',
): readonly SentPicture[] {
  const sent: SentPicture[] = [];
  class Request {
    readonly upload: { onprogress: ((event: object) => void) | null } = { onprogress: null };
    onload: (() => void) | null = null;
    onerror: (() => void) | null = null;
    responseText = '';
    status = 0;
    private address = '';
    private readonly headers: Record<string, string> = {};
    open(_method: string, address: string): void {
      this.address = address;
    }
    setRequestHeader(name: string, value: string): void {
      this.headers[name] = value;
    }
    send(): void {
      sent.push({ address: this.address, headers: this.headers });
      const found = answer();
      setTimeout(() => {
        if (found === 'lost') return this.onerror?.();
        this.upload.onprogress?.({ lengthComputable: true, loaded: 1, total: 2 });
        this.status = found.status ?? 200;
        this.responseText = JSON.stringify(found.body);
        this.onload?.();
      });
    }
  }
  globalThis.XMLHttpRequest = Request as unknown as typeof XMLHttpRequest;
  return sent;
}
