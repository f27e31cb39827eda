import { readFileSync } from 'node:fs';
import { clashOf, mendOfText, mendsFor, requestText, solve, type Case, type CaseFile } from '../src/core/course/drafting';

/** `npm run draft -- FILE [--json] [--limit MS]`: drafts every problem of a file in the shape of docs/drafting.md. */

const args = process.argv.slice(2);
const limitAt = args.indexOf('--limit');
const limit = limitAt < 0 ? 2000 : Number(args[limitAt + 1]);
const path = args.find((arg, index) => !arg.startsWith('--') && index !== (limitAt < 0 ? -1 : limitAt + 1));
if (!path || !(limit > 0)) {
  console.error('npm run draft -- FILE [--json] [--limit MS]');
  process.exit(1);
}
const file = JSON.parse(readFileSync(path, 'utf8')) as CaseFile;
const plain = (id: string) => id;

for (const one of file.instances) {
  const begun = performance.now();
  let firstMs: number | null = null;
  const within = (ms: number) => {
    const from = performance.now();
    return () => performance.now() - from > ms;
  };
  const solved = solve(file, one, { enough: within(limit), onBetter: () => (firstMs ??= performance.now() - begun) });
  const ms = performance.now() - begun;
  const lacking = solved.dropped > 0 || solved.status === 'impossible';
  const clash = lacking ? clashOf(file, one, within(limit)) : null;
  const mends = lacking ? mendsFor(file, one, within(limit)) : [];
  const shown = {
    id: one.id,
    status: solved.status,
    dropped: solved.dropped,
    sum: solved.sum,
    bound: solved.bound,
    firstMs: firstMs ?? ms,
    ms,
    sessions: solved.sessions,
    clash: clash ? [clash.map((request) => requestText(request, plain))] : [],
    mends: mends.map((together) => together.map((mend) => mendOfText(mend, plain))),
  };
  if (args.includes('--json')) console.log(JSON.stringify(shown));
  else console.log(readably(one, shown));
}

function readably(
  one: Case,
  {
    id,
    status,
    dropped,
    sum,
    bound,
    ms,
    sessions,
    clash,
    mends,
  }: {
    id: string;
    status: string;
    dropped: number;
    sum: number;
    bound: number;
    ms: number;
    sessions: readonly (readonly (readonly [string, number])[])[];
    clash: string[][];
    mends: string[][];
  },
): string {
  const value =
    status === 'impossible' ? 'the pins alone clash' : `${one.goals.length - dropped} of ${one.goals.length} goals, classes ${sum} in all`;
  const proof = status === 'proved' ? 'proved best' : status === 'bound' ? `at most ${sum - bound} classes later than the best possible` : '';
  const classes = sessions.map(
    (placed, at) =>
      `  ${String(at + 1).padStart(2)}  ${one.dates[at]}  ${placed.map(([v, step]) => (step > 0 ? `${v} (step ${step + 1})` : v)).join(', ')}`,
  );
  return [
    `${id}: ${[value, proof].filter(Boolean).join(', ')} (${ms.toFixed(0)} ms)`,
    ...classes,
    ...clash.map((together) => `  Cannot be kept together: ${together.join('; ')}.`),
    ...(mends.length > 0 ? [`  Any of these mends it: ${mends.map((together) => together.join(' and ')).join(' | ')}.`] : []),
  ].join('\n');
}
