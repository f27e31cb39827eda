import { roomPattern } from '../pattern';
import { askedIn, bearings, DOOR_COMBINATIONS, doorKey, featuresOf, decide, NOT_SCREENED, NOTHING_TODAY, outlook, RULEBOOK } from '.';
import { isoDate, millis } from '../units';
import { conditionOf } from './conditions';
import { rulebookOf, SHIPPED } from './rulebook';
import type { ConditionAnswer } from './types';
import { SHIPPED_LIBRARY } from '../library';

const { techniques: TECHNIQUES } = SHIPPED_LIBRARY;

const today = isoDate('2026-11-25');
const pace = { tempo: millis(1000), naturalBreath: millis(4000) };

test.each(TECHNIQUES.map((technique) => [technique.id, technique] as const))(
  '%s: the outlook names everybody it would change',
  (_, { read, tags }) => {
    const features = featuresOf(roomPattern(read.pattern), read.dose, pace, tags);
    const lines = outlook(features);
    for (const condition of askedIn(SHIPPED)) {
      const answer: ConditionAnswer = {
        condition,
        answer: 'yes',
        date: null,
        parts: Object.fromEntries(conditionOf(condition).parts.map(({ id }) => [id, 'no'])),
      };
      const who = { ...NOT_SCREENED, screenedOn: today, birthDate: isoDate('1990-01-01'), answers: [answer] };
      const { findings } = decide(bearings(who, today), features);
      const named = (name: string) => lines.filter(({ conditions }) => conditions.some((one) => one.startsWith(name))).map((line) => line.answer);
      for (const finding of findings) expect(named(conditionOf(condition).name)).toContain(finding.answer);
    }
    const unscreened = decide(bearings({ ...NOT_SCREENED, birthDate: isoDate('1990-01-01') }, today), features).answer;
    expect(unscreened === 'clear' || lines.some((line) => line.answer === unscreened && line.conditions.includes('no valid screening'))).toBe(true);
  },
);

test('the natural breath has no outlook, and lines stand strictest first', () => {
  const natural = TECHNIQUES.find(({ id }) => id === 'natural')!;
  const strict = TECHNIQUES.find(({ read }) => read.pattern.kind === 'pumps')!;
  expect(outlook(featuresOf(roomPattern(natural.read.pattern), natural.read.dose, pace, [])).filter(({ answer }) => answer !== 'watch')).toEqual([]);
  const order = outlook(featuresOf(roomPattern(strict.read.pattern), strict.read.dose, pace, strict.tags)).map(({ answer }) => answer);
  expect(order[0]).toBe('leave out');
  expect(order).toEqual(
    [...order].sort((a, b) => ['leave out', 'ask first', 'adapt', 'watch'].indexOf(a) - ['leave out', 'ask first', 'adapt', 'watch'].indexOf(b)),
  );
});

test('every combination of door answers has a key of its own, nothing said among them', () => {
  const keys = DOOR_COMBINATIONS.map(doorKey);
  expect(new Set(keys).size).toBe(12);
  expect(keys).toContain(doorKey(NOTHING_TODAY));
  for (const door of DOOR_COMBINATIONS) {
    const rules = new Set(
      bearings({ ...NOT_SCREENED, screenedOn: today, birthDate: isoDate('1990-01-01') }, today, door).map(({ rule }) => rule.condition),
    );
    expect([rules.has('today acute'), rules.has('nose'), rules.has('today meal')]).toEqual([door.acute, door.blockedNose, door.meal !== 'none']);
  }
});

test('only what a rule uses is asked', () => {
  expect(askedIn(rulebookOf(RULEBOOK.filter(({ condition }) => condition === 'neck' || condition === 'over 65')))).toEqual(['neck']);
  expect(askedIn(SHIPPED).length).toBeGreaterThan(20);
});
