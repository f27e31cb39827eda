import { Engine } from 'json-rules-engine';
import {
  ANSWERS,
  ASKED,
  bearings,
  decide,
  decideMany,
  waysSeen,
  hasFeature,
  keepInStep,
  NOT_SCREENED,
  RULEBOOK,
  type ConditionAnswer,
  type ScreenedPerson,
} from '../src/core/screening';
import { mustParsePattern } from '../src/core/pattern';
import { addDays, isoDate, millis } from '../src/core/units';
import { SHIPPED_LIBRARY } from '@/core/library';

const { techniques: TECHNIQUES } = SHIPPED_LIBRARY;

const today = isoDate('2026-11-25');
const pace = { tempo: millis(1000), naturalBreath: millis(4000) };
const techniques = TECHNIQUES.map(({ read, tags }) => waysSeen(read.pattern, read.dose, pace, tags).map(({ features }) => features));

/** Somebody with up to three conditions, the same for the same number. */
function person(index: number): ScreenedPerson {
  const pick = (turn: number) => ASKED[(index * 31 + turn * 17) % ASKED.length];
  const answers = Array.from({ length: index % 4 }, (_, turn): ConditionAnswer => {
    const condition = pick(turn);
    const parts = Object.fromEntries(condition.parts.map(({ id }) => [id, index % 2 === 0 ? ('yes' as const) : ('no' as const)]));
    return {
      condition: condition.id,
      answer: index % 13 === 0 ? "don't know" : 'yes',
      date: condition.date ? addDays(today, -(index % 200)) : null,
      parts,
    };
  });
  const birthDate = addDays(isoDate('1950-01-01'), (index * 53) % 24_000);
  return { ...NOT_SCREENED, screenedOn: index % 17 === 0 ? null : addDays(today, -(index % 190)), birthDate, answers };
}

/** Screening at full size, a decision beside a general rules engine's, and the search for what keeps step. */
export async function measureScreening(): Promise<void> {
  const people = Array.from({ length: 10_000 }, (_, index) => person(index));
  const dates = Array.from({ length: 24 }, (_, week) => addDays(today, week * 7));
  const started = performance.now();
  const many = decideMany(people, techniques, dates);
  const took = performance.now() - started;
  const decisions = people.length * dates.length * techniques.length;
  console.log(
    `\nScreening ${people.length} people × ${techniques.length} variants × ${dates.length} dates: ${(took / 1000).toFixed(2)} s for ${(decisions / 1e6).toFixed(1)} million decisions (aim: under 4 s)`,
  );
  const one = performance.now();
  decideMany([people[1]], techniques, dates);
  console.log(`One changed answer, its person alone: ${(performance.now() - one).toFixed(2)} ms`);
  await besideAnEngine(people, many);
  const cases = ['4:4:4:4', '4:7:8', '4:4:4', '8:8:8:8', 'in 5, hold 20 s, out 10, empty 15 s'].map(mustParsePattern);
  const searched = performance.now();
  for (let run = 0; run < 40; run += 1) for (const pattern of cases) keepInStep(pattern, 1000, () => true);
  console.log(`Keeping in step: ${((performance.now() - searched) / (40 * cases.length)).toFixed(3)} ms a case (aim: under 1)`);
}

/** The same thousand decisions by json-rules-engine: one rule an entry of the rulebook, facts for what bears and what is met. */
async function besideAnEngine(people: readonly ScreenedPerson[], many: ReturnType<typeof decideMany>): Promise<void> {
  const engine = new Engine([], { allowUndefinedFacts: true });
  for (const { id, answer } of RULEBOOK) {
    engine.addRule({
      conditions: {
        all: [
          { fact: `bears ${id}`, operator: 'equal', value: true },
          { fact: `met ${id}`, operator: 'equal', value: true },
        ],
      },
      event: { type: answer },
    });
  }
  const cases = Array.from({ length: 1000 }, (_, index) => ({ who: index * 7, technique: index % techniques.length }));
  const facts = cases.map(({ who, technique }) => ({
    ...Object.fromEntries(bearings(people[who], today).map(({ rule }) => [`bears ${rule.id}`, true])),
    ...Object.fromEntries(RULEBOOK.map(({ id, feature }) => [`met ${id}`, hasFeature(techniques[technique][0], feature)])),
  }));
  const theirs: string[] = [];
  const start = performance.now();
  for (const fact of facts) {
    const { events } = await engine.run(fact);
    theirs.push(ANSWERS.find((answer) => events.some(({ type }) => type === answer)) ?? 'clear');
  }
  const engineMs = performance.now() - start;
  const asked = cases.map(({ who }) => people[who]);
  const ourStart = performance.now();
  const ours = decideMany(asked, techniques, [today]);
  const answers = cases.map(({ technique }, index) => ours.answerOf(index, 0, technique));
  const oursMs = (performance.now() - ourStart) / techniques.length;
  const same = answers.every((answer, index) => answer === theirs[index] && answer === many.answerOf(cases[index].who, 0, cases[index].technique));
  const oneByOne = performance.now();
  cases.forEach(({ who, technique }) => decide(bearings(people[who], today), techniques[technique][0]));
  const singleMs = performance.now() - oneByOne;
  console.log(
    `A thousand decisions: json-rules-engine ${engineMs.toFixed(0)} ms; ours together ${oursMs.toFixed(2)} ms, ${Math.round(engineMs / oursMs)} × faster (aim: 100), one by one with reasons ${singleMs.toFixed(1)} ms, ${Math.round(engineMs / singleMs)} ×; answers ${same ? 'identical' : 'DIFFER'}`,
  );
}
