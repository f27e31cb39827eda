'use client';

import { useEffect, useState } from 'react';
import { v7 as newId } from 'uuid';
import { AT_THE_START, type PlayerState } from '@/core/cues';
import { NOTHING_TODAY, type DoorAnswers } from '@/core/screening';
import type { Block } from '@/core/plan';
import { keepRun, keptRun } from '../device';

/** How far a class has come on this device: kept as it changes, so that a reload goes on where it was. */
export interface Run {
  readonly stage: 'plan' | 'door' | 'class' | 'log' | 'logged';
  readonly door: Readonly<Record<string, DoorAnswers>>;
  /** People who have not come. */
  readonly away: readonly string[];
  readonly player: PlayerState;
  /** Stop signs marked while teaching, to be named in the log. */
  readonly signs: readonly { readonly at: number; readonly block: string }[];
  readonly mirror: boolean;
  readonly tones: boolean;
  /** The blocks as they were shortened on the way; null while the class runs as published. */
  readonly shortened: readonly Block[] | null;
  /** Made here, so that a log that is sent twice is kept once. */
  readonly logId: string;
}

const fresh = (stage: Run['stage']): Run => ({
  stage,
  door: {},
  away: [],
  player: AT_THE_START,
  signs: [],
  mirror: false,
  tones: false,
  shortened: null,
  logId: newId(),
});

/**
 * The run of a session on this device.
 * @returns null until the device has been asked what it kept
 */
export function useRun(session: string, plan: string, start: Run['stage']) {
  const [run, setRun] = useState<Run | null>(null);
  const key = `${session} ${plan}`;
  useEffect(() => {
    let here = true;
    void keptRun<Run>(key)
      .catch(() => undefined)
      .then((kept) => here && setRun(start === 'log' ? { ...(kept ?? fresh('log')), stage: 'log' } : (kept ?? fresh(start))));
    return () => {
      here = false;
    };
  }, [key, start]);
  const change = (more: Partial<Run>) =>
    setRun((now) => {
      if (!now) return now;
      const next = { ...now, ...more };
      void keepRun(key, next).catch(() => undefined);
      return next;
    });
  return { run, change };
}

export const doorOf = (run: Run, person: string): DoorAnswers => run.door[person] ?? NOTHING_TODAY;

/** The device's clock in milliseconds: it never runs backwards, and goes on across a reload. */
export function deviceClock(): number {
  return performance.timeOrigin + performance.now();
}
