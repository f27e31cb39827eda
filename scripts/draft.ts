import { readFileSync } from 'node:fs';
import { draftArc, plainWords, purposesOf, purposeText, requestOf, writtenOut, type ArcFile } from '../src/core/course/arc';
import { clashOf, mendOfText, mendsFor, requestText, solve, type Case, type CaseFile } from '../src/core/course/drafting';

/**
 * `npm run draft -- FILE [--json] [--limit MS] [--looks N]`: drafts every problem of a file in the shape of docs/drafting.md, as soon as it
 * can be taught; or of docs/arc.md, spread over the weeks.
 */

const args = process.argv.slice(2);
const number = (name: string): number | undefined => (args.includes(name) ? Number(args[args.indexOf(name) + 1]) : undefined);
const limit = number('--limit') ?? 2000;
const looks = number('--looks');
const path = args.find((arg, index) => !arg.startsWith('--') && !['--limit', '--looks'].includes(args[index - 1]));
if (!path || !(limit > 0) || (looks !== undefined && !(looks >= 1))) {
  console.error('npm run draft -- FILE [--json] [--limit MS] [--looks N]');
  process.exit(1);
}
const read = JSON.parse(readFileSync(path, 'utf8')) as CaseFile | ArcFile;
const plain = (id: string) => id;

if ('breath' in read) arcs(read);
else soonest(read);

function arcs(file: ArcFile): void {
  for (const given of file.instances) {
    const one = writtenOut(file, given);
    const begun = performance.now();
    let firstMs: number | null = null;
    const { status, sessions, parts, judged, least } = draftArc(file, one, { looks, onBetter: () => (firstMs ??= performance.now() - begun) });
    const ms = performance.now() - begun;
    const purpose = purposesOf(file, one, requestOf(file, one), sessions).map((made) => (made ? purposeText(made, plainWords(file)) : ''));
    const broken = judged.broken.map(({ requirement, at, technique }) => [requirement, at, technique]);
    const { dropped, Q, J, parts: aim } = judged;
    const shown = {
      id: one.id,
      status,
      dropped,
      bound: least.J,
      leastQ: least.Q,
      firstMs: firstMs ?? ms,
      ms,
      sessions,
      parts,
      broken,
      Q,
      J,
      aim,
      purpose,
    };
    if (args.includes('--json')) console.log(JSON.stringify(shown));
    else
      console.log(
        [
          `${one.id}: ${one.goals.length - dropped} of ${one.goals.length} goals, requirements broken ${Q} (no course less than ${least.Q}), aim ${J} (no course below ${least.J}) (${ms.toFixed(0)} ms)`,
          ...sessions.map((held, at) => {
            const practices = held.map(([id, step, length]) => `${id}${step > 0 ? ` (step ${step + 1})` : ''} ${Math.round(length / 6000) / 10} min`);
            return `  ${String(at + 1).padStart(2)}  ${one.dates[at]}  ${practices.join(', ')}${purpose[at] ? `\n        ${purpose[at]}` : ''}`;
          }),
        ].join('\n'),
      );
  }
}

function soonest(file: CaseFile): void {
  for (const one of file.instances) draftSoonest(file, one);
}

function draftSoonest(file: CaseFile, one: Case): void {
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
