'use client';

import { useEffect, useRef, useState } from 'react';
import { positionAt, type ClassLine, type Moment, type PlayerState } from '@/core/cues';
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

const TONE = { in: 392, hold: 330, out: 294, empty: 247, pause: 330, pumps: 392, ended: 220 } as const;
/** How long a tone lasts, in seconds: that a practice is over is heard with closed eyes, too. */
const [PHASE_LASTS, END_LASTS] = [0.55, 1.6] as const;

/** A quiet tone as each phase begins, higher for the inhale, lower for the exhale; and a long low one as a practice ends, on whoever's count. */
export function useTones(on: boolean, moment: Pick<Moment, 'segment' | 'block' | 'over'> | null): void {
  const audio = useRef<AudioContext>(undefined);
  const sounded = useRef<keyof typeof TONE | null>(null);
  const start = moment?.segment.start;
  const sound = soundOf(moment);
  useEffect(() => {
    const ended = sound === null && sounded.current !== null && sounded.current !== 'ended';
    const tone = ended ? 'ended' : sound;
    sounded.current = tone ?? sounded.current;
    if (!on || start === undefined || !tone) return;
    audio.current ??= new AudioContext();
    const { currentTime, destination } = audio.current;
    const lasts = ended ? END_LASTS : PHASE_LASTS;
    const oscillator = new OscillatorNode(audio.current, { frequency: TONE[tone] });
    const volume = new GainNode(audio.current, { gain: 0 });
    volume.gain.linearRampToValueAtTime(0.12, currentTime + 0.04);
    volume.gain.linearRampToValueAtTime(0, currentTime + lasts - 0.05);
    oscillator.connect(volume).connect(destination);
    oscillator.start();
    oscillator.stop(currentTime + lasts);
  }, [on, start, sound]);
}

/** What is heard as a stretch begins; nothing between phases, and null where the practice is over. */
function soundOf(moment: Pick<Moment, 'segment' | 'block' | 'over'> | null): keyof typeof TONE | null {
  return moment === null || moment.over ? null : moment.segment.kind;
}

/** Whether this device can speak. */
export const hasVoice = (): boolean => typeof speechSynthesis !== 'undefined';

/** Words a second a device's voice says at its own pace, about. */
const SPOKEN = 2.7;

/** The class said by the device, in the studio's words and at its speed. A count is never said over a line, nor late. */
export function useVoice(on: boolean, line: ClassLine, position: number, wordsPerSecond: number): void {
  const cue = on ? line.cues.findLast(({ at }) => at <= position) : undefined;
  const due = cue && position - cue.at < 500 ? cue : null;
  useEffect(() => {
    if (!on || !due || !hasVoice()) return;
    if (due.kind === 'count' && speechSynthesis.speaking) return;
    speechSynthesis.cancel();
    const said = new SpeechSynthesisUtterance(due.say);
    said.rate = Math.min(2, Math.max(0.5, wordsPerSecond / SPOKEN));
    speechSynthesis.speak(said);
  }, [on, due, wordsPerSecond]);
  useEffect(() => {
    if (on) return () => speechSynthesis.cancel();
  }, [on]);
}
