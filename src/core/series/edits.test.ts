import fc from 'fast-check';
import { easierOf, edited, type SeriesDay } from '.';
import { newId, beginners, draft, practised, wrong } from './example';

describe('by hand', () => {
  const { days } = draft();
  test('two days change places, and the guard answers', () => {
    const swapped = edited(days, { do: 'swap', day: 2, with: 20 }, beginners, newId)!;
    expect(practised(swapped)[1]).toBe(practised(days)[19]);
    expect(wrong(swapped).length).toBeGreaterThan(0);
    expect(edited(swapped, { do: 'swap', day: 2, with: 20 }, beginners, newId)).toEqual(days);
    expect(edited(days, { do: 'swap', day: 2, with: 22 }, beginners, newId)).toBeNull();
  });

  test('a day moves, those between make room, and moved back all is as it was', () => {
    const moved = edited(days, { do: 'move', day: 3, to: 9 }, beginners, newId)!;
    const was = practised(days);
    expect(practised(moved)).toEqual([...was.slice(0, 2), ...was.slice(3, 9), was[2], ...was.slice(9)]);
    // The gentle seventh day came a day earlier, and is gentle there.
    expect(moved.map(({ kind }) => kind).slice(4, 8)).toEqual(['own', 'gentle', 'own', 'own']);
    expect(edited(moved, { do: 'move', day: 9, to: 3 }, beginners, newId)).toEqual(days);
    expect(edited(days, { do: 'move', day: 3, to: 21 }, beginners, newId)).not.toBeNull();
    expect(edited(days, { do: 'move', day: 3, to: 22 }, beginners, newId)).toBeNull();
  });

  test('whatever moves or changes places, nothing is lost, and what is live stays on its date', () => {
    const { days: some } = draft({ live: [2, 5] });
    const liveOn = (of: readonly SeriesDay[]) => of.flatMap(({ kind }, index) => (kind === 'live' ? [index] : []));
    const day = fc.integer({ min: 1, max: 21 });
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.constantFrom('swap' as const, 'move' as const), day, day), { maxLength: 8 }), (edits) => {
        const after = edits.reduce(
          (of, [what, one, other]) =>
            edited(of, what === 'swap' ? { do: 'swap', day: one, with: other } : { do: 'move', day: one, to: other }, beginners, newId)!,
          some,
        );
        expect(liveOn(after)).toEqual(liveOn(some));
        expect(practised(after).sort()).toEqual(practised(some).sort());
      }),
      { numRuns: 50 },
    );
  });

  test('a day becomes gentle with what is gentlest of what came before', () => {
    const gentle = edited(days, { do: 'kind', day: 20, kind: 'gentle' }, beginners, newId)!;
    expect(gentle[19]).toMatchObject({ kind: 'gentle', blocks: [{ technique: 'belly' }] });
    expect(wrong(gentle)).toEqual([]);
  });

  test('a day becomes live, or one alone, with what it has; there is no other', () => {
    const live = edited(days, { do: 'kind', day: 5, kind: 'live' }, beginners, newId)!;
    expect(live[4]).toEqual({ ...days[4], kind: 'live' });
    expect(edited(live, { do: 'kind', day: 5, kind: 'own' }, beginners, newId)).toEqual(days);
    expect(edited(days, { do: 'kind', day: 22, kind: 'own' }, beginners, newId)).toBeNull();
    // A gentle day that is made so again stays as it is.
    expect(edited(days, { do: 'kind', day: 7, kind: 'gentle' }, beginners, newId)).toEqual(days);
  });

  test('a day has other practices: what stood there keeps its place, what is new is new', () => {
    const two = [
      { technique: 'belly', pattern: 'natural', minutes: 1.5 },
      { technique: 'equal-4-4', pattern: '4:4', minutes: 2 },
    ];
    const after = edited(days, { do: 'practice', day: 20, practices: two }, beginners, newId)!;
    expect(after[19].blocks.map(({ technique, dose }) => [technique, dose])).toEqual([
      ['belly', '1.5 min'],
      ['equal-4-4', '2 min'],
    ]);
    expect(after[19].blocks[0].id).toBe(days[19].blocks[0].id);
    expect(new Set(after.flatMap(({ blocks }) => blocks.map(({ id }) => id))).size).toBe(after.flatMap(({ blocks }) => blocks).length);
    expect([...after.slice(0, 19), after[20]]).toEqual([...days.slice(0, 19), days[20]]);
  });

  test('the easier version is what it grew out of, and the natural breath below everything', () => {
    const block = days[days.length - 1].blocks.find(({ technique }) => technique === 'longer-4-5')!;
    expect(easierOf(block, beginners).technique).toBe('longer-3-4');
    expect(easierOf({ ...block, technique: 'natural' }, beginners).technique).toBe('natural');
    expect(easierOf(block, beginners).dose).toBe(block.dose);
  });
});
