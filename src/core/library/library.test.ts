import { libraryOf, ownProblems, ownProblemText, SHIPPED_LIBRARY, type OwnEntry } from '.';
import { wayDown } from '../ladder';
import { tideBreath } from './example';
import { readBlock } from '../plan';
import { millis } from '../units';

const tide = tideBreath('0193a1f0-0000-7000-8000-000000000001');

test('a technique of a studio’s own stands on the ladder, is read, and leaves the shipped library as it was', () => {
  const library = libraryOf([tide]);
  expect(library.techniques).toHaveLength(SHIPPED_LIBRARY.techniques.length + 1);
  expect(SHIPPED_LIBRARY.find(tide.technique.id)).toBeNull();
  expect(wayDown(library.edges, tide.technique.id)).toContain('equal-4-4');
  expect(tide.edges[0]).toMatchObject({ sessions: 4, days: 10 });
  const block = { id: 'b', kind: 'technique', technique: tide.technique.id, pattern: 'in 4, hold 2, out 6', dose: '6 rounds', tempo: 1000 } as const;
  expect(readBlock(block, { library, naturalBreath: millis(4000) })).toMatchObject({ name: 'Tide breath', timing: { planned: 72_000 } });
  expect(() => SHIPPED_LIBRARY.technique('tide')).toThrow('No such technique: tide');
  expect(() => SHIPPED_LIBRARY.part('tide')).toThrow('No such session part: tide');
});

test.each<[string, OwnEntry, string]>([
  ['a pattern that does not read', { ...tide, technique: { ...tide.technique, pattern: '4:' } }, 'Its pattern does not read.'],
  ['a dose that does not read', { ...tide, technique: { ...tide.technique, dose: 'much' } }, 'Its dose does not read.'],
  ['a name that is taken', { ...tide, technique: { ...tide.technique, name: 'belly BREATH' } }, 'Another technique is called belly BREATH.'],
  ['a family that is not there', { ...tide, technique: { ...tide.technique, family: 'tides' } }, 'There is no such family.'],
  ['nothing below it', { ...tide, edges: [] }, 'Say what it needs: only natural, gentle breath stands on nothing.'],
  ['long holds as a gentle thing', { ...tide, technique: { ...tide.technique, pattern: '8:8:8:8', rung: 2 } }, 'Its breath asks for rung 4 at least'],
  [
    'pumps as a gentle thing',
    { ...tide, technique: { ...tide.technique, pattern: '27 pumps at 60', rung: 1 } },
    'Its breath asks for rung 3 at least',
  ],
  ['a stranger below it', { ...tide, edges: [{ ...tide.edges[0], needs: 'tides' }] }, 'One of its edges names a technique that is not there.'],
  ['a circle', { ...tide, edges: [...tide.edges, { to: 'natural', needs: tide.technique.id, sessions: 2, days: 4 }] }, 'It would need itself'],
])('%s is refused in words', (_, entry, words) => {
  const said = ownProblems(entry, SHIPPED_LIBRARY).map((problem) => ownProblemText(problem, SHIPPED_LIBRARY));
  expect(said).toEqual([expect.stringContaining(words)]);
});

test('what is right has no problem, also when it is changed where it stands', () => {
  expect(ownProblems(tide, SHIPPED_LIBRARY)).toEqual([]);
  expect(ownProblems({ ...tide, technique: { ...tide.technique, pattern: '4:4 | 4:5', rung: 1 }, edges: [] }, SHIPPED_LIBRARY)).toEqual([]);
  expect(ownProblems(tide, libraryOf([tide]))).toEqual([]);
});
