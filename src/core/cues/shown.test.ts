import { DEFAULT_SHEET, layOut, leftText, shownAt, type ClassLine, type Cue, type Shown, type SheetOptions } from '.';
import { mustParsePattern, type PlainPattern } from '../pattern';
import type { Block } from '../plan';
import { chances, millis } from '../units';
import { SHIPPED_LIBRARY } from '../library';
import { stageCall } from './stages';

/** What is said stands on the screen while it is said. */

const { techniques: TECHNIQUES } = SHIPPED_LIBRARY;
const basis = { library: SHIPPED_LIBRARY, naturalBreath: millis(4000) };
const part = (id: string, kind: 'arrive' | 'settle' | 'close', minutes: number): Block => ({ id, kind, part: kind, minutes });
const block = (id: string, at = 0, more: object = {}): Block => {
  const { pattern, dose } = SHIPPED_LIBRARY.technique(id);
  return { id: `${id} ${at}`, kind: 'technique', technique: id, pattern, dose, tempo: 1000, ...more } as Block;
};

const plain = (text: string) => text.toLowerCase().replace(/ now$/, '').trim();

/** What of a cue does not stand on the screen. */
function missing(line: ClassLine, { at, say, kind }: Cue, spacer = ''): string[] {
  const shown = shownAt(line, at + 1)!;
  if (kind === 'count') return say.replace(` ${spacer}`, '') === String(shown.count) ? [] : [`${say}, not ${shown.count}`];
  if (kind === 'time') {
    const minutes = say === 'One minute left' ? 1 : Number(say.split(' ')[0]);
    // It may be said a little late; the screen shows how long it is by then.
    const late = minutes * 60_000 - shown.leftInBlock;
    return late >= 0 && late <= 15_001 && leftText(shown).endsWith('left here') ? [] : [say];
  }
  if (kind === 'opening' || kind === 'cue' || kind === 'path' || kind === 'stop sign' || kind === 'end') return shown.line === say ? [] : [say];
  const all = wordsOf(shown);
  return say.split(/[.,] /).filter((piece) => !all.some((word) => word.includes(plain(piece).replace(' while it is easy', ''))));
}

const wordsOf = ({ word, how, place, count, segment }: Shown) =>
  [word, ...how, ...place, ...(count === null ? [] : [String(count)]), String(segment.counts)].map(plain);

const left = (line: ClassLine, spacer = '') =>
  line.cues.filter(({ at }) => at < line.total).flatMap((cue) => missing(line, cue, spacer).map((text) => [cue.at / 1000, cue.kind, cue.say, text]));

test.each(TECHNIQUES.map(({ id }) => id))('%s: each said line stands on the screen while it is said', (id) => {
  for (const tempo of [1000, 1200])
    expect(left(layOut([part('a', 'arrive', 3), block(id, 0, { tempo }), part('c', 'close', 2)], basis, DEFAULT_SHEET))).toEqual([]);
});

test('thirty sessions: each said line stands on the screen, in the studio’s own words too', () => {
  const chance = chances(21);
  const pick = <T>(of: readonly T[]) => of[Math.floor(chance() * of.length)];
  let said = 0;
  for (let session = 0; session < 30; session += 1) {
    const middle = Array.from({ length: 2 + Math.floor(chance() * 3) }, (_, at) => [
      block(pick(TECHNIQUES).id, at),
      part(`s${at}`, 'settle', 1),
    ]).flat();
    const spacer = session % 3 === 0 ? 'and' : '';
    const options: SheetOptions = {
      ...DEFAULT_SHEET,
      spacer,
      loudness: session % 4 === 3 ? 'spare' : 'full',
      wording:
        session % 5 === 0 ? { 'alternate/out': 'Breathe out {side}', 'equal/in': 'Draw in', 'longer-exhale/out': 'Let it leave, {count}' } : {},
    };
    const line = layOut(
      [part('a', 'arrive', 3), ...middle, { id: 'r', kind: 'rest', part: 'lying-rest', minutes: 5 } as Block, part('c', 'close', 2)],
      basis,
      options,
    );
    said += line.cues.length;
    expect(left(line, spacer)).toEqual([]);
  }
  expect(said).toBeGreaterThan(2000);
});

test('a line is shown shortly before it is due, until the next replaces it, and not in a block it is not about', () => {
  const line = layOut([part('a', 'arrive', 3), block('equal-4-4'), part('c', 'close', 2)], basis, DEFAULT_SHEET);
  const own = line.cues.filter(({ kind, block: of }) => kind === 'cue' && of === 1);
  const [first, second] = own;
  expect(shownAt(line, first.at - 1999)!.line).toBe(first.say);
  expect(shownAt(line, first.at - 2001)!.line).not.toBe(first.say);
  expect(shownAt(line, second.at - 2001)).toMatchObject({ line: first.say, then: { say: second.say, in: 2001 } });
  const last = line.cues.findLast(({ kind, block: of }) => kind === 'cue' && of === 1)!;
  expect(shownAt(line, line.blocks[2].start + 1)!.line).not.toBe(last.say);
});

test.each([
  ['natural', '4:4', 'Now counted'],
  ['4:4', '4:4:4', 'Now with a hold'],
  ['4:4', '4:4:4:4', 'Now with both holds'],
  ['4:4:4', '4:4:4:4', 'Now stay empty, too'],
  ['4:4:4', '4:4', 'Now without the hold'],
  ['4:4:4:4', '4:4:4', 'Now with one hold'],
  ['4:5', '5:6', 'One count more'],
  ['4:5', '4:6', 'One count more'],
  ['5:6', '4:6', 'One count less'],
  ['4:5', '4:8', 'Next, 4:8'],
  ['4:5', 'in 4-6 s, out 4-7 s', 'Now as long as it is easy'],
  ['4:5', 'in 4 s, out 7 s', 'Now a new length'],
  ['4:5', 'natural', 'Natural breath now'],
  ['natural', 'deepened', 'Deepen the breath a little'],
  ['4:5', '27 pumps at 60', 'Now the pumps'],
])('a stage says what is new in it: %s, then %s', (before, now, call) => {
  expect(stageCall(mustParsePattern(before) as PlainPattern, mustParsePattern(now) as PlainPattern)).toBe(call);
});
