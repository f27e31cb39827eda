import { draftCourse, planningOf, type CourseProblem } from '@/core/course';
import { v7 as newId } from 'uuid';

/** How long a draft is looked for, and then what clashes, and what would do, in milliseconds. It ends with what it has. */
const [LOOKED_FOR, REASONED_FOR] = [20_000, 5_000] as const;

/** Drafts a course away from the page: tells of every better draft, and of the one that no better one was found for. */
self.onmessage = ({ data: problem }: MessageEvent<CourseProblem>) => {
  const begun = performance.now();
  const { sessions, unplaced, proof } = draftCourse(
    problem.sessions,
    problem.goals,
    planningOf(problem),
    newId,
    {
      enough: () => performance.now() - begun > LOOKED_FOR,
      begin: () => {
        const from = performance.now();
        return () => performance.now() - from > REASONED_FOR;
      },
      onBetter: (better) => self.postMessage({ better }),
    },
    problem.arc,
  );
  self.postMessage({ done: { sessions, unplaced, proof } });
};
