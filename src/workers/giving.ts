import { planningOf, whatWeeksGive, type CourseProblem, type Given } from '@/core/course';

/** How long each question is looked at, in milliseconds: it is asked while somebody types. */
const LOOKED_FOR = 400;

/** What is asked, with a number that comes back with the answer. */
export interface Asked {
  readonly number: number;
  readonly problem: CourseProblem;
}

export interface Answered {
  readonly number: number;
  readonly given: readonly Given[];
}

/** Works out what the weeks of a course give, away from the page. */
self.onmessage = ({ data: { number, problem } }: MessageEvent<Asked>) => {
  const begin = () => {
    const from = performance.now();
    return () => performance.now() - from > LOOKED_FOR;
  };
  const answer: Answered = { number, given: whatWeeksGive(problem.sessions, problem.goals, planningOf(problem), begin) };
  self.postMessage(answer);
};
