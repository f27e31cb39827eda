import { schoolCues, type Schools } from '../conventions';
import { plainPatterns, waysOf, type Pattern } from '../pattern';
import type { OwnCue, Setup } from '../techniques';

const SEAT_CUES: Readonly<Record<Setup['seat'], string>> = {
  floor: 'Come to sit on the floor',
  chair: 'Come to sit on a chair',
  lying: 'Come to lie down',
  standing: 'Stand up slowly',
};

/** What is said before a block begins: how to sit, what to choose from, the hand, the route, a lock that is held. */
export function openingCues(pattern: Pattern, setup: Setup | null, before: Setup | null, schools: Schools | null): OwnCue[] {
  const ways = waysOf(pattern);
  const plain = plainPatterns(pattern);
  const locks = [...new Set(plain.flatMap((one) => one.locks))];
  const connected = plain.find((one) => one.kind === 'connected');
  const lines = [
    ...(setup && before && setup.seat !== before.seat ? [SEAT_CUES[setup.seat]] : []),
    ...(setup?.eyes === 'closed' && before?.eyes !== 'closed' ? ['Let the eyes close, if that suits you'] : []),
    ...(ways.length > 1
      ? [
          `${HOW_MANY[ways.length] ?? ways.length} ways. ${ways.map(({ name }, at) => `${HOW_MANY[at + 1] ?? at + 1}: ${name}`).join('. ')}. Letting go is always there`,
        ]
      : []),
    ...(schools ? schoolCues(pattern, schools) : []),
    ...(connected ? [connected.route === 'either' ? 'Through the nose or the mouth, as you like' : `In and out through the ${connected.route}`] : []),
    ...locks.map((lock) => (lock === 'chin' ? 'Chin in, and it stays in' : `${LOCK_CUES[lock]}, and it stays`)),
  ];
  return lines.map((say) => ({ say, when: 'opening' }));
}

const HOW_MANY: readonly string[] = ['', 'One', 'Two', 'Three', 'Four', 'Five', 'Six'];

/** What is said as its rounds are over: a chin that was held in comes up first. */
export function endingCue(pattern: Pattern): string {
  const chin = plainPatterns(pattern).some(({ locks }) => locks.includes('chin'));
  return `${chin ? 'Chin up, slowly. ' : ''}Let it go, breathe as you like`;
}

const LOCK_CUES = { throat: 'Throat lightly closed', pelvic: 'Pelvic floor lifted', abdominal: 'Belly drawn in' } as const;

/** Whether a line may be said in a block: nothing contradicts a chin that is held in. */
export function goesWith(pattern: Pattern, { say }: OwnCue): boolean {
  const chinHeld = plainPatterns(pattern).some((one) => one.locks.includes('chin'));
  return !chinHeld || !/\b(?:chin|shoulders?|throat and face)\b/i.test(say);
}
