import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { sleep, time } from './wire';

/** What is killed in a storm: the parts that bin/start watches over, by the id of its process. */

const started = process.env.STORM_START!;
const folder = process.env.STORM_DATA!;
/** Seconds between two kills, at most and at least. */
const KILL_SECONDS = { least: 15, most: 45 } as const;

export const kills = new Map<string, number>();
const pids = (...args: string[]) => {
  try {
    return execFileSync('pgrep', args, { encoding: 'utf8' }).trim().split('\n').filter(Boolean);
  } catch {
    return [];
  }
};
const kill = (signal: string, pid: string | undefined) => {
  if (pid) execFileSync('kill', [signal, pid], { stdio: 'ignore' });
};
/** Kills one thing after another until the time is over. */
export async function killing(): Promise<void> {
  const application = () => pids('-P', started, '-f', 'bin/serve.mjs')[0];
  const database = () => readFileSync(`${folder}/postmaster.pid`, 'utf8').split('\n')[0];
  const ways: Readonly<Record<string, () => void>> = {
    'one process of the application': () => kill('-9', pids('-P', application() ?? '0')[0]),
    'the application': () => kill('-9', application()),
    'the database': () => kill('-QUIT', database()),
    'the database, as by power': () => kill('-9', database()),
    'one connection of the database': () => kill('-9', pids('-P', database(), '-f', 'oaken_app').at(-1)),
    both: () => {
      kill('-QUIT', database());
      kill('-9', application());
    },
  };
  const names = Object.keys(ways);
  for (let turn = 0; !time.over; turn += 1) {
    const wait = KILL_SECONDS.least + Math.random() * (KILL_SECONDS.most - KILL_SECONDS.least);
    for (let second = 0; second < wait && !time.over; second += 1) await sleep(1000);
    if (time.over) return;
    const name = names[turn % names.length];
    try {
      ways[name]();
      kills.set(name, (kills.get(name) ?? 0) + 1);
    } catch {
      // It was down already.
    }
  }
}
