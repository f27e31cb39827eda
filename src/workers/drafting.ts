import { draftCourse, planningOf, type CourseProblem } from '@/core/course';
import { v7 as newId } from 'uuid';

/** Drafts a course away from the page: tells of every better draft, and of the one that no better one was found for. */
self.onmessage = ({ data: problem }: MessageEvent<CourseProblem>) => {
  const { sessions, unplaced, proof } = draftCourse(problem.sessions, problem.goals, planningOf(problem), newId, {
    enough: () => false,
    onBetter: (better) => self.postMessage({ better }),
  });
  self.postMessage({ done: { sessions, unplaced, proof } });
};
