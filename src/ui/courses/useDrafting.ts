'use client';

import { useEffect, useRef, useState } from 'react';
import type { CourseProblem, CourseSession, Proof, Unplaced } from '@/core/course';
import type { Proposal } from './proposal';

type Told =
  | { readonly better: { readonly sessions: readonly CourseSession[]; readonly proof: Proof } }
  | { readonly done: { readonly sessions: readonly CourseSession[]; readonly unplaced: readonly Unplaced[]; readonly proof: Proof } };

interface Drafting {
  /** The best draft so far; null before the first, or when none is being made. */
  readonly proposal: Proposal | null;
  readonly running: boolean;
  /** Whether the last search broke off by a fault of ours. */
  readonly broke: boolean;
  /** @param onDone told of the draft that no better one was found for */
  readonly start: (problem: CourseProblem, onDone?: (proposal: Proposal) => void) => void;
  /** Ends the search with what it has. */
  readonly enough: () => void;
  readonly leave: () => void;
}

/** Drafting in a worker: the page stays live, every better draft is shown, and it can be called enough. */
export function useDrafting(): Drafting {
  const worker = useRef<Worker>(undefined);
  const [proposal, setProposal] = useState<Proposal | null>(null);
  const [running, setRunning] = useState(false);
  const [broke, setBroke] = useState(false);
  const stop = () => {
    worker.current?.terminate();
    worker.current = undefined;
    setRunning(false);
  };
  useEffect(() => () => worker.current?.terminate(), []);
  const start = (problem: CourseProblem, onDone?: (proposal: Proposal) => void) => {
    stop();
    setProposal(null);
    setBroke(false);
    setRunning(true);
    const drafting = new Worker(new URL('../../workers/drafting.ts', import.meta.url));
    worker.current = drafting;
    drafting.onmessage = ({ data }: MessageEvent<Told>) => {
      if ('better' in data) return setProposal({ ...data.better, unplaced: null });
      setProposal(data.done);
      stop();
      onDone?.(data.done);
    };
    drafting.onerror = () => {
      setBroke(true);
      stop();
    };
    drafting.postMessage(problem);
  };
  return {
    proposal,
    running,
    broke,
    start,
    enough: stop,
    leave: () => {
      stop();
      setProposal(null);
    },
  };
}
