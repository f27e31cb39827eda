import { lookAt } from '.';
import { claimsMadeOf } from '../../../scripts/claimsMadeOf';
import { CONDITIONS, EMERGENCY, STOP_SIGNS } from '../screening';
import { FAMILIES, PARTS } from '../techniques';
import { featuresOf } from './features';
import { formedLines, labelled, SHIPPED, WRITTEN } from './lines';
import { KINDS } from './lines/claimForms';
import kept from './model.json';
import { claimsIn } from './rules';
import { levelOf, oddsOf, thresholdsOf, trained } from './train';

const claimsOf = (text: string) => lookAt(text).filter(({ level }) => level === 'claim');
const marked = (text: string) =>
  lookAt(text).map(({ level, marks }) => [level, marks.map(({ at, length }) => text.slice(at, at + length)).join(' … ')]);

test('what is checked with was trained on the lines that stand here', () => {
  expect(kept.madeOf).toBe(claimsMadeOf());
});

test.each([
  ['Half of last year’s course are off their statins.', expect.any(String), 'statins'],
  ['Nobody leaves this course anxious.', expect.any(String), 'leaves'],
  ['This breath cures asthma.', 'claim', 'cures asthma'],
  ['My aunt no longer takes her tablets since the course', expect.any(String), 'tablets'],
])('“%s” is marked, and it is said by which words', (text, level, word) => {
  const [[found, words]] = marked(text);
  expect([found, words]).toEqual([level, expect.stringContaining(word)]);
});

test.each([
  'No breath replaces a doctor.',
  'Avoid the words cure, heal and detox.',
  'If you have asthma, keep your inhaler at hand.',
  'The tradition calls the left side the moon’s.',
  'Ask your doctor first.',
  'Many people find it settling.',
])('“%s” is fine', (text) => {
  expect(marked(text)).toEqual([]);
});

test('a claim in the middle of a text is marked where it stands, and what is offered instead is none', () => {
  const text = 'We meet at seven. This practice lowers blood pressure; bring a blanket.';
  const [claim, ...more] = lookAt(text);
  expect([text.slice(claim.at, claim.at + claim.length), more]).toEqual(['This practice lowers blood pressure', []]);
  expect(lookAt(text.slice(0, claim.at) + claim.instead + text.slice(claim.at + claim.length))).toEqual([]);
});

test('no text takes long: long words, long sentences and many of them are looked at in parts', () => {
  const texts = ['b'.repeat(600), 'cures asthma for good '.repeat(27), 'cures asthma. '.repeat(40)];
  const [words, whole, many] = texts.map((text) => ({ text, looks: lookAt(text) }));
  expect(words.looks).toEqual([]);
  // A hundred and eight words are three parts, each with its own place.
  expect(whole.looks.map(({ at, length }) => whole.text.slice(at, at + length).split(' ').length)).toEqual([40, 40, 28]);
  expect(many.looks.length).toBe(40);
});

test('slips of spelling hide nothing', () => {
  expect(lookAt('This breath cures athsma and migrane for good').length).toBe(1);
});

const FOLDS = 3;

test('on lines it was not trained on, most claims are marked, of each kind, and hardly any line that is none', () => {
  const formed = formedLines();
  const all = [...WRITTEN, ...SHIPPED];
  const judged = all.map((line) => ({ ...line, odds: 0 }));
  for (let fold = 0; fold < FOLDS; fold += 1) {
    const weights = trained([...formed, ...labelled(all.filter((_, at) => at % FOLDS !== fold))], 1);
    judged.forEach((line, at) => {
      if (at % FOLDS === fold) line.odds = oddsOf(featuresOf(line.text), weights);
    });
  }
  // Names are short of what a sentence has to go by: they are told apart.
  const harmless = judged.filter(({ kind, from }) => kind === null && from !== 'name');
  const limits = thresholdsOf(harmless.map(({ odds, text }) => ({ odds, ruled: claimsIn(text).length > 0 })));
  const level = (line: (typeof judged)[number]) => levelOf(line.odds, claimsIn(line.text).length > 0, limits);
  const claims = (lines: typeof judged) => lines.filter((line) => level(line) === 'claim').length / Math.max(1, lines.length);
  const either = (lines: typeof judged) => lines.filter((line) => level(line) !== null).length / Math.max(1, lines.length);
  const figures = (lines: typeof judged) => `${lines.length} lines: claim ${percent(claims(lines))}, claim or may be ${percent(either(lines))}`;
  const of = (from: (typeof judged)[number]['from'], claim: boolean) => judged.filter((line) => line.from === from && (line.kind !== null) === claim);
  const kinds = KINDS.map((kind) => [kind, judged.filter((line) => line.kind === kind)] as const);
  console.info(
    [
      ...(['first', 'given', 'life'] as const).map((from) => `claims, ${from}: ${figures(of(from, true))}`),
      ...kinds.map(([kind, lines]) => `  ${kind}: ${figures(lines)}`),
      ...(['first', 'given', 'life', 'name', 'shipped'] as const).map((from) => `harmless, ${from}: ${figures(of(from, false))}`),
    ].join('\n'),
  );
  // Lines as people write them; those of "life" were written to be missed, and are told apart.
  const plain = judged.filter(({ kind, from }) => kind !== null && from !== 'life');
  expect(either(plain)).toBeGreaterThanOrEqual(0.9);
  for (const [kind, lines] of kinds.filter(([name]) => name !== 'promise'))
    expect([kind, either(lines.filter(({ from }) => from === 'given')) >= 0.7]).toEqual([kind, true]);
  expect([claims(harmless) <= 0.015, either(harmless) <= 0.08]).toEqual([true, true]);
}, 240_000);

const percent = (part: number) => `${Math.round(part * 100)} %`;

test('our own text makes no claim', () => {
  const families = FAMILIES.flatMap(({ about, cues, watchFor, cautions, schools, name, aliases, doses }) => [
    about,
    doses,
    name,
    ...aliases,
    ...cues.map(({ say }) => say),
    ...watchFor,
    ...cautions.flatMap(({ caution, reason }) => [caution, reason]),
    ...schools.flatMap(({ question, ways }) => [question, ...ways]),
  ]);
  const texts = [...families, ...PARTS.flatMap(({ name, cues }) => [name, ...cues]), ...STOP_SIGNS, EMERGENCY];
  expect(texts.length).toBeGreaterThan(200);
  expect(texts.flatMap((text) => claimsOf(text))).toEqual([]);
  expect(CONDITIONS.flatMap(({ reason }) => claimsOf(reason))).toEqual([]);
});
