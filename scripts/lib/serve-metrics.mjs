import { createServer } from 'node:http';
import metrics from 'prom-client';
import { bytesLeft } from './data-folder.mjs';

/**
 * The figures of all processes in the Prometheus text format, on loopback only. Gives null where the port is taken.
 * @param {{ port: number, dataFolder: string }} where
 */
export async function serveMetrics({ port, dataFolder }) {
  const all = new metrics.AggregatorRegistry();
  const own = new metrics.Registry();
  const isUp = new metrics.Gauge({
    name: 'puddlestone_process_up',
    help: 'Whether a process that is kept up runs just now',
    labelNames: ['process'],
    registers: [own],
  });
  const starts = new metrics.Counter({
    name: 'puddlestone_process_starts_total',
    help: 'How often a process was started since npm start',
    labelNames: ['process'],
    registers: [own],
  });
  new metrics.Gauge({
    name: 'puddlestone_disk_free_bytes',
    help: 'What is left on the disk of the data folder',
    registers: [own],
    collect() {
      this.set(bytesLeft(dataFolder));
    },
  });
  const server = createServer(async (request, response) => {
    if (request.url !== '/metrics' || request.method !== 'GET') return void response.writeHead(404).end();
    try {
      const text = `${await all.clusterMetrics()}\n${await own.metrics()}\n`;
      response.writeHead(200, { 'content-type': metrics.Registry.PROMETHEUS_CONTENT_TYPE }).end(text);
    } catch {
      // A process that hangs does not say its figures; those of the others come at the next question.
      response.writeHead(503).end();
    }
  });
  const isListening = await new Promise((resolve) => {
    server.once('error', () => resolve(false));
    server.listen(port, '127.0.0.1', () => resolve(true));
  });
  return {
    isListening,
    /** @param {string} process @param {number | undefined} pid */
    note: (process, pid) => {
      isUp.set({ process }, pid === undefined ? 0 : 1);
      if (pid !== undefined) starts.inc({ process });
    },
    stop: () => void server.close(),
  };
}
