import { cueSheet, layOut } from '../src/core/cues';
import { wavChunks } from '../src/core/exchange';
import { SHIPPED_LIBRARY } from '../src/core/library';
import { parsePattern } from '../src/core/pattern';
import type { Block } from '../src/core/plan';
import { millis } from '../src/core/units';
import { measureArcs } from './arcs';
import { measureCheckIns } from './checkins';
import { measureDrafting } from './drafting';
import { measureDraftingPage } from './draftingPage';
import { measureScreening } from './screening';
import { measureScrolling } from './scroll';
import { measureSharing } from './sharing';
import { measureTyping } from './typing';

/**
 * Speed, each figure beside a named alternative in the same run, in turns, medians of nine. Not part of the tests: a figure here is
 * read, not asserted.
 */

const RUNS = 9;

/** How often a piece of work is done for one run of about 20 ms, after a second of warming up. */
function repeatsOf(work: () => unknown): number {
  let warm = 0;
  for (const until = performance.now() + 1000; performance.now() < until; warm += 1) work();
  return Math.max(1, Math.round(warm / 50));
}

function time(work: () => unknown, repeats: number): number {
  const start = performance.now();
  for (let run = 0; run < repeats; run += 1) work();
  return (performance.now() - start) / repeats;
}

const median = (figures: readonly number[]) => [...figures].sort((a, b) => a - b)[Math.floor(figures.length / 2)];

/** Two pieces of work in turns, so that whatever else the machine does falls on both: medians, and the median of the ratios. */
function compare(what: string, ours: () => unknown, alternative: string, theirs: () => unknown, aim: string): void {
  const repeats = [repeatsOf(ours), repeatsOf(theirs)];
  const runs = Array.from({ length: RUNS }, () => [time(ours, repeats[0]), time(theirs, repeats[1])] as const);
  const [own, other, ratio] = [runs.map(([a]) => a), runs.map(([, b]) => b), runs.map(([a, b]) => a / b)].map(median);
  console.log(
    `${what.padEnd(58)} ${own.toFixed(4).padStart(8)} ms   ${alternative}: ${other.toFixed(4)} ms   ratio ${ratio.toFixed(2)}   (aim: ${aim})`,
  );
}

const basis = { library: SHIPPED_LIBRARY, naturalBreath: millis(4000) };
const technique = (index: number, of: string, pattern: string, dose: string): Block => ({
  id: `b${index}`,
  kind: 'technique',
  technique: of,
  pattern,
  dose,
  tempo: 1000,
});
const hour: Block[] = [
  { id: 'a', kind: 'arrive', part: 'arrive', minutes: 4 },
  { id: 'm', kind: 'prepare', part: 'movement', minutes: 5 },
  technique(1, 'equal-4-4', '4:4', '8 min, guided 60'),
  technique(2, 'longer-4-6', '4:6', '8 min, guided 60'),
  technique(3, 'alternate-4-6', 'in 4 left, out 6 right, alternating', '24 rounds of 2, guided 24'),
  technique(4, 'square-4', '4:4:4:4', '8 min, guided 60'),
  technique(5, '4-7-8', 'first in 2, out 3 mouth sigh; 4:7:8', '8 rounds, guided 8'),
  { id: 's', kind: 'settle', part: 'settle', minutes: 3 },
  { id: 'r', kind: 'rest', part: 'lying-rest', minutes: 10 },
  { id: 'z', kind: 'close', part: 'close', minutes: 3.5 },
];
const tenHours = Array.from({ length: 10 }, (_, copy) => hour.map((block) => ({ ...block, id: `${copy} ${block.id}` }))).flat();

const line = layOut(hour, basis);
const copy = () => line.cues.map((cue) => ({ ...cue }));
console.log(`A plan of ${Math.round(line.total / 60_000)} minutes: ${line.cues.length} cues, ${line.segments.length} stretches\n`);
compare('plan → full cue sheet', () => layOut(hour, basis), 'copying the finished cues', copy, 'at most 3');
compare('  of that, the sheet from laid-out stretches', () => cueSheet(line.blocks, line.segments), 'copying the finished cues', copy, 'at most 3');
compare(
  'a plan ten times as long',
  () => layOut(tenHours, basis),
  'one',
  () => layOut(hour, basis),
  'at most 13',
);

for (const text of [
  '4:7:8',
  'in 4 left, hold 2, out 6 right, alternating',
  '27 pumps at 60',
  'in 5 throat, out 5 throat, empty 4, recover 1, lock chin',
]) {
  const parsed = parsePattern(text);
  const json = JSON.stringify(parsed.ok && parsed.value);
  compare(
    `reading “${text}”`,
    () => parsePattern(text),
    'JSON.parse of the same',
    () => JSON.parse(json) as unknown,
    'at most 5',
  );
}

const half = layOut([technique(1, 'alternate-4-6', 'in 4 left, out 6 right, alternating', '90 rounds of 2')], basis);
const started = performance.now();
let bytes = 0;
let beside = 0;
const before = process.memoryUsage();
for (const chunk of wavChunks(half.segments)) {
  bytes += chunk.length;
  const { heapUsed, arrayBuffers } = process.memoryUsage();
  beside = Math.max(beside, heapUsed - before.heapUsed + arrayBuffers - before.arrayBuffers);
}
const took = performance.now() - started;
console.log(
  `\n${Math.round(half.total / 60_000)} minutes of pacing track: ${(bytes / 1e6).toFixed(0)} MB in ${took.toFixed(0)} ms, ${Math.round(half.total / took)} × faster than real time (aim: at least 200), at most ${(beside / 1e6).toFixed(1)} MB beside the finished file (aim: under 50)`,
);

await measureScreening();
await measureDrafting();
measureArcs();
await measureSharing();

const address = process.env.OAKEN_ADDRESS ?? 'http://127.0.0.1:3700';
const running = await fetch(`${address}/health`).then(
  ({ ok }) => ok,
  () => false,
);
if (running) {
  await measureTyping(address);
  await measureDraftingPage(address);
  // It makes a group of 200 people in that demo, and so is asked for.
  if (process.env.OAKEN_BENCH_FILL) await measureScrolling(address);
  // And this one a group of 400; it needs the demo's database too.
  if (process.env.OAKEN_BENCH_FILL && process.env.OAKEN_DATABASE_URL) await measureCheckIns(address);
} else console.log(`\nTyping on the bench and drafting on a page were not measured: no demo runs at ${address} (start it with bin/start).`);
