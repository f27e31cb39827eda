import { CLIMB_LIMITS, growthFindings, rungFindings } from '../../climb';
import { shortfalls } from '../../ladder';
import { mustParsePattern, plainPatterns } from '../../pattern';
import { readBlock, type TechniqueBlock } from '../../plan';
import { daysBetween, millis } from '../../units';
import { hourOf, type Planning } from '../types';
import type { BlockRule } from './types';

/** Every prerequisite is met in number and days; what the cohort already practises counts as met. */
export const inOrder: BlockRule = ({ technique }, { date }, { practised }, { ladder, already }) =>
  shortfalls(ladder, technique, date, practised, already).map((lacking) => ({
    code: lacking.kind === 'too soon' ? 'too soon' : 'out of order',
    lacking,
  }));

/** Dose, counts, hold and pace stay inside their rung, and grow by small steps. */
export const insideGuards: BlockRule = (block, { date }, { last }, { basis, guards }) => {
  const done = ({ pattern, dose, tempo }: TechniqueBlock) => ({ pattern, dose, pace: { tempo: millis(tempo), naturalBreath: basis.naturalBreath } });
  const was = last.get(block.technique);
  const found = [
    ...rungFindings(done(block), basis.library.technique(block.technique).rung, guards),
    ...(was ? growthFindings(done(was.block), done(block), daysBetween(was.date, date), guards) : []),
  ];
  return found.map((finding) => ({ code: 'guard', finding }));
};

/** After a pause nothing goes on growing: the rule is one step back. */
export const notAfterPause: BlockRule = (block, { date }, { last }, { basis, missedBetween }) => {
  const was = last.get(block.technique);
  if (!was) return [];
  const days = daysBetween(was.date, date);
  const missed = missedBetween(was.date, date);
  if (days <= CLIMB_LIMITS.pauseDays && missed < CLIMB_LIMITS.missedBack) return [];
  const time = (one: TechniqueBlock) => readBlock(one, basis).timing.planned;
  return block.pattern !== was.block.pattern || time(block) > time(was.block) ? [{ code: 'after a pause', days, missed }] : [];
};

/** Activating work belongs in the morning, calming work late. */
export const atItsHour: BlockRule = ({ technique }, { start }, _, { basis }) => {
  const { taughtAt } = basis.library.technique(technique);
  return taughtAt.includes(hourOf(start)) ? [] : [{ code: 'wrong hour', hours: taughtAt }];
};

/** Nothing stands in a class that the whole cohort must leave out, or waits for a clinician's answer for. */
export const forSomebody: BlockRule = (block, { date }, _, planning) => {
  const tally = planning.tally(block, date);
  return tally.people > 0 && tally.leaveOut + tally.askFirst === tally.people ? [{ code: 'left out by all', tally }] : [];
};

/** Who does it otherwise, or stands close to a limit, is known beforehand. */
export const knownForWhom: BlockRule = (block, day, before, planning) => {
  if (forSomebody(block, day, before, planning).length > 0) return [];
  const tally = planning.tally(block, day.date);
  return [
    ...(tally.leaveOut + tally.askFirst + tally.adapt > 0 ? [{ code: 'adapted', tally } as const] : []),
    ...(tally.near > 0 ? [{ code: 'near a limit', tally } as const] : []),
  ];
};

/** Somebody is qualified for it on its date; where that is not the course's own teacher, it is said who. */
export const byQualified: BlockRule = ({ technique }, { date }, _, { basis, qualified }) => {
  const who = qualified(basis.library.technique(technique).family, date);
  if (who === 'own') return [];
  return who.length === 0 ? [{ code: 'nobody qualified' }] : [{ code: 'other teacher', names: who }];
};

/** Connected breath is for a group of which the director says that it is settled. */
export const forSettled: BlockRule = ({ pattern, technique }, _, __, { basis, settled }) => {
  const patterns = [mustParsePattern(pattern), basis.library.technique(technique).read.pattern];
  const connected = patterns.some((one) => plainPatterns(one).some(({ kind }) => kind === 'connected'));
  return connected && !settled ? [{ code: 'not settled' }] : [];
};

/** At least one complete round fits its minutes. */
export const inWholeRounds: BlockRule = (block, _, __, { basis }) => (readBlock(block, basis).timing.fits ? [] : [{ code: 'no round fits' }]);

/** Whether a technique or a step of its counts is new to the cohort; volume is not. */
export function isNew({ technique, pattern }: TechniqueBlock, { last, practised }: Parameters<BlockRule>[2], { already }: Planning): boolean {
  const was = last.get(technique);
  if (was) return was.block.pattern !== pattern;
  return !practised.has(technique) && !already.has(technique);
}
