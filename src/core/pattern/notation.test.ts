import { readFileSync } from 'node:fs';
import { formatDose, formatPattern, mustParseDose, mustParsePattern } from '.';

/** The examples of docs/notation.md, as they stand there. */
const [patterns, doses] = readFileSync('docs/notation.md', 'utf8')
  .split('## Doses')
  .map((part) =>
    [...part.matchAll(/^\| `((?:[^`])+)` \| `((?:[^`])+)` \|$/gm)].map(
      ([, typed, read]) => [typed.replaceAll('\\|', '|'), read.replaceAll('\\|', '|')] as const,
    ),
  );

test('the document has examples', () => {
  expect([patterns.length > 20, doses.length]).toEqual([true, 8]);
});

test.each(patterns)('%s', (typed, read) => {
  expect(formatPattern(mustParsePattern(typed))).toBe(read);
  expect(formatPattern(mustParsePattern(read))).toBe(read);
});

test.each(doses)('dose %s', (typed, read) => {
  expect(formatDose(mustParseDose(typed))).toBe(read);
});
