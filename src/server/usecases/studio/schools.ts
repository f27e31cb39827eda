import { QUESTIONS, schoolsOf, type QuestionId, type StudioSchools } from '@/core/conventions';
import { minutesUp, sessionTime } from '@/core/plan';
import { dayText, millis } from '@/core/units';
import { paceForm, schoolsForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import type { Desk } from '../../desk';
import { StudioRow } from '../../db/rows';
import { invalid, Refusal } from '../../errors';
import { courses, sessionsOf } from '../../repositories/courses';
import { conventions } from '../../repositories/studio';

/**
 * Chooses the studio's ways where schools differ, or one technique's own. Techniques are taught so from now on; sessions that
 * are planned keep what is written in them.
 */
export async function saveSchools(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'run the studio');
  const { version, technique, ways } = await checked(schoolsForm, input);
  const { schools } = await conventions(desk);
  const chosen: Partial<Record<QuestionId, string>> = {};
  for (const { question, way } of ways) {
    if (way === null) continue;
    if (!QUESTIONS.find(({ id }) => id === question)?.ways.includes(way)) throw invalid({ field: 'ways', message: 'There is no such way.' });
    chosen[question] = way;
  }
  const changed = await desk.em.nativeUpdate(
    StudioRow,
    { id: desk.who.studio, version },
    { schools: withChosen(schools, technique, chosen), version: version + 1 },
  );
  if (changed === 0) throw new Refusal('clash');
}

function withChosen(schools: StudioSchools, technique: string | null, chosen: Partial<Record<QuestionId, string>>): StudioSchools {
  if (technique === null) return { ...schools, studio: { ...schools.studio, ...chosen } };
  const others = Object.fromEntries(Object.entries(schools.own).filter(([id]) => id !== technique));
  const differs = Object.fromEntries(Object.entries(chosen).filter(([question, way]) => schoolsOf(schools, '')[question as QuestionId] !== way));
  return { ...schools, own: Object.keys(differs).length > 0 ? { ...others, [technique]: differs } : others };
}

/** How often each technique is planned in sessions still to come, which keep it as it is written there. */
export async function plannedTechniques(desk: Desk): Promise<Readonly<Record<string, number>>> {
  authorise(desk.who, 'run the studio');
  const counts: Record<string, number> = {};
  for (const { blocks } of await ahead(desk))
    for (const technique of new Set(blocks.flatMap((block) => (block.kind === 'technique' ? [block.technique] : []))))
      counts[technique] = (counts[technique] ?? 0) + 1;
  return counts;
}

/** What another natural breath would do to the minutes of sessions still to come: rests and recovery are timed with it. */
export async function previewPace(desk: Desk, input: unknown): Promise<readonly string[]> {
  authorise(desk.who, 'run the studio');
  const { naturalSeconds } = await checked(paceForm, input);
  const { naturalBreath } = await conventions(desk);
  const [all, sessions] = await Promise.all([courses(desk), ahead(desk)]);
  return sessions.flatMap(({ course, date, minutes, blocks }) => {
    const [before, after] = [naturalBreath, millis(naturalSeconds * 1000)].map((natural) => sessionTime(blocks, natural));
    if (before === after) return [];
    const name = all.find(({ id }) => id === course)?.name ?? '';
    const over = after > minutes * 60_000 && before <= minutes * 60_000 ? ', which no longer fits' : '';
    return [`${name}, ${dayText(date)}: ${minutesUp(before)} → ${minutesUp(after)} min of ${minutes}${over}`];
  });
}

async function ahead(desk: Desk) {
  const all = await courses(desk);
  const sessions = await sessionsOf(
    desk,
    all.map(({ id }) => id),
  );
  return sessions.filter(({ date }) => date >= desk.today);
}
