// Serves the built application on a port with as many processes as there are cores, two at most: none keeps anything that another lacks.
// One that ends, or is not heard of, is begun anew; where none can begin, this ends too, and whoever watches over it says so.
import cluster from 'node:cluster';
import { availableParallelism } from 'node:os';
import process from 'node:process';
import { setInterval, setTimeout } from 'node:timers';

const PROCESSES = Math.min(2, availableParallelism());
const HEARD_EVERY = 2_000;
/** For how long one is waited for that says nothing, and how soon one ends that has not begun. */
const SILENT = 30_000;
const BEGINS = 15_000;

const port = process.argv[2];

if (cluster.isPrimary) {
  const going = new Map();
  let ending = false;
  const begin = () => {
    const worker = cluster.fork();
    const state = { begun: Date.now(), heard: Date.now() };
    going.set(worker, state);
    worker.on('message', () => (state.heard = Date.now()));
  };
  cluster.on('exit', (worker) => {
    const lasted = Date.now() - going.get(worker).begun;
    going.delete(worker);
    if (ending) return void (going.size === 0 && process.exit(0));
    if (lasted < BEGINS && going.size === 0) process.exit(1);
    setTimeout(begin, lasted < BEGINS ? 1_000 : 0);
  });
  setInterval(() => {
    for (const [worker, { heard }] of going) if (Date.now() - heard > SILENT) worker.process.kill('SIGKILL');
  }, HEARD_EVERY);
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.on(signal, () => {
      ending = true;
      for (const worker of going.keys()) worker.process.kill(signal);
      setTimeout(() => process.exit(0), 8_000);
    });
  for (let one = 0; one < PROCESSES; one += 1) begin();
} else {
  setInterval(() => process.send('here'), HEARD_EVERY).unref();
  process.argv = [process.argv[0], 'next', 'start', '-H', '127.0.0.1', '-p', port];
  await import('next/dist/bin/next');
}
