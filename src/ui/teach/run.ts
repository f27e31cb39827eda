'use client';

import { useEffect, useState } from 'react';
import { v7 as newId } from 'uuid';
import { AT_THE_START, positionAt, step, type ClassLine, type PlayerMove, type PlayerState } from '@/core/cues';
import { NOTHING_TODAY, type DoorAnswers } from '@/core/screening';
import type { Block } from '@/core/plan';
import { withPlayed, type Attendance, type BlockDone, type FirstBreath, type Mood, type Played } from '@/core/teach';
import { keepRun, keptRun } from '../device';

/** A stop sign marked while teaching: whose it was and which may be said at once, in the log, or never. */
export interface MarkedSign {
  readonly id: string;
  readonly place: string;
  readonly person: string | null;
  readonly sign: string | null;
  readonly slip: boolean;
}

/** A log as far as it is typed. */
export interface LogDraft {
  readonly attendance: readonly Attendance[];
  readonly blocks: readonly BlockDone[];
  readonly allDone: boolean;
  readonly firstBreath: FirstBreath | null;
  readonly mood: Mood;
  readonly note: string;
  readonly change: string;
}

/** How far a class has come on this device: kept as it changes, so that a reload goes on where it was. */
export interface Run {
  readonly stage: 'plan' | 'door' | 'class' | 'log' | 'logged';
  /** It was rehearsed before its day: nothing of that is of the class. */
  readonly rehearsal: boolean;
  readonly door: Readonly<Record<string, DoorAnswers>>;
  /** People who have not come. */
  readonly away: readonly string[];
  /** People who came after it had begun. */
  readonly late: readonly string[];
  readonly player: PlayerState;
  /** What of it was played. */
  readonly played: Played;
  readonly signs: readonly MarkedSign[];
  readonly mirror: boolean;
  readonly tones: boolean;
  /** The blocks as they were shortened on the way; null while the class runs as published. */
  readonly shortened: readonly Block[] | null;
  /** The log as far as it is typed; null before anything is. */
  readonly log: LogDraft | null;
  /** Made here, so that a log that is sent twice is kept once. */
  readonly logId: string;
}

/** A run of which nothing is done yet. */
export const fresh = (stage: Run['stage']): Run => ({
  stage,
  rehearsal: false,
  door: {},
  away: [],
  late: [],
  player: AT_THE_START,
  played: [],
  signs: [],
  mirror: false,
  tones: false,
  shortened: null,
  log: null,
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
      .then((kept) => {
        if (!here) return;
        const from = kept ? { ...fresh(start), ...kept } : fresh(start);
        setRun(start === 'log' && from.stage !== 'logged' ? { ...from, stage: 'log' } : from);
      });
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

/** What becomes of a run by a move of its player: where it stands, and what was played until then. */
export function moved({ player, played }: Run, move: PlayerMove, line: ClassLine): Pick<Run, 'player' | 'played'> {
  const clock = deviceClock();
  return { player: step(player, move, clock, line), played: playedUntil({ player, played }, line, clock) };
}

/** What was played until now. */
export function playedUntil({ player, played }: Pick<Run, 'player' | 'played'>, line: ClassLine, clock = deviceClock()): Played {
  return player.playing ? withPlayed(played, player.position, positionAt(player, clock, line)) : played;
}

export const doorOf = (run: Run, person: string): DoorAnswers => run.door[person] ?? NOTHING_TODAY;

/** The device's clock in milliseconds: it never runs backwards, and goes on across a reload. */
export function deviceClock(): number {
  return performance.timeOrigin + performance.now();
}
