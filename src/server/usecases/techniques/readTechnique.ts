import { authorise, may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { Refusal } from '../../errors';
import { courses, sessionsOf } from '../../repositories/courses';
import { conventions } from '../../repositories/studio';

/** A technique at the studio's pace, and the courses that practise it, for those who may see courses. */
export async function readTechnique(desk: Desk, id: string) {
  authorise(desk.who, 'see techniques');
  const { tempo, naturalBreath, speech, version, library, ...studio } = await conventions(desk);
  const technique = library.find(id);
  if (!technique) throw new Refusal('not-found', 'There is no technique of this name in the library.');
  const ruleChanges = may(desk.who.role, 'see reasons') ? studio.ruleChanges : null;
  if (!may(desk.who.role, 'see courses')) return { technique, library, tempo, naturalBreath, speech, ruleChanges, usedIn: null, studioVersion: null };
  const all = await courses(desk);
  const sessions = await sessionsOf(
    desk,
    all.map((course) => course.id),
  );
  const usedIn = all.flatMap((course) => {
    const used = sessions.filter(
      (session) => session.course === course.id && session.blocks.some((block) => block.kind === 'technique' && block.technique === id),
    );
    return used.length > 0
      ? [{ course: course.id, name: course.name, classes: used.length, next: used.find(({ date }) => date >= desk.today)?.date ?? null }]
      : [];
  });
  return {
    technique,
    library,
    tempo,
    naturalBreath,
    speech,
    ruleChanges,
    usedIn,
    studioVersion: may(desk.who.role, 'run the studio') ? version : null,
  };
}
