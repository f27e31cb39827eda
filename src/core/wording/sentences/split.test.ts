import { claimsIn } from '..';
import { CLAIMS } from './claims';
import { HARMLESS } from './harmless';

const odd = (lines: readonly string[]) => lines.filter((_, index) => index % 2 === 1);
const even = (lines: readonly string[]) => lines.filter((_, index) => index % 2 === 0);

test('there are enough of both', () => {
  expect([CLAIMS.length >= 120, HARMLESS.length >= 120]).toEqual([true, true]);
  expect(new Set([...CLAIMS, ...HARMLESS]).size).toBe(CLAIMS.length + HARMLESS.length);
});

test.each([
  ['lines that the check was made with', even],
  ['lines that it was not made with', odd],
] as const)('%s: nineteen claims of twenty are marked, and no harmless line is', (_, half) => {
  const missed = half(CLAIMS).filter((line) => claimsIn(line).length === 0);
  expect([missed.length / half(CLAIMS).length <= 0.05, missed]).toEqual([true, expect.any(Array)]);
  expect(half(HARMLESS).flatMap((line) => claimsIn(line).map(({ found }) => `${found} in: ${line}`))).toEqual([]);
});
