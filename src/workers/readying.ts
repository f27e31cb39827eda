import { readyMends, type CourseProblem, type ReadyMend } from '@/core/course';

/** What is told: a change that would do, or that all were tried. */
export type Told = { readonly found: ReadyMend } | { readonly done: true };

/** Tries, away from the page, what would make as many ready as are asked for. */
self.onmessage = ({ data: problem }: MessageEvent<CourseProblem>) => {
  const tell = (told: Told) => self.postMessage(told);
  for (const found of readyMends(problem)) tell({ found });
  tell({ done: true });
};
