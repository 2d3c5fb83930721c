import { createServer, connect, type Socket } from 'node:net';

/** A line to somebody who listens on this machine, that can be cut and mended; it carries bytes and knows nothing of them. */
export interface Line {
  /** Where they are found through it. */
  readonly port: number;
  /** Takes what is said and says nothing, as a machine that is frozen, until it is mended. */
  readonly freeze: () => void;
  readonly cut: () => Promise<void>;
  readonly mend: () => Promise<void>;
}

export async function openLine(to: number): Promise<Line> {
  let isFrozen = false;
  const open = new Set<Socket>();
  const server = createServer((device) => {
    const other = connect(to, '127.0.0.1');
    for (const [one, far] of [
      [device, other],
      [other, device],
    ] as const) {
      open.add(one);
      one.on('data', (piece) => isFrozen || far.write(piece));
      one.on('end', () => far.end());
      one.on('error', () => far.destroy());
      one.on('close', () => {
        open.delete(one);
        far.destroy();
      });
    }
  });
  const listen = (at: number) =>
    new Promise<void>((done, refuse) => {
      server.once('error', refuse);
      server.listen(at, '127.0.0.1', () => (server.off('error', refuse), done()));
    });
  let own = 0;
  while (!server.listening) {
    // Below the ports that are given to whoever connects to somebody: it must be free again when the line is mended.
    own = 12_000 + Math.floor(Math.random() * 8000);
    await listen(own).catch(() => undefined);
  }
  return {
    port: own,
    freeze: () => void (isFrozen = true),
    cut: async () => {
      if (!server.listening) return;
      const closed = new Promise((done) => void server.close(done));
      for (const one of open) one.destroy();
      await closed;
    },
    mend: async () => {
      isFrozen = false;
      if (!server.listening) await listen(own);
    },
  };
}
