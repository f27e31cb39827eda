import { isHeld, saysText, shorterHold, whatItSays } from '@/core/climb';
import type { FirstBreath } from '@/core/teach';
import type { Planning } from '@/core/course';
import { techniquesIn } from '@/core/plan';
import type { StepSaid } from '@/views/course';
import type { Session } from '../../repositories/courses';
import type { Progress } from '../../repositories/plans';

/** What the last logged class says of each technique in it that is still to come. */
export function saidBy(sessions: readonly Session[], planning: Planning, people: number, progress: ReadonlyMap<string, Progress>): StepSaid[] {
  const last = sessions.findLast(({ id }) => progress.get(id)?.log);
  const log = last && progress.get(last.id)!.log!;
  const says = log && whatItSays(log, people, planning.guards);
  if (!last || !log || !says) return [];
  const after = sessions.filter(({ date, fixed }) => date > last.date && !fixed);
  return techniquesIn(last.blocks).flatMap(({ technique, pattern, dose }): StepSaid[] => {
    const ways = sessions.flatMap(({ blocks }) => techniquesIn(blocks).filter((block) => block.technique === technique));
    const next = after.flatMap(({ blocks }) => techniquesIn(blocks)).find((block) => block.technique === technique);
    const differs = (block: { readonly pattern: string; readonly dose: string }) => block.pattern !== pattern || block.dose !== dose;
    const at = ways.findLastIndex((block) => !differs(block));
    const before = ways.slice(0, Math.max(0, at)).findLast(differs);
    const step = (block: { readonly pattern: string; readonly dose: string } | undefined) => (block ? `${block.pattern}, ${block.dose}` : null);
    const held = isHeld(pattern) ? log.firstBreath : null;
    const shorter = held === 'gasping' ? shorterHold(pattern) : null;
    // Only where something grows is there a step to stay on or go back from.
    if (!next || !(differs(next) || before || shorter)) return [];
    const name = planning.basis.library.find(technique)?.name ?? technique;
    return [
      {
        technique,
        name,
        date: last.date,
        text: `${saysText(says, planning.guards)}${breathText(held)}`,
        answer: held === 'gasping' ? 'back' : held === 'quick' && says.answer === 'advance' ? 'stay' : says.answer,
        step: step({ pattern, dose })!,
        next: step(next),
        before: step(before),
        shorter,
      },
    ];
  });
}

/** What the first free breath after a hold says of it. */
function breathText(breath: FirstBreath | null): string {
  if (breath === 'gasping') return ' The first free breath was gasping: the hold was too long.';
  return breath === 'quick' ? ' The first free breath was quick, so the hold stays as it is.' : '';
}
