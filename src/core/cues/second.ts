import type { InStep } from '../screening';
import type { ClassLine } from './types';
import { beginningOf, breathsOf, segmentIndexAt } from '../timing';

/** Where the second pattern stands; `free` is natural breathing to the end of the group's cycle. */
export type Second = { readonly phase: 'in' | 'out'; readonly count: number; readonly of: number } | { readonly phase: 'free' };

/**
 * The pattern that runs in step with the room, at a position of the class: up on the inhale, down on the exhale. It begins anew with
 * every breath of the room.
 * @returns null where the room is not in a counted round
 * @example secondAt(line, 0, [{ cycles: 2, inhale: 4, exhale: 4, free: 0 }]) // { phase: 'in', count: 1, of: 4 }
 */
export function secondAt(line: ClassLine, position: number, step: InStep): Second | null {
  const index = segmentIndexAt(line.segments, position);
  const here = line.segments[index];
  if (!here || here.cycle === 0) return null;
  const began = line.segments.indexOf(beginningOf(line.segments, index, 'cycle'));
  const breaths = breathsOf(line.segments.slice(began, index + 1));
  const { cycles, inhale, exhale } = step[Math.min(breaths.length, step.length) - 1];
  const passed = (position - breaths.at(-1)![0].start) / line.blocks[here.block].tempo;
  const breath = inhale + exhale;
  if (passed >= cycles * breath || here.part === 'recover') return { phase: 'free' };
  const count = Math.floor((passed % breath) + 1e-9) + 1;
  return count <= inhale ? { phase: 'in', count, of: inhale } : { phase: 'out', count: breath + 1 - count, of: exhale };
}
