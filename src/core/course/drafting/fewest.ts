import { NOT_REACHED, valueOf, type Model, type ModelGoal } from './model';
import { search, type Found, type Outcome } from './search';

/** How few goals have to be left out. */
export interface Fewest {
  /** No draft leaves out fewer. */
  readonly least: number;
  /** A draft of all the others; null where none was found. Its cost counts what is left out. */
  readonly found: Found | null;
  /** Pins alone cannot be kept. */
  readonly impossible: boolean;
}

/** A question that asks more looks than this is put aside at first: a set of goals may fit, or not. Then it may take four times as many, and so on. */
const [LOOKS, TIMES] = [800, 4] as const;
/** Looks at all questions together; what is left of the time goes to a whole draft. */
const ALL_LOOKS = 5000;

interface Clash {
  readonly goals: readonly ModelGoal[];
  /** Whether it is proved; else it was only not settled. */
  readonly proved: boolean;
}

/**
 * Which goals fit together is settled first: sets that clash are found one after another, each as small as it can be, and the fewest
 * goals that are in all of them are left out; until what remains has a draft. What was not settled is taken for a clash to go on
 * from, proves nothing, and is asked again with more looks as long as fewer goals might be left out.
 */
export function fewest(model: Model, enough: () => boolean): Fewest {
  let looked = 0;
  const over = () => looked > ALL_LOOKS || enough();
  const ask = (goals: readonly ModelGoal[], most: number) => {
    const outcome = search(
      { ...model, goals },
      { enough: looks(Math.min(most, ALL_LOOKS - looked), enough), below: NOT_REACHED, goodEnough: NOT_REACHED - 1 },
    );
    looked += outcome.nodes;
    return outcome;
  };
  // Goals that come last at the soonest cost most: of as few the later ones are left out.
  const { soonest } = search(model, { enough: () => true, below: 0 });
  const byLast = new Map(model.goals.map((goal, at) => [goal, soonest[at]]));
  const goals = [...model.goals].sort((a, b) => byLast.get(b)! - byLast.get(a)!);
  const clashes: Clash[] = goals.filter((goal) => isNever(ask([goal], LOOKS))).map((goal) => ({ goals: [goal], proved: true }));
  let best: Fewest = { least: 0, found: null, impossible: isNever(ask([], LOOKS)) };
  const leftOut = ({ found }: Fewest) => (found ? valueOf(found.cost).dropped : goals.length + 1);
  for (let most = LOOKS; !best.impossible && leftOut(best) > best.least && !over(); most *= TIMES) {
    const settled = settle(
      most,
      clashes.filter(({ proved }) => proved),
    );
    best = { ...(leftOut(settled) < leftOut(best) ? settled : best), least: Math.max(best.least, settled.least) };
  }
  return best;

  /** Goes from clash to clash, each question with at most so many looks. */
  function settle(most: number, known: Clash[]): Fewest {
    let least = 0;
    for (;;) {
      const out = hitting(known, goals);
      if (known.every(({ proved }) => proved)) least = out.length;
      const kept = model.goals.filter((goal) => !out.includes(goal));
      const nothing = { least, found: null, impossible: false };
      // No better than what was found already.
      if (out.length >= leftOut(best)) return nothing;
      const outcome = ask(kept, most);
      if (outcome.best) return { ...nothing, found: { ...outcome.best, cost: outcome.best.cost + out.length * NOT_REACHED } };
      if (kept.length === 0 || over()) return nothing;
      const clash = smallest(kept, outcome.proved, most);
      known.push(clash);
      if (clash.proved) clashes.push(clash);
    }
  }

  /** A clash with nothing in it that could be taken away, as far as that was settled. */
  function smallest(clash: readonly ModelGoal[], proved: boolean, most: number): Clash {
    let least = clash;
    for (const goal of clash) {
      const fewer = least.filter((other) => other !== goal);
      if (fewer.length === 0 || over()) break;
      const outcome = ask(fewer, most);
      if (isNever(outcome)) [least, proved] = [fewer, true];
      else if (!outcome.best && !proved) least = fewer;
    }
    return { goals: least, proved };
  }
}

const isNever = ({ best, proved }: Outcome): boolean => !best && proved;

/** Enough after so many looks, or when it is enough altogether. The search asks every 64 branches. */
export function looks(most: number, enough: () => boolean): () => boolean {
  let asked = 0;
  return () => {
    asked += 64;
    return asked > most || enough();
  };
}

/** The fewest goals that are in every clash, the first of as few. */
function hitting(clashes: readonly Clash[], goals: readonly ModelGoal[]): readonly ModelGoal[] {
  const within = (size: number, from: number, open: readonly Clash[]): ModelGoal[] | null => {
    if (open.length === 0) return [];
    if (size === 0) return null;
    for (let at = from; at < goals.length; at += 1) {
      const rest = within(
        size - 1,
        at + 1,
        open.filter((clash) => !clash.goals.includes(goals[at])),
      );
      if (rest) return [goals[at], ...rest];
    }
    return null;
  };
  for (let size = 0; ; size += 1) {
    const found = within(size, 0, clashes);
    if (found) return found;
  }
}
