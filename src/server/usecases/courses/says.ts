import { saysText, whatItSays } from '@/core/climb';
import type { Planning } from '@/core/course';
import { techniquesIn } from '@/core/plan';
import type { StepSaid } from '@/views/course';
import type { Progress, Session } from '../../repositories/courses';

/** What the last logged class says of each technique in it that is still to come. */
export function saidBy(sessions: readonly Session[], planning: Planning, people: number, progress: ReadonlyMap<string, Progress>): StepSaid[] {
  const last = sessions.findLast(({ id }) => progress.get(id)?.log);
  const says = last && whatItSays(progress.get(last.id)!.log!.attendance, people, planning.guards);
  if (!last || !says) return [];
  const after = sessions.filter(({ date, fixed }) => date > last.date && !fixed);
  return techniquesIn(last.blocks).flatMap(({ technique, pattern, dose }): StepSaid[] => {
    const ways = sessions.flatMap(({ blocks }) => techniquesIn(blocks).filter((block) => block.technique === technique));
    const next = after.flatMap(({ blocks }) => techniquesIn(blocks)).find((block) => block.technique === technique);
    const differs = (block: { readonly pattern: string; readonly dose: string }) => block.pattern !== pattern || block.dose !== dose;
    const at = ways.findLastIndex((block) => !differs(block));
    const before = ways.slice(0, Math.max(0, at)).findLast(differs);
    const step = (block: { readonly pattern: string; readonly dose: string } | undefined) => (block ? `${block.pattern}, ${block.dose}` : null);
    // Only where something grows is there a step to stay on or go back from.
    if (!next || !(differs(next) || before)) return [];
    const name = planning.basis.library.find(technique)?.name ?? technique;
    return [
      {
        technique,
        name,
        date: last.date,
        text: saysText(says, planning.guards),
        answer: says.answer,
        step: step({ pattern, dose })!,
        next: step(next),
        before: step(before),
      },
    ];
  });
}
