import { QUESTIONS, schoolsOf, type QuestionId, type Schools, type StudioSchools } from '@/core/conventions';
import { minutesUp, sessionTime, techniquesIn } from '@/core/plan';
import { dayText, millis } from '@/core/units';
import { paceForm, schoolsForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { invalid } from '../../errors';
import { changeStudio, conventions } from '../../repositories/studio';
import { sessionsAhead } from '../people/ahead';
import { knownTechniques } from '../techniques/known';

/**
 * Chooses the studio's ways where schools differ, or one technique's own. Techniques are taught so from now on; sessions that
 * are planned keep what is written in them.
 */
export async function saveSchools(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'run the studio');
  const { version, technique, ways } = await checked(schoolsForm, input);
  const chosen: Partial<Record<QuestionId, string>> = {};
  for (const { question, way } of ways) {
    if (way === null) continue;
    if (!QUESTIONS.find(({ id }) => id === question)?.ways.includes(way)) throw invalid({ field: 'ways', message: 'There is no such way.' });
    chosen[question] = way;
  }
  await inOne(desk, async (at) => {
    const { schools, library } = await conventions(at);
    if (technique !== null) knownTechniques(library, [{ field: 'technique', technique }]);
    await changeStudio(at, version, { schools: withChosen(schools, technique, chosen as Partial<Schools>) });
  });
}

function withChosen(schools: StudioSchools, technique: string | null, chosen: Partial<Schools>): StudioSchools {
  if (technique === null) return { ...schools, studio: { ...schools.studio, ...chosen } };
  const others = Object.fromEntries(Object.entries(schools.own).filter(([id]) => id !== technique));
  const differs = Object.fromEntries(Object.entries(chosen).filter(([question, way]) => schoolsOf(schools, '')[question as QuestionId] !== way));
  return { ...schools, own: Object.keys(differs).length > 0 ? { ...others, [technique]: differs } : others };
}

/** How often each technique is planned in sessions still to come, which keep it as it is written there. */
export async function plannedTechniques(desk: Desk): Promise<Readonly<Record<string, number>>> {
  authorise(desk.who, 'run the studio');
  const counts: Record<string, number> = {};
  for (const { blocks } of await sessionsAhead(desk, null))
    for (const technique of new Set(techniquesIn(blocks).map((block) => block.technique))) counts[technique] = (counts[technique] ?? 0) + 1;
  return counts;
}

/** What another natural breath would do to the minutes of sessions still to come: rests and recovery are timed with it. */
export async function previewPace(desk: Desk, input: unknown): Promise<readonly string[]> {
  authorise(desk.who, 'run the studio');
  const { naturalSeconds } = await checked(paceForm, input);
  const studio = await conventions(desk);
  return (await sessionsAhead(desk, null)).flatMap(({ name, date, minutes, blocks }) => {
    const [before, after] = [studio.naturalBreath, millis(naturalSeconds * 1000)].map((naturalBreath) =>
      sessionTime(blocks, { ...studio, naturalBreath }),
    );
    if (before === after) return [];
    const over = after > minutes * 60_000 && before <= minutes * 60_000 ? ', which no longer fits' : '';
    return [`${name}, ${dayText(date)}: ${minutesUp(before)} → ${minutesUp(after)} min of ${minutes}${over}`];
  });
}
