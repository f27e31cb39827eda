import fc from 'fast-check';
import {
  ANSWERS,
  ASKED,
  bearings,
  changedRulebook,
  changeProblem,
  decide,
  decideMany,
  featuresOf,
  FEATURE_CHOICES,
  adaptationsFor,
  isLooser,
  NOT_SCREENED,
  openingFor,
  RULEBOOK,
  tracksFor,
  type Answer,
  type RuleChange,
  SAID,
  type ScreenedPerson,
} from '.';
import { wayDown } from '../ladder';
import { formatPattern, mustParseDose, mustParsePattern, parsePattern, roomPattern } from '../pattern';
import { anyPattern } from '../pattern/arbitrary';
import { applyAdaptations } from './adapt';
import type { Adaptation } from './types';
import { addDays, isoDate, millis } from '../units';
import { SHIPPED_LIBRARY } from '../library';

const { edges: LADDER, technique: techniqueOf, techniques: TECHNIQUES } = SHIPPED_LIBRARY;

const today = isoDate('2026-11-25');
const pace = { tempo: millis(1000), naturalBreath: millis(4000) };
const seen = TECHNIQUES.map(({ read, tags }) => featuresOf(roomPattern(read.pattern), read.dose, pace, tags));
const strictness = (answer: Answer) => ANSWERS.indexOf(answer);

const ADAPTATIONS: readonly Adaptation[] = [
  { to: 'no hold in' },
  { to: 'no hold out' },
  { to: 'cap hold in', seconds: 2 },
  { to: 'pace 6 or faster' },
  { to: 'nose only' },
  { to: 'imagined sides' },
  { to: 'hand-free' },
  { to: 'holds optional' },
];

const anyAnswer = fc.record({
  condition: fc.constantFrom(...ASKED.map(({ id }) => id)),
  answer: fc.constantFrom('yes' as const, "don't know" as const, 'prefer not to say' as const),
  date: fc.constantFrom(null, today, addDays(today, 150), addDays(today, -60)),
  parts: fc.dictionary(fc.constantFrom('controlled', 'high-risk', 'surgical'), fc.constantFrom(...SAID)),
});
const anyPerson: fc.Arbitrary<ScreenedPerson> = fc.record({
  screenedOn: fc.constantFrom(null, today, addDays(today, -200)),
  birthDate: fc.constantFrom(null, isoDate('1950-01-01'), isoDate('2013-01-01'), isoDate('1990-01-01')),
  answers: fc.uniqueArray(anyAnswer, { maxLength: 4, selector: ({ condition }) => condition }),
  guardianConsent: fc.boolean(),
  clearances: fc.constant([]),
  overrides: fc.constant([]),
});

/** A change that is allowed as it stands. */
const anyChange: fc.Arbitrary<RuleChange> = fc
  .tuple(fc.constantFrom(...RULEBOOK), fc.constantFrom(...ANSWERS), fc.constantFrom(...FEATURE_CHOICES), fc.boolean(), fc.uuid())
  .map(([rule, answer, feature, adds, id]): RuleChange => {
    const about = { reason: 'read through at the yearly review', reviewer: 'Dr. A. Quill' };
    const of = adds ? feature : rule.feature;
    const adaptation = answer === 'adapt' ? (adaptationsFor(of)[0] ?? null) : null;
    if (!adds) return { kind: 'change', rule: rule.id, answer, adaptation, ...about };
    return {
      kind: 'add',
      id,
      condition: ASKED[0].id,
      feature,
      answer: answer === 'clear' ? 'watch' : answer,
      adaptation,
      ...about,
    };
  })
  .filter((change) => changeProblem(change) === null);

test('what a clinician or the director sets aside never makes an answer stricter, and never one that is not known looser', () => {
  fc.assert(
    fc.property(anyPerson, fc.subarray(RULEBOOK.map(({ id }) => id)), fc.constantFrom(...seen), (person, rules, features) => {
      const span = { rules, until: addDays(today, 9) };
      const clinician = { ...person, clearances: [{ ...span, on: today }] };
      const director = { ...person, overrides: [{ ...span, id: 'o', reason: 'a reason', by: 'Linnet', from: today }] };
      const plain = strictness(decide(bearings(person, today), features).answer);
      for (const aided of [clinician, director]) expect(strictness(decide(bearings(aided, today), features).answer)).toBeGreaterThanOrEqual(plain);
      const nobody = { ...NOT_SCREENED, overrides: director.overrides, clearances: clinician.clearances };
      expect(decide(bearings(nobody, today), features)).toEqual(decide(bearings(NOT_SCREENED, today), features));
      // A clinician's yes leaves everything that is not "ask first" as it was.
      const strict = (of: ScreenedPerson) => bearings(of, today).filter(({ rule }) => rule.answer !== 'ask first');
      expect(strict(clinician)).toEqual(strict(person));
    }),
    { numRuns: 300 },
  );
});

test('a stricter rulebook never makes an answer looser; natural breath stays clear under every rulebook', () => {
  const natural = featuresOf(roomPattern(mustParsePattern('deepened')), mustParseDose('3 min'), pace);
  fc.assert(
    fc.property(anyPerson, fc.array(anyChange, { maxLength: 4 }), fc.constantFrom(...seen), (person, changes, features) => {
      const stricter = changes.filter((change) => !isLooser(change));
      const under = (of: readonly RuleChange[]) => strictness(decide(bearings(person, today, undefined, changedRulebook(of)), features).answer);
      expect(under(stricter)).toBeLessThanOrEqual(under([]));
      expect(decide(bearings(person, today, undefined, changedRulebook(changes)), natural).answer).toBe('clear');
    }),
    { numRuns: 300 },
  );
});

test('deciding many at once is deciding one by one, whoever and under whichever rulebook', () => {
  fc.assert(
    fc.property(fc.array(anyPerson, { minLength: 1, maxLength: 6 }), fc.array(anyChange, { maxLength: 3 }), (people, changes) => {
      const rulebook = changedRulebook(changes);
      const dates = [today, addDays(today, 190)];
      const many = decideMany(
        people,
        seen.map((one) => [one]),
        dates,
        rulebook,
      );
      people.forEach((person, p) =>
        dates.forEach((date, d) => {
          const bearing = bearings(person, date, undefined, rulebook);
          seen.forEach((features, t) => expect(many.answerOf(p, d, t)).toBe(decide(bearing, features).answer));
        }),
      );
    }),
    { numRuns: 60 },
  );
});

test('tracks: everybody is on one of them, at most three beside the natural breath, and each may do what is on theirs', () => {
  const stands = (id: string) =>
    wayDown(LADDER, id).map((other) => ({
      name: techniqueOf(other).name,
      taught: { ...techniqueOf(other).read, pace, tags: techniqueOf(other).tags },
    }));
  fc.assert(
    fc.property(fc.array(anyPerson, { minLength: 1, maxLength: 9 }), fc.constantFrom(...TECHNIQUES), (screened, technique) => {
      const people = screened.map((one, index) => ({ id: String(index), screened: one, comfort: { inhale: null, exhale: null } }));
      const taught = { ...technique.read, pace, tags: technique.tags };
      const tracks = tracksFor(people, taught, stands(technique.id), today);
      expect(tracks.flatMap(({ people: on }) => on).sort()).toEqual(people.map(({ id }) => id).sort());
      expect(tracks.filter(({ kind }) => kind !== 'natural breath').length).toBeLessThanOrEqual(3);
      for (const { kind, pattern, people: on } of tracks) {
        if (kind !== 'as taught' && kind !== 'instead') continue;
        const features =
          kind === 'as taught'
            ? featuresOf(roomPattern(taught.pattern), taught.dose, pace, [])
            : featuresOf(roomPattern(mustParsePattern(pattern)), taught.dose, pace, []);
        // Posture, eyes and hands are adapted beside the pattern: here the breath alone is looked at.
        const breath = (id: string) => decide(bearings(people[Number(id)].screened, today), { ...features, tags: [] }).answer;
        expect(on.map(breath).filter((answer) => answer === 'leave out' || answer === 'ask first')).toEqual([]);
      }
      const opening = openingFor(people, taught, today);
      expect([...opening.open, ...opening.clinician, ...opening.form, ...opening.closed].sort()).toEqual(people.map(({ id }) => id).sort());
    }),
    { numRuns: 80 },
  );
});

test('every adaptation of every pattern can be written down and read again', () => {
  fc.assert(
    fc.property(anyPattern, fc.subarray([...ADAPTATIONS], { minLength: 1 }), (pattern, adaptations) => {
      const changed = applyAdaptations(pattern, [], adaptations, pace).pattern;
      if (changed) expect(parsePattern(formatPattern(changed))).toEqual({ ok: true, value: changed });
    }),
    { numRuns: 500 },
  );
});

test('a grid whose ways become one through the nose is one way', () => {
  const grid = mustParsePattern('in 5 open/narrowed, out 5 hiss/open');
  const changed = applyAdaptations(grid, [], [{ to: 'nose only' }], pace).pattern;
  expect(changed && formatPattern(changed)).toBe('in 5 open/narrowed, out 5');
});
