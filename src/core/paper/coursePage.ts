import { blockName, techniquesIn, type NamedBlock } from '../plan';
import type { Library } from '../library';
import { dayText, type IsoDate } from '../units';

/** A course for the notice board: when, how long, and what comes when; nobody's name but the teacher's. */
export interface CoursePage {
  readonly studio: string;
  readonly name: string;
  readonly when: string;
  readonly teacher: string;
  readonly classes: readonly { readonly number: number; readonly when: string; readonly what: string }[];
}

/** @param sessions in order of time, without cancelled ones */
export function coursePage(
  facts: { readonly studio: string; readonly name: string; readonly minutes: number; readonly teacher: string },
  sessions: readonly { readonly date: IsoDate; readonly start: string; readonly blocks: readonly NamedBlock[] }[],
  library: Library,
): CoursePage {
  const [first, last] = [sessions[0], sessions[sessions.length - 1]];
  const days = first ? `${dayText(first.date)} – ${dayText(last.date)}, ` : '';
  return {
    studio: facts.studio,
    name: facts.name,
    when: `${days}${sessions.length} ${sessions.length === 1 ? 'class' : 'classes'} of ${facts.minutes} minutes`,
    teacher: facts.teacher,
    classes: sessions.map(({ date, start, blocks }, index) => ({
      number: index + 1,
      when: `${dayText(date)}, ${start}`,
      what: [...new Set(techniquesIn(blocks).map((block) => blockName(block, library)))].join(', ') || 'to be planned',
    })),
  };
}
