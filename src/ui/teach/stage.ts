'use client';

import { useEffect, useRef, useState } from 'react';
import { positionAt, type ClassLine, type PlayerState } from '@/core/cues';
import type { Segment } from '@/core/timing';
import { deviceClock } from './run';

/** Where the class stands, read from the device's clock at every frame while it plays. */
export function usePosition(player: PlayerState, line: ClassLine): number {
  const [position, setPosition] = useState(() => positionAt(player, deviceClock(), line) as number);
  useEffect(() => {
    let frame = 0;
    const read = () => {
      setPosition(positionAt(player, deviceClock(), line));
      if (player.playing) frame = requestAnimationFrame(read);
    };
    read();
    return () => cancelAnimationFrame(frame);
  }, [player, line]);
  return position;
}

/** Keeps the screen lit while the class runs, where the device allows it. */
export function useAwake(playing: boolean): void {
  useEffect(() => {
    if (!playing || !('wakeLock' in navigator)) return;
    const lock = navigator.wakeLock.request('screen').catch(() => null);
    return () => void lock.then((held) => held?.release());
  }, [playing]);
}

const TONE = { in: 392, hold: 330, out: 294, empty: 247, pause: 330, pumps: 392 } as const;

/** A quiet tone as each phase begins: higher for the inhale, lower for the exhale. */
export function useTones(on: boolean, segment: Segment | null): void {
  const audio = useRef<AudioContext>(undefined);
  const start = segment?.start;
  const kind = segment?.kind ?? null;
  useEffect(() => {
    if (!on || start === undefined || !kind) return;
    audio.current ??= new AudioContext();
    const { currentTime, destination } = audio.current;
    const tone = new OscillatorNode(audio.current, { frequency: TONE[kind] });
    const volume = new GainNode(audio.current, { gain: 0 });
    volume.gain.linearRampToValueAtTime(0.12, currentTime + 0.04);
    volume.gain.linearRampToValueAtTime(0, currentTime + 0.5);
    tone.connect(volume).connect(destination);
    tone.start();
    tone.stop(currentTime + 0.55);
  }, [on, start, kind]);
}
