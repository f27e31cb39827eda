import fc from 'fast-check';
import { lacking, smallestChange, whoCan, type Candidate } from '.';
import { SHIPPED_LIBRARY } from '../library';
import { blockTime, sessionTime, techniquesIn, type Block, type TechniqueBlock } from '../plan';
import { isoDate, millis } from '../units';

const basis = { library: SHIPPED_LIBRARY, naturalBreath: millis(4000) };
const date = isoDate('2026-11-26');
const block = (technique: string, dose = SHIPPED_LIBRARY.technique(technique).dose): TechniqueBlock => ({
  id: `${technique} ${dose}`,
  kind: 'technique',
  technique,
  pattern: SHIPPED_LIBRARY.technique(technique).pattern,
  dose,
  tempo: 1000,
});
const part = (of: string, minutes: number): Block => ({ id: of, kind: SHIPPED_LIBRARY.part(of).kind, part: of, minutes });
const somebody = (...families: readonly string[]): Candidate => ({
  id: 'b',
  name: 'Brid',
  qualifications: families.map((family) => ({ family, since: '2026-01-01' })),
});
let made = 0;
const newId = () => `n${(made += 1)}`;
const change = (blocks: readonly Block[], known: readonly TechniqueBlock[], who: Candidate, minutes = 60) =>
  smallestChange({ date, minutes, blocks, known }, who, basis, newId);

test('just what somebody is not qualified for gives way, to what the cohort knows and takes nearly as long', () => {
  const blocks = [part('arrive', 4), block('longer-4-5', '5 min'), block('pumps-27'), part('lying-rest', 10)];
  const known = [block('longer-4-6', '9 min'), block('belly', '3 min'), block('longer-4-5', '5 min')];
  const found = change(blocks, known, somebody('longer-exhale', 'belly'))!;
  expect(found.replaced).toEqual([{ from: '27 pumps', to: 'Belly breath', minutes: 3 }]);
  expect(found.changed).toBe(blockTime(blocks[2], basis));
  expect(found.blocks.filter((_, index) => index !== 2)).toEqual(blocks.filter((_, index) => index !== 2));
});

test('natural breath stands where nothing else can, and a class that would hold nothing else is not offered', () => {
  const blocks = [block('longer-4-5', '5 min'), block('pumps-27')];
  expect(change(blocks, [], somebody('longer-exhale'))!.replaced).toEqual([{ from: '27 pumps', to: 'Natural breath and observing', minutes: 2.5 }]);
  expect(change([block('pumps-27')], [], somebody('longer-exhale'))).toBeNull();
  expect(change(blocks, [], somebody('longer-exhale', 'skull-shining'))).toBeNull();
});

test('a replacement never makes a class longer than its hour', () => {
  const blocks = [block('longer-4-5', '5 min'), block('pumps-27')];
  const long = [block('longer-4-6', '9 min')];
  expect([60, 14.5, 13].map((minutes) => change(blocks, long, somebody('longer-exhale'), minutes)!.replaced[0].to)).toEqual([
    'Longer exhale 4:6',
    'Longer exhale 4:6',
    'Natural breath and observing',
  ]);
});

const FAMILIES = [...new Set(SHIPPED_LIBRARY.techniques.map(({ family }) => family))];
const anyBlock = fc.constantFrom(...SHIPPED_LIBRARY.techniques.map(({ id }) => id)).map((id) => block(id));

test('whoever a class is changed for may teach all of it, nothing else changes, and no smaller choice was there', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(anyBlock, { minLength: 1, maxLength: 4, selector: ({ technique }) => technique }),
      fc.uniqueArray(anyBlock, { maxLength: 5, selector: ({ technique }) => technique }),
      fc.subarray(FAMILIES),
      (blocks, known, families) => {
        const who = somebody(...families);
        const found = change(blocks, known, who, 400);
        if (!found) return;
        expect(lacking(found.blocks, who.qualifications, date, SHIPPED_LIBRARY)).toEqual([]);
        const out = new Set(lacking(blocks, who.qualifications, date, SHIPPED_LIBRARY));
        const gone = blocks.filter((one) => !found.blocks.includes(one));
        expect(new Set(gone.map(({ technique }) => SHIPPED_LIBRARY.technique(technique).name))).toEqual(out);
        const natural = found.blocks.filter(({ kind }) => kind === 'settle').length;
        const stays = new Set(blocks.filter((one) => !gone.includes(one)).map(({ technique }) => technique));
        const usable = known.filter((one) => families.includes(SHIPPED_LIBRARY.technique(one.technique).family) && !stays.has(one.technique));
        expect(natural).toBe(Math.max(0, gone.length - usable.length));
        expect(new Set(techniquesIn(found.blocks).map(({ technique }) => technique)).size).toBe(techniquesIn(found.blocks).length);
        // With one to replace, nothing usable is nearer to its length.
        if (gone.length === 1 && usable.length > 0) {
          const apart = (one: Block) => Math.abs(blockTime(one, basis) - blockTime(gone[0], basis));
          expect(Math.abs(sessionTime(found.blocks, basis) - sessionTime(blocks, basis))).toBe(Math.min(...usable.map(apart)));
        }
      },
    ),
    { numRuns: 200 },
  );
});

test('who can take a class as it is stands apart from who cannot', () => {
  const blocks = [block('longer-4-5'), block('pumps-27')];
  const [able, not] = [somebody('longer-exhale', 'skull-shining'), somebody('longer-exhale')];
  expect(whoCan([able, not], { blocks, date }, basis)).toEqual({ able: [able], unable: [{ candidate: not, lacks: ['27 pumps'] }] });
});
