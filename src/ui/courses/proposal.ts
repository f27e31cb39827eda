import { classChanges, type ClassChange, type CourseSession, type Proof, type SoonProof, type SpreadProof, type Unplaced } from '@/core/course';
import type { Library } from '@/core/library';
import { techniquesIn } from '@/core/plan';
import type { CourseView } from '@/views/course';

/** A draft as a page has it before it is kept. */
export interface Proposal {
  readonly sessions: readonly CourseSession[];
  readonly proof: Proof;
  /** Null while better ones are looked for. */
  readonly unplaced: readonly Unplaced[] | null;
}

/**
 * What a draft would change, class by class, in words; classes that stay as they are are left out.
 * @example changesIn(view, proposal, library)[0].lines // ["Equal 4:4 comes in", "Longer exhale 4:5: 4 min → 5 min"]
 */
export function changesIn({ sessions }: Pick<CourseView, 'sessions'>, proposal: Proposal, library: Library): ClassChange[] {
  const name = (id: string) => library.find(id)?.name ?? id;
  const drafted = proposal.sessions.filter(({ id, fixed }) => !fixed && sessions.some((shown) => shown.id === id));
  return classChanges(
    // A published plan may go by its own names; a draft speaks of techniques.
    sessions
      .filter(({ id }) => drafted.some((one) => one.id === id))
      .map((shown) => ({ ...shown, techniques: shown.techniques.map((one) => ({ ...one, name: name(one.technique) })) })),
    drafted.map(({ blocks, ...session }) => ({
      ...session,
      techniques: techniquesIn(blocks).map((block) => ({ ...block, name: name(block.technique) })),
    })),
  );
}

/**
 * How good a draft is known to be, as a line.
 * @example proofText(proof, ['4:7:8', 'Equal 4:4'], false) // "Every goal has its place; best possible for 1 of them; 4:7:8 may still come up to 1 class earlier."
 */
export function proofText(proof: Proof, goals: readonly string[], done: boolean): string {
  return proof.aim === 'soon' ? soonText(proof, goals, done) : spreadText(proof, goals, done);
}

/** A course that is spread over the weeks: what is reached by when, what is not as it should be, and what is proved of it. */
function spreadText({ proved, dropped, least, reached, broken, leastBroken, weight }: SpreadProof, goals: readonly string[], done: boolean): string {
  const kept = goals.length - dropped;
  const last = Math.max(0, ...reached.map((at) => at ?? 0));
  const many = `${dropped === 0 ? 'Every goal has its place' : `${kept} of ${goals.length} goals have their place`}${last > 0 ? `, the last in class ${last}` : ''}`;
  if (!done) return `${many} so far; looking for a better spread.`;
  const whole = broken.length === 0 ? 'every class is full, has a main practice and goes on from the one before' : null;
  const short = broken.length > 0 && weight <= leastBroken ? 'what is lacking below cannot be otherwise' : null;
  const known = proved
    ? 'no draft spreads it better: proved'
    : dropped > least
      ? `whether ${dropped - least === 1 ? 'one more has' : `up to ${dropped - least} more have`} a place was not settled`
      : 'no better spread was found';
  return `${[many, whole ?? short, known].filter(Boolean).join('; ')}.`;
}

/**
 * What a course that is spread over the weeks gives up for that.
 * @example givesUpText(proof, ['4:7:8']) // "4:7:8 is reached in class 16; as soon as it can be taught it could be in class 9."
 */
export function givesUpText(proof: Proof, goals: readonly string[]): string | null {
  if (proof.aim === 'soon') return null;
  const later = proof.reached.flatMap((at, index) => {
    const could = proof.soonest[index];
    return at !== null && could !== null && could < at ? [{ name: goals[index], at, could }] : [];
  });
  if (later.length === 0) return null;
  const [first, ...others] = later;
  const rest = others.map(({ name, at, could }) => `${name} in class ${at}, not ${could}`);
  return `${[`${first.name} is reached in class ${first.at}; as soon as it can be taught it could be in class ${first.could}`, ...rest].join('; ')}.`;
}

function soonText({ proved, dropped, least, sum, bound, reached, earliest }: SoonProof, goals: readonly string[], done: boolean): string {
  const kept = goals.filter((_, index) => reached[index] !== null).length;
  const many = dropped === 0 ? 'Every goal has its place' : `${kept} of ${goals.length} goals have their place`;
  if (proved) return `${many}, each as early as the rules allow: proved.`;
  const waiting = reached.flatMap((at, index) => (at !== null && at > earliest[index] ? [{ goal: goals[index], by: at - earliest[index] }] : []));
  const best = kept - waiting.length;
  return [
    done ? many : `${many} so far`,
    ...(done && dropped > least
      ? [`whether ${dropped - least === 1 ? 'one more has' : `up to ${dropped - least} more have`} a place was not settled`]
      : []),
    ...(best > 0 ? [`best possible for ${waiting.length === 0 ? 'each' : `${best} of them`}`] : []),
    ...waiting.map(({ goal, by }, at) => `${goal} may ${at === 0 ? 'still ' : ''}come up to ${classes(by)} earlier`),
    ...(done && waiting.length > 1 && bound > 0 ? [`together at most ${classes(sum - bound)}`] : []),
  ]
    .join('; ')
    .concat('.');
}

const classes = (count: number) => `${count} ${count === 1 ? 'class' : 'classes'}`;

/** A draft's classes as the server takes them. */
export function toClasses({ sessions }: Proposal, taken: ReadonlySet<string>) {
  return sessions
    .filter(({ id, fixed }) => !fixed && taken.has(id))
    .map(({ id, blocks }) => ({
      session: id,
      techniques: techniquesIn(blocks).map(({ technique, pattern, dose }) => ({ technique, pattern, dose })),
    }));
}
