import { techniquesIn } from '../plan';
import { judge, purposesOf, purposeText, requestOf, themesOf, type Broken } from './arc';
import { inTimeOrder } from './checks';
import { weekOf } from './dates';
import { arcProblemOf } from './toArc';
import type { Arc, CourseSession, Goal, Planning } from './types';

/** What a course is about, in words drafted from what stands in it: a line for each class, a theme for each week, and what it lacks. */
export interface About {
  /** By class: what it is for. */
  readonly purposes: ReadonlyMap<string, string>;
  /** By week. */
  readonly themes: ReadonlyMap<number, string>;
  /** What a course that is spread over the weeks should be and is not, by class. */
  readonly lacks: readonly string[];
}

const NOTHING: About = { purposes: new Map(), themes: new Map(), lacks: [] };

/**
 * What a course is about.
 * @example aboutCourse(sessions, goals, planning, arc).themes.get(1) // "Longer exhale"
 */
export function aboutCourse(sessions: readonly CourseSession[], goals: readonly Goal[], planning: Planning, arc: Arc): About {
  if (goals.length === 0 || sessions.length === 0) return NOTHING;
  const ordered = inTimeOrder(sessions);
  const { file, one, practiceOf, textOf } = arcProblemOf(ordered, goals, planning, arc);
  const { library } = planning.basis;
  const request = requestOf(file, one);
  const practices = ordered.map(({ blocks }) =>
    techniquesIn(blocks).flatMap((block) => {
      const made = practiceOf(block);
      return made ? [made] : [];
    }),
  );
  const purposes = purposesOf(file, one, request, practices);
  const name = (id: string) => library.technique(id).name;
  const words = { name, dose: textOf };
  const weeks = ordered.map(({ date }) => weekOf(ordered[0].date, date));
  const themes = [...themesOf(file, purposes, weeks)].map(
    ([week, { technique, continued }]) => [week, `${library.technique(technique).of.name}${continued ? ', continued' : ''}`] as const,
  );
  const planned = ordered.some(({ fixed, blocks }) => !fixed && techniquesIn(blocks).length > 0);
  return {
    purposes: new Map(ordered.flatMap(({ id }, at) => (purposes[at] ? [[id, purposeText(purposes[at], words)] as const] : []))),
    themes: new Map(themes),
    lacks: arc.pace === 'spread' && planned ? judge(file, one, practices, request).broken.map((broken) => lackText(broken, name)) : [],
  };
}

/** What is lacking, as a sentence. @example lackText({ requirement: 'full', at: 2, technique: null }, name) // "Class 2 is not full." */
export function lackText({ requirement, at, technique }: Broken, name: (id: string) => string): string {
  const it = technique === null ? '' : name(technique);
  switch (requirement) {
    case 'lastnew':
      return 'Something new comes in the last class.';
    case 'full':
      return `Class ${at} is not full.`;
    case 'main':
      return `Class ${at} has no main practice.`;
    case 'stays':
      return `${it} is reached, and then not used in four classes, up to class ${at}.`;
    case 'back':
      return `${it} begins in class ${at} and does not come back soon enough.`;
    case 'stand':
      return `${it} stands at one dose for the fourth time in class ${at}.`;
    case 'linked':
      return `Class ${at} has nothing in common with the class before.`;
    case 'same':
      return `Class ${at} is the class before again.`;
    case 'still':
      return `Nothing is new or longer in three classes, up to class ${at}.`;
    case 'gather':
      return `${it} is not in the last class.`;
    case 'ready':
      return `Fewer of them will be ready for ${it} than are asked for.`;
  }
}
